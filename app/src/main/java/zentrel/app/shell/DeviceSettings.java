package zentrel.app.shell;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zentrel.gear.SettingChange;
import zentrel.gear.SettingRollout;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.ProfileStep;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;

/** What to set on a device, in its own numbers: what its screen shows, not what the wire carries. */
final class DeviceSettings {
    /**
     * One thing to set.
     *
     * @param value as the device's own screen shows it
     * @param now what is in force, where that differs
     * @param entered whether the planned value is typed in and waits for a step
     * @param tick ticks it off as typed in, where that is still to do
     * @param where the way to it through the device's own menus, where its profile says so
     * @param entry how it is changed, where it is
     * @param place where it comes among all the settings of the box, in the order of the device's own menus
     */
    record Row(
            String label,
            String value,
            Optional<String> now,
            boolean entered,
            Optional<Edit> tick,
            Optional<String> where,
            Optional<Entry> entry,
            int place) {}

    /**
     * How a setting is changed.
     *
     * @param now what stands in the field first
     * @param change what was typed as a change of the plan; it throws IllegalArgumentException with a sentence
     */
    record Entry(String now, Function<String, SettingChange> change) {}

    /** After everything that the menus of the device name. */
    private static final int LAST = 1000;

    private final Plan plan;
    private final PlanIndex index;
    private final List<Row> rows = new ArrayList<>();
    private final Set<String> told = new HashSet<>();

    private DeviceSettings(Plan plan) {
        this.plan = plan;
        this.index = plan.index();
    }

    static List<Row> of(Plan plan, Id<?> id) {
        DeviceSettings settings = new DeviceSettings(plan);
        settings.add(plan.index().find(id).orElse(null));
        settings.rest(id);
        return settings.rows.stream()
                .sorted(Comparator.comparingInt(Row::place))
                .toList();
    }

    /** All there is to set, a line each, to be read out to whoever stands at the device. */
    static String readOut(Plan plan, Id<?> id) {
        StringBuilder text = new StringBuilder(plan.index().name(id)).append(".\n");
        for (Row row : of(plan, id)) {
            row.where().ifPresent(w -> text.append(w).append(": "));
            text.append(row.label()).append(", ").append(row.value());
            row.now()
                    .ifPresent(n -> text.append(row.entered() ? ", typed in already, still " : ", now ")
                            .append(n));
            text.append(".\n");
        }
        return text.toString();
    }

    private void add(@org.jspecify.annotations.Nullable Object found) {
        if (found instanceof Host host) {
            host.adapters().forEach(a -> adapter(a, host.adapters().size() > 1));
            index.applicationsOn(host.id()).forEach(this::application);
        } else if (found instanceof Adapter adapter) {
            adapter(adapter, false);
        } else if (found instanceof Application application) {
            application(application);
        } else if (found instanceof Receiver receiver) {
            receiver.ports().forEach(this::port);
        } else if (found instanceof Port port) {
            port(port);
        } else if (found instanceof Line line) {
            port(index.port(line.port()));
        } else if (found instanceof Fixture fixture) {
            FixtureFacts.of(plan, fixture).forEach(this::plain);
        } else if (found instanceof PixelRun run) {
            PixelFacts.of(plan, run).forEach(this::plain);
        } else if (found instanceof PixelOutput output) {
            PixelFacts.of(plan, output).forEach(this::plain);
        } else if (found instanceof Universe universe) {
            universe(universe);
        } else if (found instanceof ControlLink link) {
            link(link);
        } else if (found instanceof Session session) {
            session.desks().forEach(m -> version(index.application(m.application()), index.name(m.application())));
        }
    }

    /** What is planned and told by no row yet: what is switched on or off, a direction, what a program sends. */
    private void rest(Id<?> id) {
        Optional<Id<Host>> host = Boxes.of(index, id);
        if (host.isEmpty()) {
            return;
        }
        for (SettingRollout.Pending pending : SettingRollout.pending(plan, host.get())) {
            if (!told.contains(pending.key()) && (id.is(Kind.HOST) || isOf(id, pending.owner()))) {
                row(
                        host.get(),
                        PendingWords.label(index, pending),
                        pending.setting(),
                        value -> PendingWords.value(index, pending, value),
                        pending.key(),
                        pending.subject());
            }
        }
    }

    private boolean isOf(Id<?> id, Id<?> part) {
        return part.equals(id) || (part.is(Kind.PORT) && index.keptIn(part).equals(id));
    }

