package zentrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ScopeType;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Delivery;
import zentrel.plan.Merge;
import zentrel.plan.Protocol;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.LevelStandin;
import zentrel.standin.OscStandin;
import zentrel.standin.StandinPort;
import zentrel.wire.OutputGuard;
import zentrel.wire.UdpWire;

/** {@code zentrel standin node|previs|console}: a program that behaves like the device, on loopback. */
@Command(
        name = "standin",
        mixinStandardHelpOptions = true,
        description = "Stands in for a node, a previs or a console on loopback.")
final class StandinCommand implements Callable<Integer> {
    /** What to be. */
    enum Kind {
        node,
        previs,
        console
    }

    @Parameters(paramLabel = "KIND", description = "${COMPLETION-CANDIDATES}.")
    @SuppressWarnings("NullAway.Init")
    private Kind kind;

    @Option(names = "--address", required = true, paramLabel = "127.x.y.z", description = "Its loopback address.")
    @SuppressWarnings("NullAway.Init")
    private String address;

    @Option(names = "--name", defaultValue = "Zentrel stand-in", description = "The name it gives itself.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    @Option(
            names = "--port",
            paramLabel = "N=PROTOCOL:UNIVERSE",
            description = "Node, previs: a port, such as 1=artnet:4. May be repeated.")
    private @Nullable List<String> ports;

    @Option(names = "--merge", defaultValue = "htp", description = "Node, previs: htp (default), ltp or none.")
    @SuppressWarnings("NullAway.Init")
    private String merge;

    @Option(names = "--deaf-to-polls", description = "Node, previs: answer no Art-Net polls.")
    private boolean deaf;

    @Option(
            names = "--universe",
            paramLabel = "PROTOCOL:UNIVERSE",
            description = "Console: a universe to send, such as sacn:5. May be repeated.")
    private @Nullable List<String> universes;

    @Option(
            names = "--slot",
            paramLabel = "S=V",
            description = "Console: a level in every universe it sends. May be repeated.")
    private @Nullable List<String> slots;

    @Option(
            names = "--to",
            paramLabel = "ADDRESS",
            description = "Console: send by unicast to this loopback address. May be repeated.")
    private @Nullable List<String> to;

    @Option(names = "--priority", defaultValue = "100", description = "Console: sACN priority, 0 to 200.")
    @SuppressWarnings("NullAway.Init")
    private String priority;

    @Option(names = "--osc-port", paramLabel = "P", description = "Console: take OSC cues on this port.")
    private @Nullable String oscPort;

    @Option(
            names = "--seconds",
            paramLabel = "S",
            description = "How long; without it until ended.",
            scope = ScopeType.LOCAL)
    private @Nullable Double seconds;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Ipv4Address at = Arguments.address("--address", address);
        if (!at.isLoopback()) {
            throw new Refusal("--address: a stand-in lives on loopback, such as 127.41.20.3, not " + at + ".");
        }
        return kind == Kind.console ? console(at) : receiver(at);
    }

    private int receiver(Ipv4Address at) throws Refusal {
        List<StandinPort> parsed = new ArrayList<>();
        for (String text : ports == null ? List.<String>of() : ports) {
            String[] parts = text.split("=", 2);
            if (parts.length != 2) {
                throw new Refusal("--port: write N=PROTOCOL:UNIVERSE, such as 1=artnet:4, not \"" + text + "\".");
            }
            Map.Entry<Protocol, Integer> universe = universe("--port", parts[1]);
            if (parsed.stream().anyMatch(p -> p.id().equals(parts[0]))) {
                throw new Refusal("--port: " + parts[0] + " is given twice.");
            }
            parsed.add(new StandinPort(parts[0], universe.getKey(), universe.getValue(), true, true));
        }
        if (parsed.isEmpty()) {
            throw new Refusal("--port is missing: give at least one port, such as 1=artnet:4.");
        }
        Merge how = mergeOf();
        try (UdpWire wire = Arguments.open(at, OutputGuard.State.ASK);
                LevelStandin standin = new LevelStandin(wire, name, parsed, how, !deaf, new EventPrinter(out))) {
            standin.start();
            ready(at);
            Arguments.waitFor(seconds);
            Arguments.requireReceived(wire);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private Merge mergeOf() throws Refusal {
        for (Merge m : Merge.values()) {
            if (m.word().equals(merge)) {
                return m;
            }
        }
        throw new Refusal("--merge is htp, ltp or none, not \"" + merge + "\".");
    }

    private static Map.Entry<Protocol, Integer> universe(String option, String text) throws Refusal {
        String[] parts = text.split(":", 2);
        if (parts.length != 2) {
            throw new Refusal(option + ": write PROTOCOL:UNIVERSE, such as artnet:4, not \"" + text + "\".");
        }
        Protocol protocol = Arguments.protocol(option, parts[0]);
        return Map.entry(
                protocol,
                Arguments.universe(protocol, Arguments.number(option + ": the universe", parts[1], -1, 1_000_000)));
    }

    private int console(Ipv4Address at) throws Refusal {
        List<Ipv4Address> targets = Arguments.addresses("--to", to);
        if (targets.stream().anyMatch(t -> !t.isLoopback())) {
            throw new Refusal("--to: a stand-in sends to loopback only.");
        }
        int level = Arguments.number("--priority", priority, 0, 200);
        Map<Integer, Integer> levels = Arguments.slots(slots);
        Map<String, ConsoleStream> streams = new LinkedHashMap<>();
        for (String text : universes == null ? List.<String>of() : universes) {
            Map.Entry<Protocol, Integer> u = universe("--universe", text);
            Delivery delivery = !targets.isEmpty()
                    ? Delivery.UNICAST
                    : u.getKey() == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
            streams.put(text, new ConsoleStream(text, u.getKey(), u.getValue(), delivery, targets, level, 40, false));
        }
        UUID cid = UUID.nameUUIDFromBytes((name + at).getBytes(StandardCharsets.UTF_8));
        EventPrinter printer = new EventPrinter(out);
        try (UdpWire wire = Arguments.armed(at, targets, null);
                ConsoleStandin standin =
                        new ConsoleStandin(wire, name, cid, List.copyOf(streams.values()), false, printer)) {
            streams.keySet().forEach(s -> levels.forEach((slot, value) -> standin.setSlot(s, slot, value)));
            if (oscPort != null) {
                new OscStandin(List.of(), true, printer).start(wire, Arguments.number("--osc-port", oscPort, 1, 65535));
            }
            standin.start();
            ready(at);
            Arguments.waitFor(seconds);
            Arguments.requireReceived(wire);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private void ready(Ipv4Address at) {
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("event", "ready")
                    .put("kind", kind.name())
                    .put("address", at.toString()));
        } else {
            out.line(kind + " stand-in at " + at + ", ready");
        }
    }
}
