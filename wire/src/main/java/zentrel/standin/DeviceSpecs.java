package zentrel.standin;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Application;
import zentrel.plan.Loss;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.ProtocolOutput;
import zentrel.plan.Receiver;
import zentrel.plan.Setting;
import zentrel.plan.Stream;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Derives what the stand-ins of a plan do: all that is in force, and by name what they do not do. */
public final class DeviceSpecs {
    private final Plan plan;
    private final PlanIndex index;
    private final DeviceSpec.Destinations destinations;

    public DeviceSpecs(Plan plan, DeviceSpec.Destinations destinations) {
        this.plan = plan;
        this.index = plan.index();
        this.destinations = destinations;
    }

    /** Whether a program sends or takes anything that a stand-in could. */
    public boolean hasPart(Application program) {
        return !index.streamsFrom(program.id()).isEmpty()
                || !index.receiversOf(program.id()).isEmpty()
                || program.osc().isPresent()
                || plan.links().stream().anyMatch(l -> l.from().equals(program.id()));
    }

    /** What the stand-in of a program does. */
    public DeviceSpec of(Application program) {
        List<NotModelled> missing = new ArrayList<>();
        List<ConsoleStream> streams = new ArrayList<>();
        for (Stream stream : index.streamsFrom(program.id())) {
            stream(program, stream, missing).ifPresent(streams::add);
        }
        List<StandinPort> ports = new ArrayList<>();
        boolean answers = false;
        for (Receiver receiver : index.receiversOf(program.id())) {
            answers |= receiver.answersPolls();
            for (Port port : receiver.ports()) {
                port(program, receiver, port, missing).ifPresent(ports::add);
            }
        }
        return new DeviceSpec(
                program.id(),
                program.name(),
                cid(program, missing),
                streams,
                streams.stream().anyMatch(s -> s.protocol() == Protocol.SACN)
                        ? program.output(Protocol.SACN).sync()
                        : Optional.empty(),
                ports,
                answers,
                passesOn(program, streams, ports, missing),
                program.osc().filter(o -> o.receiving().inForce()).filter(o -> running(program)),
                missing);
    }

    private static boolean running(Application program) {
        return program.installed().runs();
    }

    private UUID cid(Application program, List<NotModelled> missing) {
        Optional<String> planned = program.installed().cid();
        UUID made = UUID.nameUUIDFromBytes(program.id().value().getBytes(StandardCharsets.UTF_8));
        if (planned.isEmpty()) {
            return made;
        }
        try {
            return UUID.fromString(planned.get().strip());
        } catch (IllegalArgumentException e) {
            missing.add(new NotModelled(
                    NotModelled.What.CID,
                    program.id(),
                    "The identity of " + program.name() + " is no CID such as " + made
                            + ", so its stand-in uses one of its own."));
            return made;
        }
    }

    private Optional<ConsoleStream> stream(Application program, Stream stream, List<NotModelled> missing) {
        Protocol protocol = stream.protocol();
        ProtocolOutput output = program.output(protocol);
        boolean on = protocol.onNetwork()
                && running(program)
                && stream.enabled().inForce()
                && output.enabled().inForce();
        if (!on) {
            return Optional.empty();
        }
        Optional<Integer> wire = index.wireOf(stream);
        if (wire.isEmpty() || !protocol.carries(wire.get())) {
            missing.add(new NotModelled(
                    NotModelled.What.NUMBER,
                    stream.id(),
                    index.name(stream.id()) + " has no number that " + protocol.title() + " carries."));
            return Optional.empty();
        }
        if (output.ttl().isPresent() || output.sourcePort().isPresent()) {
            missing.add(new NotModelled(
                    NotModelled.What.SENDING,
                    program.id(),
                    "The stand-in of " + program.name()
                            + " leaves the TTL and the source port of what it sends to the system."));
        }
        double rate = stream.ratePerSecond();
        if (!(rate > 0)) {
            rate = 1;
            missing.add(new NotModelled(
                    NotModelled.What.RATE,
                    stream.id(),
                    "The rate of " + index.name(stream.id()) + " is not specified, so it is sent once a second."));
        }
        List<Ipv4Address> to = new ArrayList<>();
        stream.to().forEach(planned -> destinations.of(program, planned).ifPresent(to::add));
        return Optional.of(new ConsoleStream(
                stream.id().value(),
                protocol,
                wire.get(),
                stream.delivery(),
                to,
                stream.priority().inForce(),
                rate,
                stream.standby(),
                stream.preview(),
                protocol == Protocol.SACN ? stream.sync().orElse(0) : 0,
                false));
    }

    private Optional<StandinPort> port(Application program, Receiver receiver, Port port, List<NotModelled> missing) {
        Protocol protocol = port.protocol().inForce();
        if (!protocol.onNetwork()) {
            missing.add(new NotModelled(
                    NotModelled.What.DIRECT_DMX,
                    port.id(),
                    index.name(port.id()) + " receives DMX directly from its source, without a network."));
            return Optional.empty();
        }
        Optional<Integer> wire = port.wire().map(Setting::inForce).filter(protocol::carries);
        if (wire.isEmpty()) {
            missing.add(new NotModelled(
                    NotModelled.What.NUMBER,
                    port.id(),
                    index.name(port.id()) + " has no number that " + protocol.title() + " carries."));
            return Optional.empty();
        }
        Loss loss = receiver.taking().loss();
        if (loss == Loss.SCENE || loss == Loss.NOT_KNOWN) {
            missing.add(new NotModelled(
                    NotModelled.What.LOSS,
                    receiver.id(),
                    "When nothing comes any more, " + index.name(receiver.id()) + " " + loss.words()
                            + "; its stand-in holds the last look."));
        }
        boolean takes = port.enabled().inForce()
                && running(program)
                && receiver.inputOn().inForce()
                && receiver.protocols().contains(protocol)
                && receiver.taking().takes(protocol, wire.get());
        return Optional.of(new StandinPort(
                port.id().value(),
                protocol,
                wire.get(),
                port.direction().inForce() == Direction.OUTPUT,
                takes,
                port.kind() == PortKind.DMX,
                receiver.merge(),
                receiver.taking().sources(),
                loss));
    }

    /** A bridge sends on what comes to it; so does a console that is fed the same universe. */
    private Map<String, List<String>> passesOn(
            Application program, List<ConsoleStream> streams, List<StandinPort> ports, List<NotModelled> missing) {
        Map<String, List<String>> passed = new LinkedHashMap<>();
        if (program.kind() != ApplicationKind.BRIDGE && program.kind() != ApplicationKind.CONSOLE) {
            return passed;
        }
        for (Stream stream : index.streamsFrom(program.id())) {
            for (Port port : index.portsOf(stream.universe())) {
                boolean own = index.applicationOf(port.id()).id().equals(program.id());
                String id = stream.id().value();
                if (own
                        && streams.stream().anyMatch(s -> s.id().equals(id))
                        && ports.stream().anyMatch(p -> p.id().equals(port.id().value()))) {
                    passed.computeIfAbsent(port.id().value(), p -> new ArrayList<>())
                            .add(id);
                    if (stream.ownLevels()
                            .or(() -> program.output(stream.protocol()).ownLevels())
                            .map(Setting::inForce)
                            .orElse(false)) {
                        missing.add(new NotModelled(
                                NotModelled.What.OWN_LEVELS,
                                stream.id(),
                                "The stand-in of " + program.name() + " passes on what comes to "
                                        + index.name(port.id()) + " and mixes in no levels of its own."));
                    }
                }
            }
        }
        return passed;
    }
}
