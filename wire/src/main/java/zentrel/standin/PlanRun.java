package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.net.real.RealNet;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.plan.Application;
import zentrel.plan.ControlLink;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.OscInput;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Stream;

/**
 * The stand-ins of a plan, on loopback: a console for every program that sends, a receiver for every one that takes,
 * each as it is set now. Loopback shows hops 1, 2 and 7 to 10; cables, masks and switches (3 to 6) it cannot show.
 */
public final class PlanRun implements AutoCloseable {
    private final Plan plan;
    private final PlanIndex index;
    private final NetHost host;
    private final AddressTable table = new AddressTable();
    private final DeviceSpecs specs;
    private final BiConsumer<Id<Application>, StandinEvent> listener;
    private final Map<Id<Application>, DeviceSpec> devices = new LinkedHashMap<>();
    private final Map<Id<Application>, ConsoleStandin> consoles = new LinkedHashMap<>();
    private final Map<Id<Application>, NodeStandin> receivers = new LinkedHashMap<>();

    private PlanRun(Plan plan, OutputGuard guard, BiConsumer<Id<Application>, StandinEvent> listener) {
        this.plan = plan;
        this.index = plan.index();
        this.host = new Guarded(new RealNet(), guard);
        this.listener = listener;
        this.specs = new DeviceSpecs(
                plan,
                (sender, planned) -> standsFor(
                        sender, planned, a -> !index.receiversOf(a.id()).isEmpty()));
    }

    /**
     * Starts all stand-ins of a plan. Nothing but polls and their answers leaves until the guard is armed.
     *
     * @param listener told of every event, in the net's turn
     * @throws IOException with a sentence, if a port cannot be had; what had started is stopped
     */
    public static PlanRun start(Plan plan, OutputGuard guard, BiConsumer<Id<Application>, StandinEvent> listener)
            throws IOException {
        PlanRun run = new PlanRun(plan, guard, listener);
        try {
            run.startAll();
            return run;
        } catch (IOException | RuntimeException e) {
            run.close();
            throw e;
        }
    }

    private void startAll() throws IOException {
        for (Application application : plan.applications()) {
            if (specs.hasPart(application)) {
                table.assign(application.id(), plannedAddress(application));
            }
        }
        // Receivers first, so that the first poll of a console finds them.
        List<Application> inOrder = new ArrayList<>(plan.applications());
        inOrder.sort(Comparator.comparing(a -> !index.streamsFrom(a.id()).isEmpty()));
        for (Application application : inOrder) {
            Optional<Ipv4Address> address = table.of(application.id());
            if (address.isPresent()) {
                start(specs.of(application), adapter(address.get()));
            }
        }
    }

    private NetAdapter adapter(Ipv4Address loopback) throws IOException {
        return host.adapterAt(loopback)
                .orElseThrow(() -> new IOException("This computer has no loopback adapter for " + loopback + "."));
    }

