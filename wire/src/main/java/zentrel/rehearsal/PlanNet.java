package zentrel.rehearsal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.net.sim.HostTraits;
import zentrel.net.sim.SimAdapter;
import zentrel.net.sim.SimHost;
import zentrel.net.sim.SimNet;
import zentrel.net.sim.SimSocket;
import zentrel.net.sim.SimSwitch;
import zentrel.net.sim.SwitchTraits;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Cable;
import zentrel.plan.CableKind;
import zentrel.plan.Firewall;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.IgmpSnooping;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Segment;
import zentrel.plan.Setting;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Traffic;

/**
 * The simulated network of a plan, as it is set now: a computer for each device, a switch for each box that passes the network on and
 * whose cables are described; where no cables are, one switch for the segment. Places are called by {@link #place}.
 */
final class PlanNet {
    private static final String WATCHER = "this computer";

    private final Plan plan;
    private final PlanIndex index;
    private final SimNet net;
    private final Map<Id<Host>, SimHost> hosts = new LinkedHashMap<>();
    private final Map<Id<Adapter>, SimAdapter> adapters = new LinkedHashMap<>();
    private final Map<Id<Host>, SimSwitch> boxes = new HashMap<>();
    private final Map<Id<Segment>, SimSwitch> joints = new HashMap<>();

