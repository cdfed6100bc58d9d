package zentrel.standin;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.plan.Application;
import zentrel.plan.ControlLink;
import zentrel.plan.Delivery;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.OscInput;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.plan.Stream;
import zentrel.profile.Direction;
import zentrel.profile.Protocol;
import zentrel.wire.OutputGuard;
import zentrel.wire.SendIntent;
import zentrel.wire.UdpWire;

/**
 * The stand-ins of a plan, on loopback: a console for every application that sends, a receiver for every one that takes,
 * each as it is set now. Loopback shows hops 1, 2 and 7 to 10; cables, masks and switches (3 to 6) it cannot show.
 */
public final class PlanRun implements AutoCloseable {
    private final Plan plan;
    private final PlanIndex index;
    private final OutputGuard guard;
    private final AddressTable table = new AddressTable();
    private final BiConsumer<Id<Application>, StandinEvent> listener;
    private final Map<Id<Application>, ConsoleStandin> consoles = new LinkedHashMap<>();
    private final Map<Id<Application>, LevelStandin> receivers = new LinkedHashMap<>();
    private final List<UdpWire> wires = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();

    private PlanRun(Plan plan, OutputGuard guard, BiConsumer<Id<Application>, StandinEvent> listener) {
        this.plan = plan;
        this.index = plan.index();
        this.guard = guard;
        this.listener = listener;
    }

