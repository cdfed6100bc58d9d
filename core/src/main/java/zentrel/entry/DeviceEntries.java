package zentrel.entry;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.entry.NetworkFormats.Owned;
import zentrel.entry.NetworkFormats.Pool;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Traffic;

/** What can be entered of devices, their adapters, and the networks that they are on. */
final class DeviceEntries {
    private static final int MOST_VLAN = 4094;
    private static final int MOST_MEGABITS = 100_000;
    private static final int MOST_METRIC = 999_999_999;

    private DeviceEntries() {}

    static List<Field<Segment>> segment() {
        return new FieldList<>(Kind.SEGMENT)
                .value("name", "Name", "name", Formats.TEXT, Segment::name, Segment::withName)
                .optional("range", "Range", "subnet", NetworkFormats.SUBNET, Segment::subnet, Segment::withSubnet)
                .value("uplink", "Has an uplink", "wayOut", Formats.YES, Segment::wayOut, Segment::withWayOut)
                .value("guests", "Guests may join", "guests", Formats.YES, Segment::guests, Segment::withGuests)
                .value(
                        "client-isolation",
                        "Client isolation",
                        "isolated",
                        Formats.ON,
                        Segment::isolated,
                        Segment::withIsolated)
                .value("keeper", "Kept by", "keeper", Formats.TEXT, Segment::keeper, Segment::withKeeper)
                .all();
    }

    static List<Field<Host>> host() {
        return new FieldList<>(Kind.HOST)
                .any("name", "Name", "name", Formats.TEXT, Entries::name, Entries::rename)
                .value("place", "Place", "place", Formats.TEXT, Host::place, Host::withPlace)
                .value("kind", "Kind", "kind", Formats.word(HostKind.class), Host::kind, Host::withKind)
                .value(
                        "system",
                        "System",
                        "system",
                        Formats.word(OperatingSystem.class),
                        Host::system,
                        Host::withSystem)
                .optional("profile", "Profile", "profile", profile(), Host::profile, Host::withProfile)
                .group("Power")
                .value(
                        "power",
                        "Switched on",
                        "power.on",
                        Formats.ON,
                        h -> h.power().on(),
                        (h, on) -> h.withPower(h.power().withOn(on)))
                .value(
                        "supplies",
                        "Powered by",
                        "power.supplies",
                        Formats.list(Formats.TEXT),
                        h -> h.power().supplies(),
                        (h, s) -> h.withPower(h.power().withSupplies(s)))
                .optional(
                        "volts",
                        "Is given volts",
                        "power.volts",
                        Formats.decimal("A voltage", 1_000),
                        h -> h.power().volts(),
                        (h, v) -> h.withPower(h.power().withVolts(v)))
                .value(
                        "own-supplies",
                        "Supplies of this one",
                        "own.supplies",
                        OwnFormats.SUPPLIES,
                        h -> h.own().supplies(),
                        (h, s) -> h.withOwn(h.own().withSupplies(s)))
                .optional(
                        "accessory-of",
                        "Accessory of",
                        "own.accessoryOf",
                        Formats.reference(Kind.HOST),
                        h -> h.own().accessoryOf(),
                        DeviceEntries::accessory)
                .value(
                        "own-signs",
                        "Signs of this one",
                        "own.signs",
                        OwnFormats.SIGNS,
                        h -> h.own().signs(),
                        (h, s) -> h.withOwn(h.own().withSigns(s)))
                .group("Firewall and routes")
                .setting(
                        "firewall",
                        "Firewall blocks what comes from outside",
                        "firewall.barsInbound",
                        Formats.YES,
                        h -> h.firewall().barsInbound(),
                        (h, s) -> h.withFirewall(h.firewall().withBarsInbound(s)))
                .value(
                        "firewall-openings",
                        "Firewall lets in",
                        "firewall.allows",
                        Formats.list(Formats.choice(List.of(Traffic.values()), Traffic::title, Format.Control.CHOICE)),
                        h -> h.firewall().allows().stream().sorted().toList(),
                        (h, list) -> h.withFirewall(h.firewall().withAllows(Set.copyOf(new LinkedHashSet<>(list)))))
                .value(
                        "firewall-programs",
                        "Firewall lets in for programs",
                        "firewall.programs",
                        Formats.list(Formats.reference(Kind.APPLICATION)),
                        h -> h.firewall().programs().stream().sorted().toList(),
                        (h, list) -> h.withFirewall(h.firewall().withPrograms(Set.copyOf(new LinkedHashSet<>(list)))))
                .value(
                        "firewall-ports",
                        "Firewall lets in at UDP ports",
                        "firewall.ports",
                        Formats.list(Formats.whole("A UDP port", 1, 65_535)),
                        h -> h.firewall().ports(),
                        (h, list) -> h.withFirewall(h.firewall().withPorts(list)))
                .value(
                        "firewall-private-only",
                        "Its openings hold on private networks only",
                        "firewall.privateOnly",
                        Formats.YES,
                        h -> h.firewall().privateOnly(),
                        (h, only) -> h.withFirewall(h.firewall().withPrivateOnly(only)))
                .value(
                        "public-networks",
                        "Adapters on public networks",
                        "firewall.publicOn",
                        Formats.list(Formats.reference(Kind.ADAPTER)),
                        h -> h.firewall().publicOn().stream().sorted().toList(),
                        DeviceEntries::publicOn)
                .value(
                        "source-check",
                        "Check of source addresses",
                        "sourceCheck",
                        Formats.word(SourceCheck.class),
                        Host::sourceCheck,
                        Host::withSourceCheck)
                .group("Switch")
                .setting(
                        "snooping",
                        "IGMP snooping",
                        "switching.snooping",
                        Formats.ON,
                        h -> h.switching().snooping(),
                        (h, s) -> h.withSwitching(h.switching().withSnooping(s)))
                .setting(
                        "querier",
                        "IGMP querier",
                        "switching.querier",
                        Formats.ON,
                        h -> h.switching().querier(),
                        (h, s) -> h.withSwitching(h.switching().withQuerier(s)))
                .value(
                        "drops-unregistered",
                        "Drops multicast that nobody joined",
                        "switching.dropsUnasked",
                        Formats.YES,
                        h -> h.switching().dropsUnasked(),
                        (h, s) -> h.withSwitching(h.switching().withDropsUnasked(s)))
                .value(
                        "loop-guard",
                        "Cuts loops of cables",
                        "switching.loopGuard",
                        Formats.YES,
                        h -> h.switching().loopGuard(),
                        (h, s) -> h.withSwitching(h.switching().withLoopGuard(s)))
                .all();
    }