    PlanNet(Plan plan, SimNet net) {
        this.plan = plan;
        this.index = plan.index();
        this.net = net;
        plan.hosts().forEach(this::host);
        Set<Id<?>> cabled = new HashSet<>();
        for (Cable cable : plan.cables()) {
            if (cable.kind() == CableKind.NETWORK) {
                cable(cable, cabled);
            }
        }
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                if (adapter.segment().isPresent() && !cabled.contains(adapter.id())) {
                    net.cable(
                            "cable of " + place(adapter.id()),
                            of(adapter),
                            joint(adapter.segment().get())
                                    .socket(place(adapter.id()) + " socket", vlan(adapter), isWireless(adapter)),
                            true);
                }
            }
        }
        joints.forEach((segment, joint) -> joinBoxes(segment, joint));
        adapters.values().forEach(SimAdapter::announce);
    }

    /**
     * A computer more, plugged in where a segment can be seen: into a switch that is on, or beside the devices where no cables are
     * described.
     */
    SimAdapter plugIn(Id<Segment> segment, HostAddress address) {
        SimHost made = net.addHost(WATCHER, HostTraits.LINUX);
        SimAdapter adapter =
                made.addAdapter(WATCHER + " adapter", WATCHER, false).with(address);
        Optional<Adapter> plugged = index.adaptersOn(segment).stream()
                .filter(a -> index.cablesOf(a.id()).stream()
                        .map(c -> index.hostAtEnd(c.otherEnd(a.id())))
                        .anyMatch(h -> h.filter(b ->
                                        boxes.containsKey(b.id()) && b.power().on())
                                .isPresent()))
                .findFirst();
        SimSwitch at = plugged.flatMap(a -> index.cablesOf(a.id()).stream()
                        .map(c -> index.hostAtEnd(c.otherEnd(a.id()))
                                .map(Host::id)
                                .map(boxes::get))
                        .flatMap(Optional::stream)
                        .findFirst())
                .orElseGet(() -> joint(segment));
        net.cable(
                "cable of " + WATCHER,
                adapter,
                at.socket(WATCHER + " socket", plugged.map(PlanNet::vlan).orElse(0), false),
                true);
        adapter.announce();
        return adapter;
    }

    /** Where the cables of some are described and those of others are not, being on one segment is enough for them. */
    private void joinBoxes(Id<Segment> segment, SimSwitch joint) {
        Set<Id<Host>> joined = new HashSet<>();
        for (Adapter adapter : index.adaptersOn(segment)) {
            for (Cable cable : index.cablesOf(adapter.id())) {
                index.hostAtEnd(cable.otherEnd(adapter.id()))
                        .map(Host::id)
                        .filter(boxes::containsKey)
                        .filter(box -> !joined.contains(box))
                        .ifPresent(box -> {
                            joined.addAll(together(box));
                            net.cable(
                                    "meant cable of " + place(box),
                                    box(index.host(box)).socket(place(box) + " to " + place(segment), 0, false),
                                    joint.socket(place(segment) + " to " + place(box), 0, false),
                                    true);
                        });
            }
        }
    }

    /** A box and all that are joined to it by cables. */
    private Set<Id<Host>> together(Id<Host> box) {
        Set<Id<Host>> all = new HashSet<>();
        List<Id<Host>> open = new ArrayList<>(List.of(box));
        while (!open.isEmpty()) {
            Id<Host> at = open.remove(0);
            if (all.add(at)) {
                for (Cable cable : index.cablesOf(at)) {
                    index.hostAtEnd(cable.otherEnd(at))
                            .map(Host::id)
                            .filter(boxes::containsKey)
                            .ifPresent(open::add);
                }
            }
        }
        return all;
    }

    /** What the net calls something of the plan. */
    static String place(Id<?> id) {
        return id.kind().word() + " " + id.value();
    }

    SimNet net() {
        return net;
    }

    SimHost of(Host host) {
        return java.util.Objects.requireNonNull(hosts.get(host.id()), "a computer for each device");
    }

    SimAdapter of(Adapter adapter) {
        return java.util.Objects.requireNonNull(adapters.get(adapter.id()), "an adapter for each of the plan");
    }

    private static boolean isWireless(Adapter adapter) {
        return adapter.kind() == AdapterKind.WIRELESS;
    }

    private static int vlan(Adapter adapter) {
        return adapter.plug().vlan().map(Setting::inForce).orElse(0);
    }

    private void host(Host host) {
        OperatingSystem system = host.system();
        SimHost made = net.addHost(
                place(host.id()),
                new HostTraits(
                        system.receivesOnAny().value(),
                        system.sendsByRoute().value(),
                        system == OperatingSystem.LINUX,
                        system == OperatingSystem.LINUX,
                        system != OperatingSystem.LINUX,
                        HostTraits.SourceCheck.valueOf(host.sourceCheck().name()),
                        host.kind() == HostKind.ROUTER,
                        host.power().on()));
        hosts.put(host.id(), made);
        made.setFirewall((adapter, program, port) -> lets(host.firewall(), adapter, program, port));
        for (Adapter adapter : host.adapters()) {
            if (adapter.kind() != AdapterKind.LOOPBACK) {
                adapters.put(adapter.id(), adapter(made, adapter));
            }
        }
    }

    private SimAdapter adapter(SimHost made, Adapter adapter) {
        SimAdapter sim = made.addAdapter(place(adapter.id()), adapter.id().value(), isWireless(adapter));
        for (AdapterAddress address : adapter.addresses()) {
            sim.with(address.inForce());
        }
        adapter.routes().forEach(r -> sim.withWay(r.to(), r.via()));
        adapter.gateway().ifPresent(g -> sim.withWay(Subnet.parse("0.0.0.0/0"), Optional.of(g)));
        adapter.metric().ifPresent(sim::withMetric);
        sim.setEnabled(adapter.enabled().inForce());
        sim.setCarrier(!adapter.needsCarrier() || (adapter.carrier() && !new Layout(index).isOut(adapter)));
        return sim;
    }

    private boolean lets(Firewall firewall, String adapter, String program, int port) {
        Traffic traffic = port == Traffic.ARTNET.port().getAsInt()
                ? Traffic.ARTNET
                : port == Traffic.SACN.port().getAsInt() ? Traffic.SACN : Traffic.OSC;
        boolean opens = plan.applications().stream()
                .filter(a -> place(a.id()).equals(program))
                .anyMatch(a -> firewall.opensFor(traffic, a.id(), Optional.of(port)));
        boolean shut = plan.hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .filter(a -> place(a.id()).equals(adapter))
                .anyMatch(a -> firewall.isShutOn(a.id()));
        return opens && !shut;
    }

    // --- what joins them ---

    private void cable(Cable cable, Set<Id<?>> cabled) {
        Optional<SimSocket> from = socket(cable.from(), cable.to());
        Optional<SimSocket> to = socket(cable.to(), cable.from());
        if (from.isPresent() && to.isPresent()) {
            net.cable(place(cable.id()), from.get(), to.get(), cable.connected());
            cabled.add(cable.from());
            cabled.add(cable.to());
        }
    }

    private Optional<SimSocket> socket(Id<?> end, Id<?> other) {
        Optional<Host> box = index.hostAtEnd(end).filter(h -> IgmpSnooping.passesOn(index, h));
        if (box.isPresent()) {
            Optional<Adapter> beyond = other.as(Kind.ADAPTER).map(index::adapter);
            return Optional.of(box(box.get())
                    .socket(
                            place(end) + " to " + place(other),
                            beyond.map(PlanNet::vlan).orElse(0),
                            beyond.filter(PlanNet::isWireless).isPresent()));
        }
        return end.as(Kind.ADAPTER).map(adapters::get);
    }

    private SimSwitch box(Host box) {
        return boxes.computeIfAbsent(
                box.id(),
                b -> net.addSwitch(
                        place(b),
                        new SwitchTraits(
                                box.switching().snooping().inForce(),
                                box.switching().querier().inForce(),
                                box.switching().dropsUnasked(),
                                box.switching().loopGuard(),
                                false,
                                box.power().on())));
    }

    /** The switch that stands for a segment whose cables nobody described. */
    private SimSwitch joint(Id<Segment> segment) {
        return joints.computeIfAbsent(segment, s -> {
            List<Host> passing = new ArrayList<>();
            for (Adapter adapter : index.adaptersOn(s)) {
                Host host = index.hostOf(adapter.id());
                if (IgmpSnooping.passesOn(index, host) && !passing.contains(host)) {
                    passing.add(host);
                }
            }
            List<Host> on = passing.stream().filter(h -> h.power().on()).toList();
            return net.addSwitch(
                    passing.isEmpty() || !on.isEmpty()
                            ? place(s)
                            : place(passing.get(0).id()),
                    new SwitchTraits(
                            on.stream().anyMatch(h -> h.switching().snooping().inForce()),
                            on.stream().anyMatch(h -> h.switching().querier().inForce()),
                            on.stream()
                                    .anyMatch(h -> h.switching().snooping().inForce()
                                            && h.switching().dropsUnasked()),
                            true,
                            index.segment(s).isolated(),
                            passing.isEmpty() || !on.isEmpty()));
        });
    }
}
