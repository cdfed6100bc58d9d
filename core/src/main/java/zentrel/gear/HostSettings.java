package zentrel.gear;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import zentrel.plan.*;

/** Every setting that is made on one box, wherever the plan keeps it. */
final class HostSettings {
    /** What is done with each setting; the same setting back leaves it as it is. */
    interface Change {
        /**
         * Looks at a setting.
         *
         * @param key the thing it belongs to and its field: {@code boathouse-node.p1/wire}
         * @param subject what it is about, as in {@link ProfileStep}
         */
        <T> Setting<T> of(String key, String subject, Setting<T> setting);
    }

    /** Notices whether anything was changed, so that what was only looked at stays the very thing that it was. */
    private static final class Noticing implements Change {
        private final Change change;
        private boolean changed;

        private Noticing(Change change) {
            this.change = change;
        }

        @Override
        @SuppressWarnings("ReferenceEquality")
        public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
            Setting<T> now = change.of(key, subject, setting);
            changed |= now != setting;
            return now;
        }
    }

    private HostSettings() {}

    /** The key of a setting. */
    static String key(Id<?> id, String field) {
        return id.value() + "/" + field;
    }

    /** The plan with each setting of a box looked at, and changed where the change says so. */
    static Plan changed(Plan plan, Id<Host> id, Change made) {
        Noticing change = new Noticing(made);
        PlanIndex index = plan.index();
        Plan next = each(change, plan, Kind.HOST, List.of(index.host(id)), h -> host(h, change));
        List<Application> programs = index.applicationsOn(id);
        List<Receiver> receivers = new ArrayList<>();
        List<Stream> streams = new ArrayList<>();
        for (Application a : programs) {
            receivers.addAll(index.receiversOf(a.id()));
            streams.addAll(index.streamsFrom(a.id()));
        }
        next = each(change, next, Kind.APPLICATION, programs, a -> application(a, change));
        next = each(change, next, Kind.RECEIVER, receivers, r -> receiver(r, change));
        next = each(change, next, Kind.STREAM, streams, s -> stream(s, change));
        next = each(
                change,
                next,
                Kind.LINK,
                plan.links().stream()
                        .filter(l -> index.hostOf(l.from()).id().equals(id))
                        .toList(),
                l -> link(l, change));
        next = each(change, next, Kind.ATTACHMENT, plan.attachments(), x -> attachment(x, id, index, change));
        return each(
                change,
                next,
                Kind.COPY,
                plan.copies().stream().filter(c -> c.host(index).equals(id)).toList(),
                c -> c.withValue(change.of(key(c.id(), "value"), subject(c), c.value())));
    }

    /** The plan with some things of one of its lists changed, all at once: a desk may send tens of thousands of streams. */
    private static <T> Plan each(Noticing noticing, Plan plan, Kind<T> kind, List<T> some, UnaryOperator<T> change) {
        IdentityHashMap<T, T> changed = new IdentityHashMap<>();
        for (T item : some) {
            noticing.changed = false;
            T now = change.apply(item);
            if (noticing.changed) {
                changed.put(item, now);
            }
        }
        if (changed.isEmpty()) {
            return plan;
        }
        List<T> all = new ArrayList<>(plan.table(kind));
        all.replaceAll(item -> changed.getOrDefault(item, item));
        return plan.with(kind, all);
    }

    private static Host host(Host h, Change change) {
        return h.withAdapters(h.adapters().stream().map(a -> adapter(a, change)).toList())
                .withFirewall(new Firewall(
                        change.of(
                                key(h.id(), "firewall"), "address", h.firewall().barsInbound()),
                        h.firewall().allows()))
                .withSwitching(h.switching()
                        .withSnooping(change.of(
                                key(h.id(), "snooping"), "port", h.switching().snooping()))
                        .withQuerier(change.of(
                                key(h.id(), "querier"), "port", h.switching().querier())));
    }

    private static Attachment attachment(Attachment x, Id<Host> id, PlanIndex index, Change change) {
        Attachment next = x;
        if (index.application(x.from()).host().equals(id)) {
            next = next.withSending(change.of(key(x.id(), "sending"), "protocol", x.sending()))
                    .withDestination(x.destination().map(d -> change.of(key(x.id(), "destination"), "address", d)));
        }
        return index.application(x.to()).host().equals(id)
                ? next.withChosen(change.of(key(x.id(), "chosen"), "protocol", x.chosen()))
                : next;
    }

    private static String subject(TypedCopy copy) {
        return copy.of().is(Kind.ADAPTER) ? "address" : copy.of().is(Kind.PORT) ? "universe" : "name";
    }

    private static Adapter adapter(Adapter a, Change change) {
        List<AdapterAddress> addresses = new ArrayList<>();
        for (int i = 0; i < a.addresses().size(); i++) {
            AdapterAddress x = a.addresses().get(i);
            addresses.add(
                    new AdapterAddress(change.of(key(a.id(), "address" + i), "address", x.address()), x.origin()));
        }
        return a.withAddresses(addresses)
                .withEnabled(change.of(key(a.id(), "enabled"), "address", a.enabled()))
                .withServes(a.serves()
                        .map(d -> new DhcpServer(
                                change.of(key(a.id(), "serves"), "address", d.enabled()), d.first(), d.last())))
                .withPlug(a.plug().withVlan(a.plug().vlan().map(v -> change.of(key(a.id(), "vlan"), "port", v))));
    }

    private static Application application(Application a, Change change) {
        Application next = a;
        for (Purpose purpose : Purpose.values()) {
            Setting<Binding> binding = a.bindings().get(purpose);
            if (binding != null) {
                next = next.withBinding(purpose, change.of(key(a.id(), purpose.word()), "binding", binding));
            }
        }
        for (Protocol protocol : Protocol.values()) {
            ProtocolOutput output = a.outputs().get(protocol);
            if (output != null) {
                next = next.withOutput(
                        protocol,
                        output.withEnabled(change.of(key(a.id(), protocol.word()), "protocol", output.enabled())));
            }
        }
        if (a.osc().isPresent()) {
            OscInput o = a.osc().get();
            next = next.withOsc(new OscInput(
                    change.of(key(a.id(), "osc"), "osc", o.port()),
                    change.of(key(a.id(), "receiving"), "osc", o.receiving()),
                    change.of(key(a.id(), "handling"), "osc", o.handling()),
                    o.targets()));
        }
        if (a.version().isPresent()) {
            next = next.withVersion(
                    change.of(key(a.id(), "version"), "version", a.version().get()));
        }
        Optional<Setting<String>> show = a.installed().show().map(s -> change.of(key(a.id(), "show"), "version", s));
        return next.withInstalled(a.installed().withShow(show));
    }

    private static Receiver receiver(Receiver r, Change change) {
        return r.withInputOn(change.of(key(r.id(), "inputOn"), "protocol", r.inputOn()))
                .withPorts(r.ports().stream()
                        .map(p -> new Port(
                                p.id(),
                                p.name(),
                                p.kind(),
                                change.of(key(p.id(), "direction"), "port", p.direction()),
                                change.of(key(p.id(), "enabled"), "port", p.enabled()),
                                change.of(key(p.id(), "protocol"), "protocol", p.protocol()),
                                p.wire().map(w -> change.of(key(p.id(), "wire"), "universe", w)),
                                p.universe()))
                        .toList());
    }

    private static Stream stream(Stream s, Change change) {
        return s.withSettings(
                change.of(key(s.id(), "enabled"), "universe", s.enabled()),
                s.wire().map(w -> change.of(key(s.id(), "wire"), "universe", w)),
                change.of(key(s.id(), "priority"), "universe", s.priority()));
    }

    private static ControlLink link(ControlLink l, Change change) {
        return new ControlLink(
                l.id(),
                l.name(),
                l.from(),
                l.to(),
                change.of(key(l.id(), "destination"), "osc", l.destination()),
                change.of(key(l.id(), "port"), "osc", l.port()),
                l.pattern(),
                change.of(key(l.id(), "enabled"), "osc", l.enabled()),
                l.answer(),
                l.answerPort().map(p -> change.of(key(l.id(), "answerPort"), "osc", p)));
    }
}
