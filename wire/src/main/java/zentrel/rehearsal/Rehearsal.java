package zentrel.rehearsal;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.sim.SimAdapter;
import zentrel.net.sim.SimBinding;
import zentrel.net.sim.SimHost;
import zentrel.net.sim.SimNet;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.BindingMode;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Purpose;
import zentrel.plan.Segment;
import zentrel.plan.Stream;
import zentrel.profile.HostKind;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.DeviceSpec;
import zentrel.standin.DeviceSpecs;
import zentrel.standin.LevelStandin;
import zentrel.standin.NodeStandin;
import zentrel.standin.NodeTraits;
import zentrel.standin.NotModelled;
import zentrel.standin.StandinSite;

/**
 * A plan rehearsed: its stand-ins on its simulated network, all that is set as it is now. Each stream sends 255 in a slot of its own. For one thread, or one at a time; {@link #stop} may come from another.
 */
public final class Rehearsal {
    private static final int SLOTS = 512;
    private static final int LEVEL = 255;

    /** How long everything is up before its programs start. */
    private static final long COMING_UP_NANOS = 1_000_000_000L;

    private static final HostAddress NO_ADDRESS = new HostAddress(Ipv4Address.ANY, 32);

    private final Plan plan;
    private final PlanIndex index;
    private final Layout layout;
    private final PlanNet built;
    private final SimNet net;
    private final Trace trace;
    private final Map<String, Integer> places = new HashMap<>();
    private final Map<Id<Application>, DeviceSpec> specs = new LinkedHashMap<>();
    private final Map<Id<Application>, List<ConsoleStandin>> consoles = new HashMap<>();
    private final Map<Id<Application>, LevelStandin> receivers = new HashMap<>();
    private final boolean settable;
    private final Optional<StandinSite> watcher;

    /**
     * Builds everything; no time has passed yet.
     *
     * @throws IOException if a stand-in cannot be started, which on a simulated network is a fault of the program
     */
    public Rehearsal(Plan plan, long seed) throws IOException {
        this(plan, seed, Optional.empty());
    }

    /**
     * The same, seen from a computer more that stands on a segment.
     *
     * @throws IOException if a stand-in cannot be started, which on a simulated network is a fault of the program
     */
    Rehearsal(Plan plan, long seed, Optional<Watcher> watched) throws IOException {
        this.plan = plan;
        this.index = plan.index();
        this.layout = new Layout(index);
        this.net = new SimNet(seed, watched.map(Watcher::begin).orElse(0L));
        this.built = new PlanNet(plan, net);
        this.trace = new Trace(net, watched.isPresent() ? 0 : Trace.MOST);
        for (Stream stream : plan.streams()) {
            places.put(stream.id().value(), places.size());
        }
        settable = watched.isPresent();
        watcher = watched.map(w -> watcher(w));
        net.pass(COMING_UP_NANOS);
        DeviceSpecs all = new DeviceSpecs(plan, (sender, planned) -> Optional.of(planned));
        for (Application program : plan.applications()) {
            if (all.hasPart(program) && program.installed().runs()) {
                start(program, all.of(program));
            }
        }
    }

    /**
     * A computer that only looks.
     *
     * @param address one that nobody in the plan has
     * @param begin the time at which everything is switched on, in ns
     */
    record Watcher(Id<Segment> segment, HostAddress address, long begin) {}

    private StandinSite watcher(Watcher watched) {
        SimAdapter adapter = built.plugIn(watched.segment(), watched.address());
        NetHost program = adapter.host().program("Zentrel", SimBinding.to(adapter, Optional.empty()), true);
        return new StandinSite(program, new NetAdapter(adapter.name(), watched.address(), true, false, false));
    }

    /** Where the computer that looks is. */
    Optional<StandinSite> watcher() {
        return watcher;
    }

    private void start(Application program, DeviceSpec spec) throws IOException {
        specs.put(program.id(), spec);
        Host host = index.host(program.host());
        Optional<Adapter> only = settable ? theOnly(program, host) : Optional.empty();
        if (only.isPresent()) {
            settable(program, spec, host, only.get());
        } else if (!index.receiversOf(program.id()).isEmpty()) {
            LevelStandin standin = new LevelStandin(
                    listening(program, host, Purpose.ARTNET_LISTEN),
                    listening(program, host, Purpose.SACN_LISTEN),
                    spec.name(),
                    spec.ports(),
                    spec.answersPolls(),
                    from -> true,
                    e -> {});
            receivers.put(program.id(), standin);
            standin.start();
        }
        if (spec.console().isPresent()) {
            List<StandinSite> artnet = sending(program, host, Protocol.ARTNET);
            List<StandinSite> sacn = sending(program, host, Protocol.SACN);
            List<ConsoleStandin> started = new ArrayList<>();
            for (int i = 0; i < Math.max(artnet.size(), sacn.size()); i++) {
                ConsoleStandin console = new ConsoleStandin(
                        artnet.get(Math.min(i, artnet.size() - 1)),
                        sacn.get(Math.min(i, sacn.size() - 1)),
                        spec.console().get(),
                        e -> {});
                spec.streams().forEach(s -> console.setSlot(s.id(), slot(s.id()), LEVEL));
                console.start();
                started.add(console);
            }
            consoles.put(program.id(), started);
        }
    }

    /** The adapter by which a device takes all that it takes, where it is one. */
    private Optional<Adapter> theOnly(Application program, Host host) {
        List<Adapter> artnet = layout.named(program.binding(Purpose.ARTNET_LISTEN), host);
        List<Adapter> sacn = layout.named(program.binding(Purpose.SACN_LISTEN), host);
        List<Adapter> real = Layout.real(host);
        return index.receiversOf(program.id()).isEmpty()
                        || host.kind() == HostKind.COMPUTER
                        || real.size() != 1
                        || !real.containsAll(artnet)
                        || !real.containsAll(sacn)
                        || real.get(0).addresses().size() != 1
                ? Optional.empty()
                : Optional.of(real.get(0));
    }

