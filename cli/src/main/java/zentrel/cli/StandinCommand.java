package zentrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ScopeType;
import zentrel.cli.Values.PortCount;
import zentrel.cli.Values.PortUniverse;
import zentrel.cli.Values.Priority;
import zentrel.cli.Values.ProtocolUniverse;
import zentrel.cli.Values.Seconds;
import zentrel.cli.Values.SlotLevel;
import zentrel.cli.Values.UdpPort;
import zentrel.control.Cue;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.packet.rdm.Uid;
import zentrel.plan.Delivery;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.CueStandin;
import zentrel.standin.DeskSpec;
import zentrel.standin.DeskStandin;
import zentrel.standin.NodeStandin;
import zentrel.standin.NodeTraits;
import zentrel.standin.OscStandin;
import zentrel.standin.RdmFixture;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;

/** {@code zentrel standin node|previs|console|session|cues}: a program that behaves like the device, on loopback. */
@Command(
        name = "standin",
        mixinStandardHelpOptions = true,
        description = "Stands in for a node, a previs, a console, a desk of a session or a desk with cues on loopback.")
final class StandinCommand implements Callable<Integer> {
    private static final int FOOTPRINT = 18;
    private static final int LAST_START = 512 - FOOTPRINT + 1;

    /** What to be. */
    enum Kind {
        node,
        previs,
        console,
        session,
        cues
    }

    @Parameters(paramLabel = "KIND", description = "${COMPLETION-CANDIDATES}.")
    @SuppressWarnings("NullAway.Init")
    private Kind kind;

    @Option(names = "--address", required = true, paramLabel = "127.x.y.z", description = "Its address.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address address;

    @Option(names = "--name", defaultValue = "Zentrel stand-in", description = "The name it gives itself.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    @Option(
            names = "--port",
            paramLabel = "N=PROTOCOL:UNIVERSE",
            description = "Node, previs: a port, such as 1=artnet:4. May be repeated.")
    private List<PortUniverse> ports = new ArrayList<>();

    @Option(names = "--merge", defaultValue = "htp", description = "Node, previs: htp (default), ltp or none.")
    @SuppressWarnings("NullAway.Init")
    private Merge merge;

    @Option(names = "--long-name", paramLabel = "T", description = "Node, previs: the longer of its names.")
    private @Nullable String longName;

    @Option(
            names = "--arm",
            paramLabel = "ADAPTER",
            description = "Live on the adapter of this name, and not on loopback.")
    private @Nullable String arm;

    @Option(names = "--fixed", description = "Node: cannot be set by the network.")
    private boolean fixed;

    @Option(
            names = "--restart",
            paramLabel = "S",
            description = "Node: how long it is away after its address was changed (default 2).")
    private @Nullable Seconds restart;

    @Option(
            names = "--rdm",
            paramLabel = "N=COUNT",
            description = "Node: fixtures with RDM on a port, such as 1=12. May be repeated.")
    private List<PortCount> rdm = new ArrayList<>();

    @Option(names = "--deaf-to-polls", description = "Node, previs: answer no Art-Net polls.")
    private boolean deaf;

    @Option(
            names = "--universe",
            paramLabel = "PROTOCOL:UNIVERSE",
            description = "Console: a universe to send, such as sacn:5. May be repeated.")
    private List<ProtocolUniverse> universes = new ArrayList<>();

    @Option(
            names = "--slot",
            paramLabel = "S=V",
            description = "Console: a level in every universe it sends. May be repeated.")
    private List<SlotLevel> slots = new ArrayList<>();

    @Option(
            names = "--to",
            paramLabel = "ADDRESS",
            description = "Console: send by unicast to this loopback address. May be repeated.")
    private List<Ipv4Address> to = new ArrayList<>();

    @Option(names = "--priority", defaultValue = "100", description = "Console: sACN priority, 0 to 200.")
    @SuppressWarnings("NullAway.Init")
    private Priority priority;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private DeskOptions desk;

    @Option(names = "--cues", paramLabel = "TABLE", description = "Cues: its cue list (CSV or XLSX).")
    private @Nullable String cueList;

    @Option(
            names = "--manner",
            paramLabel = "M",
            defaultValue = "well",
            description = "Cues: how it behaves: well (default), late, silent, wrong-types or floods.")
    @SuppressWarnings("NullAway.Init")
    private CueStandin.Manner manner;

    @Option(names = "--osc-port", paramLabel = "P", description = "Console, cues: take OSC on this port.")
    private @Nullable UdpPort oscPort;

    @Option(
            names = "--seconds",
            paramLabel = "S",
            description = "How long; without it until ended.",
            scope = ScopeType.LOCAL)
    private @Nullable Seconds seconds;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (!address.isLoopback() && arm == null) {
            throw new Refusal("--address: a stand-in lives on loopback, such as 127.41.20.3, not " + address
                    + "; on another adapter it lives only with --arm ADAPTER.");
        }
        return switch (kind) {
            case console -> console();
            case session -> desk();
            case cues -> cues();
            case node, previs -> receiver();
        };
    }