    /**
     * Starts all stand-ins of a plan. Nothing but polls and their answers leaves until the guard is armed.
     *
     * @param listener told of every event, on any thread
     * @throws IOException with a sentence, if a socket cannot be had; what had started is stopped
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
            boolean needed = !index.streamsFrom(application.id()).isEmpty()
                    || !index.receiversOf(application.id()).isEmpty()
                    || application.osc().isPresent()
                    || plan.links().stream().anyMatch(l -> l.from().equals(application.id()));
            if (needed) {
                table.assign(application.id(), plannedAddress(application));
            }
        }
        // Receivers first, so that the first poll of a console finds them.
        List<Application> inOrder = new ArrayList<>(plan.applications());
        inOrder.sort(Comparator.comparing(a -> !index.streamsFrom(a.id()).isEmpty()));
        for (Application application : inOrder) {
            Optional<Ipv4Address> address = table.of(application.id());
            if (address.isPresent()) {
                start(application, address.get());
            }
        }
    }

    private Optional<Ipv4Address> plannedAddress(Application application) {
        Host host = index.host(application.host());
        return host.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.address().planned().address())
                .findFirst();
    }

    private void start(Application application, Ipv4Address address) throws IOException {
        UdpWire wire = UdpWire.open(address, guard);
        wires.add(wire);
        if (!index.receiversOf(application.id()).isEmpty()) {
            startReceiver(application, wire);
        }
        List<ConsoleStream> streams = new ArrayList<>();
        for (Stream stream : index.streamsFrom(application.id())) {
            consoleStream(application, stream).ifPresent(streams::add);
        }
        if (!streams.isEmpty()) {
            UUID cid = UUID.nameUUIDFromBytes(application.id().value().getBytes(StandardCharsets.UTF_8));
            ConsoleStandin console = new ConsoleStandin(
                    wire, application.name(), cid, streams, false, e -> listener.accept(application.id(), e));
            consoles.put(application.id(), console);
            console.start();
        }
        if (application.osc().isPresent() && application.osc().get().receiving().inForce()) {
            OscInput osc = application.osc().get();
            new OscStandin(osc.addresses(), osc.handling().inForce(), e -> listener.accept(application.id(), e))
                    .start(wire, osc.port().inForce());
        }
    }

    private void startReceiver(Application application, UdpWire wire) throws IOException {
        List<StandinPort> ports = new ArrayList<>();
        boolean answers = false;
        Receiver first = index.receiversOf(application.id()).get(0);
        for (Receiver receiver : index.receiversOf(application.id())) {
            answers |= receiver.answersPolls();
            for (Port port : receiver.ports()) {
                Protocol protocol = port.protocol().inForce();
                if (!protocol.onNetwork()) {
                    leftOut.add(index.name(port.id()) + " receives DMX directly from its source, without a network.");
                    continue;
                }
                if (port.wire().isEmpty() || !protocol.carries(port.wire().get().inForce())) {
                    leftOut.add(index.name(port.id()) + " has no number that " + protocol.title() + " carries.");
                    continue;
                }
                ports.add(new StandinPort(
                        port.id().value(),
                        protocol,
                        port.wire().get().inForce(),
                        port.direction().inForce() == Direction.OUTPUT,
                        port.enabled().inForce()
                                && receiver.inputOn().inForce()
                                && receiver.protocols().contains(protocol)));
            }
        }
        LevelStandin standin = new LevelStandin(
                wire,
                application.name(),
                ports,
                first.merge(),
                answers,
                from -> table.at(from).isPresent(),
                e -> listener.accept(application.id(), e));
        receivers.put(application.id(), standin);
        standin.start();
    }

    private Optional<ConsoleStream> consoleStream(Application application, Stream stream) {
        Optional<Integer> wire = index.wireOf(stream);
        boolean on = stream.protocol().onNetwork()
                && stream.enabled().inForce()
                && application.output(stream.protocol()).enabled().inForce();
        if (!on) {
            return Optional.empty();
        }
        if (wire.isEmpty() || !stream.protocol().carries(wire.get())) {
            leftOut.add(index.name(stream.id()) + " has no number that "
                    + stream.protocol().title() + " carries.");
            return Optional.empty();
        }
        List<Ipv4Address> to = new ArrayList<>();
        stream.to()
                .forEach(planned -> standsFor(
                                application,
                                planned,
                                a -> !index.receiversOf(a.id()).isEmpty())
                        .ifPresent(to::add));
        double rate = stream.ratePerSecond() > 0 ? Math.min(44, stream.ratePerSecond()) : 1;
        return Optional.of(new ConsoleStream(
                stream.id().value(),
                stream.protocol(),
                wire.get(),
                stream.delivery(),
                to,
                stream.priority().inForce(),
                rate,
                stream.standby()));
    }

    /**
     * The loopback address that stands for a planned one: that of the first application on the host which has it that
     * would hear the packet.
     */
    private Optional<Ipv4Address> standsFor(Application sender, Ipv4Address planned, Predicate<Application> hears) {
        for (Host host : plan.hosts()) {
            boolean has = planned.isLoopback()
                    ? host.id().equals(sender.host())
                    : host.adapters().stream()
                            .anyMatch(a -> a.addresses().stream()
                                    .anyMatch(x -> x.inForce().address().equals(planned)));
            if (has) {
                for (Application application : index.applicationsOn(host.id())) {
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

    /** What of the plan has no stand-in, and why. */
    public List<String> leftOut() {
        return List.copyOf(leftOut);
    }

    /** What keeps a stand-in from receiving all that is sent to it, as sentences. */
    public List<String> troubles() {
        return wires.stream().flatMap(w -> w.trouble().stream()).toList();
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
        LevelStandin standin = receivers.get(index.applicationOf(port.id()).id());
        return standin == null ? new byte[512] : standin.levels(port.id().value());
    }

    /** How many packets with levels a source has sent. */
    public long sentBy(Id<Application> application) {
        ConsoleStandin console = consoles.get(application);
        return console == null ? 0 : console.sentCount();
    }

    /** Whether a source's stream is sent at all in this run. */
    public boolean sends(Stream stream) {
        return consoles.containsKey(stream.application())
                && consoleStream(index.application(stream.application()), stream)
                        .isPresent()
                && !stream.standby();
    }

    /**
     * Sends the message of a control link as the sender would: to its typed destination and port.
     *
     * @return whether it left; false if output is not armed
     */
    public boolean sendCue(ControlLink link, List<OscArgument> arguments) throws IOException {
        Ipv4Address from = table.of(link.from()).orElseThrow();
        Optional<Ipv4Address> to = standsFor(
                index.application(link.from()),
                link.destination().inForce(),
                a -> a.osc().isPresent());
        UdpWire wire =
                wires.stream().filter(w -> w.address().equals(from)).findFirst().orElseThrow();
        if (to.isEmpty()) {
            // Nobody has the address, so the packet goes where nobody listens, as it would on site.
            to = Optional.of(Ipv4Address.of(127, 255, 1, 1));
        }
        return wire.send(
                SendIntent.SETTING,
                0,
                to.get(),
                link.port().inForce(),
                OscCodec.encode(new OscMessage(link.pattern(), arguments)));
    }

    /** Whether a stream is delivered to those found, so that it needs a poll and its answer first. */
    public static boolean needsPoll(Stream stream) {
        return stream.delivery() == Delivery.FOUND;
    }

    @Override
    public void close() {
        consoles.values().forEach(ConsoleStandin::close);
        receivers.values().forEach(LevelStandin::close);
        wires.forEach(UdpWire::close);
    }
}
