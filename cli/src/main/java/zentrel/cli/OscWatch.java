package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.Target;
import zentrel.cli.Values.UdpPort;
import zentrel.control.OscPattern;
import zentrel.control.OscQueryDocument;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.OscMonitor;
import zentrel.live.OscQueryCall;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** What the tools for OSC only look at. */
final class OscWatch {
    private static final int MOST_ROWS = 1_000;

    private OscWatch() {}

    /** {@code zentrel osc monitor --port P … --seconds S}. */
    @Command(
            name = "monitor",
            mixinStandardHelpOptions = true,
            description = "Counts the OSC messages that arrive, by sender and address.")
    static final class Monitor implements Callable<Integer> {
        @Option(names = "--port", required = true, paramLabel = "P", description = "A UDP port. May be repeated.")
        private List<UdpPort> ports = new ArrayList<>();

        @Option(
                names = "--known",
                paramLabel = "PATTERN",
                description = "An OSC address that is acted on; others are marked. May be repeated.")
        private List<String> known = new ArrayList<>();

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private ListenAt at;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            StandinSite site = Nets.open(at.address, OutputGuard.State.LISTEN);
            OscMonitor.Seen seen;
            try (NetHost host = site.host();
                    OscMonitor monitor = new OscMonitor(
                            host, a -> known.isEmpty() || known.stream().anyMatch(k -> OscPattern.matches(k, a)))) {
                for (UdpPort port : ports) {
                    monitor.listen(site.adapter(), port.number());
                }
                Nets.waitFor(at.seconds);
                seen = monitor.seen(MOST_ROWS);
            } catch (IOException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            Nets.requireReceived(seen.trouble().stream().findFirst());
            if (out.json) {
                json(seen);
            } else {
                seen.rows()
                        .forEach(r -> out.line("%8d  %s  %s  %s%s"
                                .formatted(
                                        r.messages(),
                                        r.from(),
                                        r.address(),
                                        r.last(),
                                        r.matched() ? "" : "  (no such address here)")));
                seen.faults().forEach(f -> out.line("unreadable " + f));
                out.line(Counted.of(seen.messages(), "message") + " in " + Counted.of(seen.packets(), "packet") + ", "
                        + seen.unreadable() + " unreadable.");
            }
            return seen.rows().stream().allMatch(OscMonitor.Row::matched) && seen.unreadable() == 0 ? 0 : 1;
        }

        private void json(OscMonitor.Seen seen) {
            ObjectNode root = Output.JSON
                    .objectNode()
                    .put("packets", seen.packets())
                    .put("messages", seen.messages())
                    .put("unreadable", seen.unreadable())
                    .put("notListed", seen.notListed());
            ArrayNode rows = root.putArray("rows");
            seen.rows()
                    .forEach(r -> rows.addObject()
                            .put("from", r.from().toString())
                            .put("port", r.port())
                            .put("address", r.address())
                            .put("types", r.tags())
                            .put("last", r.last())
                            .put("messages", r.messages())
                            .put("matched", r.matched()));
            ArrayNode faults = root.putArray("faults");
            seen.faults().forEach(faults::add);
            out.json(root);
        }
    }

    /** {@code zentrel osc query ADDRESS:PORT}. */
    @Command(
            name = "query",
            mixinStandardHelpOptions = true,
            description = "Reads the OSC addresses that a program describes by OSCQuery (JSON over HTTP).")
    static final class Query implements Callable<Integer> {
        @Parameters(index = "0", paramLabel = "ADDRESS:PORT", description = "The program, and its TCP port.")
        @SuppressWarnings("NullAway.Init")
        private Target target;

        @Option(
                names = "--ask",
                paramLabel = "ADAPTER",
                description = "Let the question leave this computer by the adapter of this name.")
        private @org.jspecify.annotations.Nullable String ask;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            if (!target.address().isLoopback()) {
                if (ask == null) {
                    throw new Refusal(target.address()
                            + " is not on loopback; a question leaves this computer only with --ask ADAPTER.");
                }
                Ipv4Address unused = Nets.adapterNamed(ask, target.address());
            }
            OscQueryDocument document;
            try {
                document = OscQueryCall.of(target.address(), target.port().number());
            } catch (IOException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return 1;
            }
            if (out.json) {
                ArrayNode all = Output.JSON.objectNode().putArray("addresses");
                document.addresses()
                        .forEach(a -> all.addObject()
                                .put("address", a.path())
                                .put("types", a.types())
                                .put("takes", a.takes()));
                out.json(Output.JSON.objectNode().set("addresses", all));
            } else {
                document.addresses()
                        .forEach(a -> out.line(a.path()
                                + (a.types().isEmpty() ? "" : "  " + a.types())
                                + (a.takes() ? "" : "  (only tells)")));
            }
            return 0;
        }
    }
}