    private int receiver() throws Refusal {
        Map<String, StandinPort> parsed = new LinkedHashMap<>();
        for (PortUniverse p : ports) {
            StandinPort port = new StandinPort(
                    p.port(), p.universe().protocol(), p.universe().number(), true, true, merge);
            if (parsed.put(p.port(), port) != null) {
                throw new Refusal("--port: " + p.port() + " is given twice.");
            }
        }
        if (parsed.isEmpty()) {
            throw new Refusal("--port is missing: give at least one port, such as 1=artnet:4.");
        }
        StandinSite site =
                arm == null ? Nets.open(address, OutputGuard.State.ASK) : Nets.armed(address, List.of(), arm);
        try (NetHost host = site.host();
                NodeStandin standin = new NodeStandin(
                        new StandinSite(host, site.adapter()),
                        name,
                        List.copyOf(parsed.values()),
                        !deaf,
                        traits(parsed.keySet()),
                        from -> false,
                        new EventPrinter(out))) {
            standin.start();
            ready();
            Nets.waitFor(seconds);
            Nets.requireReceived(standin.trouble());
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private NodeTraits traits(Set<String> ids) throws Refusal {
        Map<String, List<RdmFixture>> fixtures = new HashMap<>();
        int device = 1;
        for (PortCount each : rdm) {
            if (!ids.contains(each.port())) {
                throw new Refusal("--rdm: there is no port " + each.port() + ".");
            }
            List<RdmFixture> list = new ArrayList<>();
            for (int i = 0; i < each.count(); i++) {
                list.add(new RdmFixture(
                        new Uid(NodeTraits.PROTOTYPE, device++),
                        "Zentrel",
                        "wash 18",
                        1,
                        FOOTPRINT,
                        Math.min(LAST_START, 1 + i * FOOTPRINT)));
            }
            fixtures.put(each.port(), list);
        }
        return new NodeTraits(
                longName == null ? name + " (stand-in)" : longName,
                0x0201,
                NodeTraits.PROTOTYPE,
                4,
                !fixed && kind == Kind.node,
                Duration.ofMillis(Math.round((restart == null ? 2 : restart.value()) * 1000)),
                fixtures);
    }

    private int console() throws Refusal {
        if (arm == null && to.stream().anyMatch(t -> !t.isLoopback())) {
            throw new Refusal("--to: a stand-in sends to loopback only; elsewhere it sends with --arm ADAPTER.");
        }
        Map<String, ConsoleStream> streams = new LinkedHashMap<>();
        for (ProtocolUniverse u : universes) {
            Delivery delivery = !to.isEmpty()
                    ? Delivery.UNICAST
                    : u.protocol() == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
            streams.put(
                    u.toString(),
                    new ConsoleStream(
                            u.toString(), u.protocol(), u.number(), delivery, to, priority.level(), 40, false));
        }
        UUID cid = UUID.nameUUIDFromBytes((name + address).getBytes(StandardCharsets.UTF_8));
        EventPrinter printer = new EventPrinter(out);
        StandinSite armed = Nets.armed(address, to, arm);
        ConsoleSpec spec = new ConsoleSpec(name, cid, List.copyOf(streams.values()), false);
        try (NetHost host = armed.host();
                ConsoleStandin standin = new ConsoleStandin(new StandinSite(host, armed.adapter()), spec, printer)) {
            Optional<zentrel.net.UdpPort> osc = Optional.empty();
            streams.keySet().forEach(u -> slots.forEach(s -> standin.setSlot(u, s.slot(), s.level())));
            if (oscPort != null) {
                osc = Optional.of(new OscStandin(List.of(), true, printer).start(armed, oscPort.number()));
            }
            standin.start();
            ready();
            Nets.waitFor(seconds);
            Nets.requireReceived(osc.flatMap(zentrel.net.UdpPort::trouble));
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private int desk() throws Refusal {
        DeskSpec spec = desk.spec(name);
        StandinSite site = Nets.armed(address, List.of(), arm);
        try (NetHost host = site.host();
                DeskStandin standin =
                        new DeskStandin(new StandinSite(host, site.adapter()), spec, new EventPrinter(out))) {
            standin.start();
            ready();
            desk.walk(standin, seconds);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private int cues() throws Refusal {
        if (oscPort == null) {
            throw new Refusal("--osc-port is missing: give the port on which it takes OSC.");
        }
        List<Cue> list = cueList == null ? List.of() : CuesCommand.read(cueList).cues();
        StandinSite site =
                arm == null ? Nets.open(address, OutputGuard.State.ASK) : Nets.armed(address, List.of(), arm);
        try (NetHost host = site.host();
                CueStandin standin =
                        new CueStandin(new StandinSite(host, site.adapter()), list, manner, new EventPrinter(out))) {
            standin.start(oscPort.number());
            ready();
            Nets.waitFor(seconds);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        return 0;
    }

    private void ready() {
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("event", "ready")
                    .put("kind", kind.name())
                    .put("address", address.toString()));
        } else {
            out.line(kind + " stand-in at " + address + ", ready");
        }
    }
}