    private static Host publicOn(Host host, List<Id<Adapter>> adapters) {
        for (Id<Adapter> id : adapters) {
            if (host.adapters().stream().noneMatch(a -> a.id().equals(id))) {
                throw new IllegalArgumentException("That is no adapter of " + host.name() + ".");
            }
        }
        return host.withFirewall(host.firewall().withPublicOn(Set.copyOf(new LinkedHashSet<>(adapters))));
    }

    private static Host accessory(Host host, Optional<Id<Host>> of) {
        if (of.equals(Optional.of(host.id()))) {
            throw new IllegalArgumentException(host.name() + " cannot be an accessory of itself.");
        }
        return host.withOwn(host.own().withAccessoryOf(of));
    }

    /** A profile of the plan, by its name or id. */
    private static Format<String> profile() {
        return new Format<>() {
            @Override
            public String shown(Plan plan, String id) {
                return plan.profiles().stream()
                        .filter(p -> p.id().equals(id))
                        .findFirst()
                        .map(p -> p.name())
                        .orElse(id);
            }

            @Override
            public String read(Plan plan, String text) {
                return plan.profiles().stream()
                        .filter(p -> p.id().equals(text) || p.name().equalsIgnoreCase(text))
                        .findFirst()
                        .map(p -> p.id())
                        // a plan may be without the profile that its devices name
                        .or(() -> plan.hosts().stream()
                                .flatMap(h -> h.profile().stream())
                                .filter(text::equals)
                                .findFirst())
                        .orElseThrow(
                                () -> new IllegalArgumentException("The plan has no profile called \"" + text + "\"."));
            }

            @Override
            public Control control() {
                return Control.CHOICE;
            }

            @Override
            public List<String> choices(Plan plan) {
                return plan.profiles().stream().map(p -> p.name()).toList();
            }
        };
    }