    private Optional<Ipv4Address> plannedAddress(Application application) {
        Host at = index.host(application.host());
        return at.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.address().planned().address())
                .findFirst();
    }

    private void start(DeviceSpec spec, NetAdapter adapter) throws IOException {
        StandinSite site = new StandinSite(host, adapter);
        Consumer<StandinEvent> told = e -> told(spec, e);
        devices.put(spec.program(), spec);
        if (!index.receiversOf(spec.program()).isEmpty()) {
            NodeStandin standin = new NodeStandin(
                    site,
                    NodeTraits.nameOf(plan, index.application(spec.program())),
                    spec.ports(),
                    spec.answersPolls(),
                    NodeTraits.of(plan, index.application(spec.program())),
                    from -> table.at(from).isPresent(),
                    told);
            receivers.put(spec.program(), standin);
            standin.start();
        }
        Optional<ConsoleSpec> sends = spec.console();
        if (sends.isPresent()) {
            ConsoleStandin console = new ConsoleStandin(site, sends.get(), told);
            consoles.put(spec.program(), console);
            console.start();
        }
        if (spec.osc().isPresent()) {
            OscInput osc = spec.osc().get();
            UdpPort unused = new OscStandin(osc.addresses(), osc.handling().inForce(), told)
                    .start(site, osc.port().inForce());
        }
    }

    private void told(DeviceSpec spec, StandinEvent event) {
        if (event instanceof StandinEvent.Levels levels) {
            ConsoleStandin console = consoles.get(spec.program());
            List<String> streams = spec.passesOn().getOrDefault(levels.port(), List.of());
            if (console != null && !streams.isEmpty()) {
                streams.forEach(
                        stream -> levels.changed().forEach((slot, level) -> console.setSlot(stream, slot, level)));
                console.hurry();
            }
        }
        listener.accept(spec.program(), event);
    }

    /**
     * The loopback address that stands for a planned one: that of the first application on the host which has it that
     * would hear the packet.
     */
    private Optional<Ipv4Address> standsFor(Application sender, Ipv4Address planned, Predicate<Application> hears) {
        for (Host at : plan.hosts()) {
            boolean has = planned.isLoopback()
                    ? at.id().equals(sender.host())
                    : at.adapters().stream()
                            .anyMatch(a -> a.addresses().stream()
                                    .anyMatch(x -> x.inForce().address().equals(planned)));
            if (has) {
                for (Application application : index.applicationsOn(at.id())) {
                    Optional<Ipv4Address> address = table.of(application.id());
                    if (address.isPresent() && hears.test(application)) {
                        return address;
                    }
                }
            }
        }
        return Optional.empty();
    }

    public Plan plan() {
        return plan;
    }

    public AddressTable table() {
        return table;
    }

    /** What of the plan the stand-ins do not do, and why. */
    public List<NotModelled> notModelled() {
        return devices.values().stream()
                .flatMap(d -> d.notModelled().stream())
                .distinct()
                .toList();
    }

    /** What keeps a stand-in from receiving all that is sent to it, as sentences. */
    public List<String> troubles() {
        return receivers.values().stream().flatMap(r -> r.trouble().stream()).toList();
    }

    public int standinCount() {
        return consoles.size() + receivers.size();
    }

    /** Raises one slot at a source. */
    public void setSlot(Stream stream, int slot, int level) {
        ConsoleStandin console = consoles.get(stream.application());
        if (console == null) {
            throw new IllegalArgumentException(index.name(stream.application()) + " sends nothing in this run.");
        }
        console.setSlot(stream.id().value(), slot, level);
        console.hurry();
    }

    /** What a port puts out now. */
    public byte[] levels(Port port) {
        NodeStandin standin = receivers.get(index.applicationOf(port.id()).id());
        return standin == null ? new byte[512] : standin.levels(port.id().value());
    }

    /** How many packets with levels a source has sent. */
    public long sentBy(Id<Application> application) {
        ConsoleStandin console = consoles.get(application);
        return console == null ? 0 : console.sentCount();
    }

    /** Whether a source's stream is sent at all in this run. */
    public boolean sends(Stream stream) {
        return !stream.standby()
                && Optional.ofNullable(devices.get(stream.application()))
                        .filter(d -> d.streams().stream()
                                .anyMatch(s -> s.id().equals(stream.id().value())))
                        .isPresent();
    }

    /**
     * Sends the message of a control link as the sender would: to its typed destination and port.
     *
     * @return whether it left; false if output is not armed
     * @throws IOException with a sentence, if it could not be sent
     */
    public boolean sendCue(ControlLink link, List<OscArgument> arguments) throws IOException {
        Ipv4Address from = table.of(link.from()).orElseThrow();
        // Where nobody has the address the packet goes where nobody listens, as it would on site.
        Ipv4Address to = standsFor(
                        index.application(link.from()),
                        link.destination().inForce(),
                        a -> a.osc().isPresent())
                .orElse(Ipv4Address.of(127, 255, 1, 1));
        byte[] bytes = OscCodec.encode(new OscMessage(link.pattern(), arguments));
        NetAdapter adapter = adapter(from);
        SendResult sent = host.call(() -> {
            try (UdpPort port = host.open(PortRequest.at(adapter, 0), p -> {})) {
                return port.send(SendIntent.SETTING, to, link.port().inForce(), bytes);
            }
        });
        if (sent.failed()) {
            throw new IOException(sent.why());
        }
        return sent.left();
    }

    @Override
    public void close() {
        consoles.values().forEach(ConsoleStandin::close);
        receivers.values().forEach(NodeStandin::close);
        host.close();
    }
}