    private void settable(Application program, DeviceSpec spec, Host host, Adapter adapter) throws IOException {
        SimAdapter sim = built.of(adapter);
        new NodeStandin(
                        site(built.of(host).program(PlanNet.place(program.id())), Optional.of(adapter)),
                        NodeTraits.nameOf(plan, program),
                        spec.ports(),
                        spec.answersPolls(),
                        NodeTraits.of(plan, program),
                        from -> true,
                        e -> {})
                .readdressedBy(a -> {
                    sim.readdress(a);
                    return Optional.of(sim.seen(a));
                })
                .start();
    }

    /** The slot of a stream, by which its levels are known wherever they come. */
    private int slot(String stream) {
        return 1 + Math.floorMod(places.getOrDefault(stream, 0), SLOTS);
    }

    private List<StandinSite> sending(Application program, Host host, Protocol protocol) {
        Binding binding = program.binding(Purpose.sending(protocol));
        boolean copy = program.output(protocol).alsoHere().map(s -> s.inForce()).orElse(true);
        List<Adapter> by = layout.named(binding, host);
        SimHost sim = built.of(host);
        if (binding.mode() == BindingMode.LOOPBACK) {
            return List.of(site(sim.program(PlanNet.place(program.id()), SimBinding.LOOPBACK, copy), Optional.empty()));
        }
        if (by.isEmpty()) {
            Optional<Adapter> seen = Layout.real(host).stream()
                    .filter(a -> a.isUp() && !a.addresses().isEmpty())
                    .findFirst();
            return List.of(site(sim.program(PlanNet.place(program.id()), SimBinding.AUTOMATIC, copy), seen));
        }
        return by.stream()
                .map(a -> site(
                        sim.program(
                                PlanNet.place(program.id()),
                                SimBinding.to(built.of(a), binding.addressOf(a.id())),
                                copy),
                        Optional.of(a)))
                .toList();
    }

    private StandinSite listening(Application program, Host host, Purpose purpose) {
        Binding binding = program.binding(purpose);
        SimHost sim = built.of(host);
        List<Adapter> on = layout.named(binding, host);
        List<SimAdapter> adapters = on.stream().map(built::of).toList();
        SimBinding bound = binding.mode() == BindingMode.LOOPBACK
                ? SimBinding.LOOPBACK
                : adapters.isEmpty()
                        ? SimBinding.AUTOMATIC
                        : adapters.size() == 1
                                ? SimBinding.to(
                                        adapters.get(0),
                                        binding.addressOf(on.get(0).id()))
                                : SimBinding.to(adapters);
        return site(
                sim.program(PlanNet.place(program.id()), bound, true),
                on.isEmpty() ? Layout.real(host).stream().findFirst() : Optional.of(on.get(0)));
    }

    private static StandinSite site(NetHost program, Optional<Adapter> adapter) {
        HostAddress address = adapter.flatMap(a -> a.addresses().stream().findFirst())
                .map(a -> a.inForce())
                .orElse(NO_ADDRESS);
        String name = adapter.map(a -> a.id().value()).orElse("lo");
        return new StandinSite(program, new NetAdapter(name, address, true, false, adapter.isEmpty()));
    }

    /** What of the plan its stand-ins do not do. */
    public List<NotModelled> notModelled() {
        return specs.values().stream().flatMap(s -> s.notModelled().stream()).toList();
    }

    /**
     * Lets time pass.
     *
     * @param progress told what part is done, from 0 to 1
     * @return whether it ran to its end; false where it was stopped
     */
    public boolean run(double seconds, DoubleConsumer progress) {
        return net.run(Math.round(seconds * 1e9), progress);
    }

    /** Lets time pass. */
    void pass(long nanos) {
        net.pass(nanos);
    }

    /** Ends the run that is under way; from any thread. */
    public void stop() {
        net.stop();
    }

    /** Where what a stream sends to a port has ended so far; empty where it arrives. */
    public Optional<Ending> ending(Stream stream, Port port) {
        return new Endings(plan, specs, trace, this::arrives).of(stream, port);
    }

    /** Whether a port puts out what a stream sends. */
    public boolean arrives(Stream stream, Port port) {
        @Nullable LevelStandin standin = receivers.get(index.applicationOf(port.id()).id());
        return standin != null
                && (standin.levels(port.id().value())[slot(stream.id().value()) - 1] & 0xFF) == LEVEL;
    }

    /** Sets a slot in all that a program sends. */
    void setSlot(Id<Application> program, int slot, int level) {
        DeviceSpec spec = specs.get(program);
        if (spec != null) {
            consoles.getOrDefault(program, List.of())
                    .forEach(c -> spec.streams().forEach(s -> c.setSlot(s.id(), slot, level)));
        }
    }

    /** What a port puts out in a slot, 0 to 255; 0 where nothing stands in for it. */
    int level(Port port, int slot) {
        @Nullable LevelStandin standin = receivers.get(index.applicationOf(port.id()).id());
        return standin == null ? 0 : standin.levels(port.id().value())[slot - 1] & 0xFF;
    }

    /** Takes a device off the network from one moment to the next, as if it had lost its power. */
    void cut(Host host) {
        Layout.real(host).forEach(a -> built.of(a).setCarrier(false));
    }

    /** Everything that was sent, dropped and taken, in order, a line each; the same seed gives the same. */
    public Collection<String> log() {
        return trace.lines();
    }
}