    static List<Field<Adapter>> adapter() {
        return new FieldList<>(Kind.ADAPTER)
                .value("name", "Name", "name", Formats.TEXT, Adapter::name, Adapter::withName)
                .value("kind", "Kind", "kind", Formats.word(AdapterKind.class), Adapter::kind, Adapter::withKind)
                .setting("enabled", "Switched on", "enabled", Formats.ON, Adapter::enabled, Adapter::withEnabled)
                .value("plugged", "Plugged in", "carrier", Formats.YES, Adapter::carrier, Adapter::withCarrier)
                .optional(
                        "segment",
                        "Segment",
                        "segment",
                        Formats.reference(Kind.SEGMENT),
                        Adapter::segment,
                        (a, s) -> s.map(x -> onto(a, x)).orElseGet(a::withoutSegment))
                .any(
                        "addresses",
                        "Addresses",
                        "addresses",
                        Formats.list(NetworkFormats.OWNED),
                        DeviceEntries::addresses,
                        DeviceEntries::withAddresses)
                .optional(
                        "gateway", "Gateway", "gateway", NetworkFormats.ADDRESS, Adapter::gateway, Adapter::withGateway)
                .optional("mac", "Hardware address", "mac", NetworkFormats.MAC, Adapter::mac, Adapter::withMac)
                .value("routes", "Routes", "routes", NetworkFormats.ROUTES, Adapter::routes, Adapter::withRoutes)
                .optional(
                        "metric",
                        "Metric",
                        "metric",
                        Formats.whole("A metric", 0, MOST_METRIC),
                        Adapter::metric,
                        Adapter::withMetric)
                .value("pinned", "Keeps its address", "pinned", Formats.YES, Adapter::pinned, Adapter::withPinned)
                .group("DHCP server")
                .optional(
                        "dhcp-pool",
                        "Assigns",
                        "serves.first",
                        NetworkFormats.POOL,
                        a -> a.serves().map(s -> new Pool(s.first(), s.last())),
                        (a, p) -> a.withServes(p.map(x -> new DhcpServer(
                                a.serves().map(DhcpServer::enabled).orElse(Setting.of(true)), x.first(), x.last()))))
                .optionalSetting(
                        "dhcp-server",
                        "Is on",
                        "serves.enabled",
                        Formats.ON,
                        a -> a.serves().map(DhcpServer::enabled),
                        DeviceEntries::serving)
                .group("Socket of the switch")
                .optional(
                        "speed",
                        "Speed in Mbit/s",
                        "plug.megabits",
                        Formats.whole("A speed", 1, MOST_MEGABITS),
                        a -> a.plug().megabits(),
                        (a, m) -> a.withPlug(a.plug().withMegabits(m)))
                .value(
                        "half-duplex",
                        "Half duplex",
                        "plug.halfDuplex",
                        Formats.YES,
                        a -> a.plug().halfDuplex(),
                        (a, half) -> a.withPlug(a.plug().withHalfDuplex(half)))
                .optionalSetting(
                        "vlan",
                        "VLAN",
                        "plug.vlan",
                        Formats.whole("A VLAN", 1, MOST_VLAN),
                        a -> a.plug().vlan(),
                        (a, v) -> a.withPlug(a.plug().withVlan(v)))
                .all();
    }

    private static Adapter serving(Adapter a, Optional<Setting<Boolean>> on) {
        if (a.serves().isEmpty() && on.isPresent()) {
            throw new IllegalArgumentException("Enter first which addresses the DHCP server assigns.");
        }
        return a.withServes(a.serves().flatMap(s -> on.map(x -> new DhcpServer(x, s.first(), s.last()))));
    }

    private static Field.Shown addresses(Plan plan, Adapter a) {
        Format<List<Owned>> format = Formats.list(NetworkFormats.OWNED);
        List<Owned> now = new ArrayList<>();
        List<Owned> then = new ArrayList<>();
        for (AdapterAddress x : a.addresses()) {
            now.add(new Owned(x.inForce(), x.origin()));
            then.add(new Owned(x.address().planned(), x.origin()));
        }
        return new Field.Shown(
                format.shown(plan, now), now.equals(then) ? Optional.empty() : Optional.of(format.shown(plan, then)));
    }

    /** Each in its place; what is planned for one that stays stays planned. */
    private static Plan withAddresses(Plan plan, Adapter adapter, String text) {
        List<Owned> wanted = Formats.list(NetworkFormats.OWNED).read(plan, text);
        return plan.with(adapter.id(), a -> {
            List<AdapterAddress> next = new ArrayList<>();
            for (int i = 0; i < wanted.size(); i++) {
                Owned w = wanted.get(i);
                AdapterAddress before = i < a.addresses().size()
                        ? a.addresses().get(i)
                        : new AdapterAddress(Setting.of(w.address()), w.origin());
                boolean stays = before.inForce().equals(w.address());
                next.add(new AdapterAddress(stays ? before.address() : Setting.of(w.address()), w.origin()));
            }
            return a.withAddresses(next);
        });
    }

    /** What comes onto a segment from none is plugged in there; whether it is can be entered beside it. */
    private static Adapter onto(Adapter adapter, Id<Segment> segment) {
        return adapter.segment().isEmpty()
                ? adapter.withSegment(segment).withCarrier(true)
                : adapter.withSegment(segment);
    }
}
