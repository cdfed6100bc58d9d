package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.profile.Need;
import zentrel.profile.Protocol;

/** The settings of each kind of entity and of its parts, in the order in which they are gone through. */
final class EntitySettings {
    private EntitySettings() {}

    static Host of(Host h, SettingVisit visit) {
        Id<Host> id = h.id();
        SwitchFeatures s = h.switching();
        return h.withAdapters(h.adapters().stream().map(a -> of(a, visit)).toList())
                .withFirewall(h.firewall()
                        .withBarsInbound(visit.of(
                                id, id, "firewall", "address", h.firewall().barsInbound())))
                .withSwitching(s.withSnooping(visit.of(id, id, "snooping", "port", s.snooping()))
                        .withQuerier(visit.of(id, id, "querier", "port", s.querier())));
    }

    static Adapter of(Adapter a, SettingVisit visit) {
        Id<Adapter> id = a.id();
        List<AdapterAddress> addresses = new ArrayList<>();
        for (int i = 0; i < a.addresses().size(); i++) {
            AdapterAddress x = a.addresses().get(i);
            addresses.add(new AdapterAddress(visit.of(id, id, "address" + i, "address", x.address()), x.origin()));
        }
        return a.withAddresses(addresses)
                .withEnabled(visit.of(id, id, "enabled", "address", a.enabled()))
                .withServes(a.serves()
                        .map(d -> new DhcpServer(
                                visit.of(id, id, "serves", "address", d.enabled()), d.first(), d.last())))
                .withPlug(a.plug().withVlan(a.plug().vlan().map(v -> visit.of(id, id, "vlan", "port", v))));
    }

    static Application of(Application a, SettingVisit visit) {
        Id<Application> id = a.id();
        Application next = a;
        for (Purpose purpose : Purpose.values()) {
            Setting<Binding> binding = a.bindings().get(purpose);
            if (binding != null) {
                next = next.withBinding(purpose, visit.of(id, id, purpose.word(), "binding", binding));
            }
        }
        for (Protocol protocol : Protocol.values()) {
            ProtocolOutput output = a.outputs().get(protocol);
            if (output != null) {
                next = next.withOutput(
                        protocol,
                        output.withEnabled(visit.of(id, id, protocol.word(), "protocol", output.enabled()))
                                .withAlsoHere(output.alsoHere()
                                        .map(s -> visit.of(id, id, protocol.word() + "-also-here", "protocol", s)))
                                .withOwnLevels(output.ownLevels()
                                        .map(s -> visit.of(id, id, protocol.word() + "-own-levels", "protocol", s))));
            }
        }
        if (a.osc().isPresent()) {
            OscInput o = a.osc().get();
            next = next.withOsc(o.withPort(visit.of(id, id, "osc", "osc", o.port()))
                    .withReceiving(visit.of(id, id, "receiving", "osc", o.receiving()))
                    .withHandling(visit.of(id, id, "handling", "osc", o.handling())));
        }
        if (a.version().isPresent()) {
            next = next.withVersion(
                    visit.of(id, id, "version", "version", a.version().get()));
        }
        Installed installed = a.installed();
        for (Need need : Need.values()) {
            Optional<Setting<Boolean>> is = Optional.ofNullable(installed.met().get(need));
            installed = is.isEmpty()
                    ? installed
                    : installed.with(need, is.map(s -> visit.of(id, id, "met-" + need.word(), "session", s)));
        }
        return next.withInstalled(installed
                .withShow(installed.show().map(s -> visit.of(id, id, "show", "version", s)))
                .withLicence(installed.licence().map(l -> visit.of(id, id, "licence", "version", l)))
                .withRunning(installed.running().map(r -> visit.of(id, id, "running", "session", r))));
    }

    static Receiver of(Receiver r, SettingVisit visit) {
        return r.withInputOn(visit.of(r.id(), r.id(), "inputOn", "protocol", r.inputOn()))
                .withPorts(r.ports().stream().map(p -> of(p, visit)).toList());
    }

    static Port of(Port p, SettingVisit visit) {
        Id<Port> id = p.id();
        return new Port(
                id,
                p.name(),
                p.kind(),
                visit.of(id, id, "direction", "port", p.direction()),
                visit.of(id, id, "enabled", "port", p.enabled()),
                visit.of(id, id, "protocol", "protocol", p.protocol()),
                p.wire().map(w -> visit.of(id, id, "wire", "universe", w)),
                p.universe());
    }

    static Stream of(Stream s, SettingVisit visit) {
        Id<Application> on = s.application();
        return s.withSettings(
                        visit.of(on, s.id(), "enabled", "universe", s.enabled()),
                        s.wire().map(w -> visit.of(on, s.id(), "wire", "universe", w)),
                        visit.of(on, s.id(), "priority", "universe", s.priority()))
                .withOwnLevels(s.ownLevels().map(o -> visit.of(on, s.id(), "own-levels", "protocol", o)));
    }

    static ControlLink of(ControlLink l, SettingVisit visit) {
        Id<Application> on = l.from();
        return l.withDestination(visit.of(on, l.id(), "destination", "osc", l.destination()))
                .withPort(visit.of(on, l.id(), "port", "osc", l.port()))
                .withEnabled(visit.of(on, l.id(), "enabled", "osc", l.enabled()))
                .withAnswerPort(l.answerPort().map(p -> visit.of(on, l.id(), "answerPort", "osc", p)));
    }

    /** The console's end, then the program's. */
    static Attachment of(Attachment a, SettingVisit visit) {
        return a.withSending(visit.of(a.from(), a.id(), "sending", "protocol", a.sending()))
                .withDestination(a.destination().map(d -> visit.of(a.from(), a.id(), "destination", "address", d)))
                .withChosen(visit.of(a.to(), a.id(), "chosen", "protocol", a.chosen()));
    }

    static TypedCopy of(TypedCopy c, SettingVisit visit) {
        String subject = c.of().is(Kind.ADAPTER) ? "address" : c.of().is(Kind.PORT) ? "universe" : "name";
        return c.withValue(visit.of(c.owner(), c.id(), "value", subject, c.value()));
    }
}
