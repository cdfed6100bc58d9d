package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.Seconds;
import zentrel.cli.Values.UdpPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.ProbeResponder;
import zentrel.live.ProbeRun;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.standin.StandinSite;

/** {@code zentrel probe wait|run}: what gets from one computer to another, and back. */
@Command(
        name = "probe",
        mixinStandardHelpOptions = true,
        description = "Tries what gets through between two computers: wait on one, run on the other.")
final class ProbeCommand implements Callable<Integer> {
    /** Which end to be. */
    enum End {
        wait,
        run
    }

    @Parameters(paramLabel = "END", description = "${COMPLETION-CANDIDATES}: the end that waits, or the one that asks.")
    @SuppressWarnings("NullAway.Init")
    private End end;

    @Option(names = "--adapter", required = true, paramLabel = "ADDRESS", description = "The address of the adapter.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address adapter;

    @Option(names = "--to", paramLabel = "ADDRESS", description = "run: the address of the end that waits.")
    private @Nullable Ipv4Address to;

    @Option(names = "--port", paramLabel = "P", description = "The UDP port of both ends (default 49610).")
    private @Nullable UdpPort port;

    @Option(
            names = "--age-out",
            paramLabel = "S",
            description = "run: watch for so long whether multicast stops; 300 shows a switch that forgets groups.")
    private @Nullable Seconds ageOut;

    @Option(names = "--seconds", paramLabel = "S", description = "wait: how long; without it until ended.")
    private @Nullable Seconds seconds;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        StandinSite site = Nets.open(adapter, OutputGuard.State.ASK);
        int number = port == null ? 0 : port.number();
        try (NetHost host = site.host()) {
            if (end == End.wait) {
                try (ProbeResponder responder = new ProbeResponder(host, site.adapter(), number)) {
                    responder.start();
                    out.line(out.json ? "{\"event\":\"ready\"}" : "Waiting at " + adapter + ".");
                    Nets.waitFor(seconds);
                }
                return 0;
            }
            if (to == null) {
                throw new Refusal("probe run: --to is missing; give the address of the end that waits.");
            }
            ProbeRun.Result result = new ProbeRun(host, site.adapter(), to, number, () -> false)
                    .run(ageOut == null ? 0 : (int) Math.round(ageOut.value()));
            print(result);
            return result.answers() && result.says().isEmpty() ? 0 : 1;
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal("It was stopped.", e);
        }
    }

    private void print(ProbeRun.Result result) {
        if (out.json) {
            ObjectNode root = Output.JSON
                    .objectNode()
                    .put("answers", result.answers())
                    .put("other", result.other().map(Object::toString).orElse(null))
                    .put("delayMs", rounded(result.delayMillis()))
                    .put("worstMs", rounded(result.worstMillis()));
            put(root.putObject("there"), result.there());
            put(root.putObject("back"), result.back());
            root.put("multicastStopped", result.multicastStopped().orElse(null));
            ArrayNode says = root.putArray("says");
            result.says().forEach(says::add);
            out.json(root);
            return;
        }
        if (result.answers()) {
            out.line("%s answers; there and back %.2f ms, at worst %.2f ms"
                    .formatted(
                            result.other().map(Object::toString).orElse(String.valueOf(to)),
                            result.delayMillis(),
                            result.worstMillis()));
            out.line("of 100 there: " + result.there() + ", back: " + result.back());
        }
        result.says().forEach(out::line);
    }

    private static void put(ObjectNode node, Map<String, Integer> counts) {
        counts.forEach(node::put);
    }

    private static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