    private void plain(String label, String value) {
        plain(label, value, Optional.empty());
    }

    private void plain(String label, String value, Optional<Entry> entry) {
        int place = rows.isEmpty() ? LAST : rows.get(rows.size() - 1).place(); // it goes with what was before it
        rows.add(new Row(label, value, Optional.empty(), false, Optional.empty(), Optional.empty(), entry, place));
    }

    /**
     * One setting of a box.
     *
     * @param key its key, as {@link SettingRollout#key} makes it
     * @param subject what it is about, as in {@link ProfileStep}
     */
    private <T> void row(
            Id<Host> host, String label, Setting<T> setting, Function<T, String> shown, String key, String subject) {
        row(host, label, setting, shown, key, subject, Optional.empty());
    }

    private <T> void row(
            Id<Host> host,
            String label,
            Setting<T> setting,
            Function<T, String> shown,
            String key,
            String subject,
            Optional<Entry> entry) {
        told.add(key);
        List<String> menus = index.profileOf(index.host(host))
                .map(p -> List.copyOf(p.menus().keySet()))
                .orElse(List.of());
        boolean toDo = setting.isPending() && !setting.entered();
        rows.add(new Row(
                label,
                shown.apply(setting.planned()),
                setting.isPending() ? Optional.of(shown.apply(setting.inForce())) : Optional.empty(),
                setting.entered(),
                toDo ? Optional.of(SettingRollout.typeIn(plan, host, Set.of(key))) : Optional.empty(),
                index.profileOf(index.host(host)).map(p -> p.menus().get(subject)),
                entry,
                menus.contains(subject) ? menus.indexOf(subject) : LAST));
    }

    private void adapter(Adapter adapter, boolean named) {
        String prefix = named ? adapter.name() + " " : "";
        for (int i = 0; i < adapter.addresses().size(); i++) {
            int at = i;
            AdapterAddress a = adapter.addresses().get(i);
            row(
                    index.hostOf(adapter.id()).id(),
                    named ? adapter.name() : "Address",
                    a.address(),
                    h -> h.address().toString(),
                    SettingRollout.key(adapter.id(), "address" + at),
                    "address",
                    Optional.of(new Entry(
                            a.address().planned().toString(),
                            typed -> SettingChange.address(
                                    plan,
                                    adapter.id(),
                                    at,
                                    address(typed, a.address().planned())))));
            HostAddress planned = a.address().planned();
            plain(prefix.isEmpty() ? "Mask" : prefix + "mask", planned.mask().toString());
        }
        if (adapter.addresses().isEmpty() && !index.hostOf(adapter.id()).onlyPassesOn(adapter)) {
            plain(prefix + "Address", "none yet");
        }
        adapter.gateway().ifPresent(g -> plain(prefix + "Gateway", g.toString()));
        adapter.routes().forEach(r -> plain(prefix + "Route", r.text()));
        adapter.metric().ifPresent(m -> plain(prefix + "Metric", String.valueOf(m)));
        adapter.serves()
                .ifPresent(d -> row(
                        index.hostOf(adapter.id()).id(),
                        prefix + "DHCP server",
                        d.enabled(),
                        on -> on ? d.pool() : "off",
                        SettingRollout.key(adapter.id(), "serves"),
                        "address"));
    }

    private void application(Application a) {
        for (Protocol protocol : Protocol.values()) {
            ProtocolOutput output = a.outputs().get(protocol);
            if (output != null && !output.ranges().isEmpty()) {
                LabelRange r = output.ranges().get(0);
                plain(
                        protocol.title() + " output",
                        (output.enabled().inForce() ? "" : "off, ") + "U" + r.first() + "–" + r.last() + " as "
                                + a.shown(protocol, r.first() + r.offset()) + "–"
                                + a.shown(protocol, r.last() + r.offset()));
            }
        }
        for (Purpose purpose : Purpose.values()) {
            Setting<Binding> binding = a.bindings().get(purpose);
            if (binding != null) {
                row(
                        a.host(),
                        purpose.title(),
                        binding,
                        b -> PendingWords.binding(index, b),
                        SettingRollout.key(a.id(), purpose.word()),
                        "binding");
            }
        }
        a.osc().ifPresent(osc -> {
            row(
                    a.host(),
                    "OSC port",
                    osc.port(),
                    String::valueOf,
                    SettingRollout.key(a.id(), "osc"),
                    "osc",
                    Optional.of(new Entry(
                            String.valueOf(osc.port().planned()),
                            typed -> SettingChange.oscPort(plan, a.id(), number(typed)))));
            plain("Receive OSC", osc.receiving().inForce() ? "on" : "off now");
        });
        version(a, "Version");
        index.receiversOf(a.id()).forEach(r -> r.ports().forEach(this::port));
    }

    private void version(Application a, String label) {
        a.version().ifPresent(v -> row(a.host(), label, v, x -> x, SettingRollout.key(a.id(), "version"), "version"));
        a.installed()
                .show()
                .ifPresent(v -> row(a.host(), "Stored show", v, x -> x, SettingRollout.key(a.id(), "show"), "version"));
        a.installed().licenceNow().ifPresent(l -> plain("Licence", l));
        a.installed().attached().forEach(x -> plain("Attached", x));
    }

    private void port(Port port) {
        Application owner = index.applicationOf(port.id());
        Protocol protocol = port.protocol().inForce();
        String state = (port.direction().inForce() == Direction.INPUT ? ", input" : "")
                + (port.enabled().inForce() ? "" : ", off");
        Function<String, SettingChange> change = typed ->
                SettingChange.wire(plan, port.id(), owner.screen(protocol).wire(protocol, typed));
        if (port.wire().isEmpty()) {
            plain(port.name(), protocol.title() + ", not set" + state, Optional.of(new Entry("", change)));
            return;
        }
        if (!port.enabled().inForce() && port.universe().isEmpty()) {
            plain(port.name(), "off, spare");
            return;
        }
        Setting<Integer> wire = port.wire().get();
        row(
                owner.host(),
                port.name(),
                wire,
                w -> protocol.title() + " " + owner.shown(protocol, w) + state,
                SettingRollout.key(port.id(), "wire"),
                "universe",
                Optional.of(new Entry(owner.shown(protocol, wire.planned()), change)));
    }

    /** An address as typed, with the mask it had where none is typed. */
    private static HostAddress address(String typed, HostAddress before) {
        return typed.contains("/")
                ? HostAddress.parse(typed)
                : new HostAddress(Ipv4Address.parse(typed), before.prefixLength());
    }

    private static int number(String typed) {
        if (!typed.matches("-?\\d{1,9}")) {
            throw new IllegalArgumentException("\"" + typed + "\" is no whole number.");
        }
        return Integer.parseInt(typed);
    }

    private void universe(Universe universe) {
        for (Stream s : index.streamsOf(universe.id())) {
            index.wireOf(s).ifPresent(w -> {
                if (s.protocol() == Protocol.ARTNET && w >= 0 && w <= PortAddress.LAST) {
                    PortAddress address = new PortAddress(w);
                    plain(index.name(s.application()) + ", Art-Net", w + "   " + address);
                    plain("   in hex", address.hex());
                } else if (s.protocol() == Protocol.SACN && w >= 1 && w <= SacnUniverse.LAST) {
                    plain(index.name(s.application()) + ", sACN", w + "   " + SacnUniverse.group(w));
                    plain("   group MAC", SacnUniverse.groupMac(w));
                } else {
                    plain(index.name(s.application()), s.protocol().title() + " " + w + ", which does not exist");
                }
            });
        }
        for (Port p : index.portsOf(universe.id())) {
            p.wire()
                    .ifPresent(w -> plain(
                            index.receiverOf(p.id()).name() + " " + p.name(),
                            "shows "
                                    + index.applicationOf(p.id())
                                            .shown(p.protocol().inForce(), w.inForce())));
        }
        long first = (universe.number() - 1L) * Universe.SLOTS + 1;
        plain("Absolute slots", first + "–" + (first + Universe.SLOTS - 1));
    }

    private void link(ControlLink link) {
        Id<Host> sender = index.application(link.from()).host();
        row(
                sender,
                "Send to",
                link.destination(),
                Object::toString,
                SettingRollout.key(link.id(), "destination"),
                "osc");
        row(sender, "Port", link.port(), String::valueOf, SettingRollout.key(link.id(), "port"), "osc");
        plain("Message", link.message());
        index.application(link.to())
                .osc()
                .ifPresent(o -> plain(
                        index.name(link.to()) + " listens",
                        String.valueOf(o.port().inForce())));
    }
}
