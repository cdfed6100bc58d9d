package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.FixtureStart;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.Ping;
import zentrel.live.RdmBrowser;
import zentrel.live.RdmDevice;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** {@code zentrel rdm ADDRESS --adapter ADDRESS}: the fixtures behind a node. */
@Command(
        name = "rdm",
        mixinStandardHelpOptions = true,
        description = "Lists the fixtures with RDM on the ports of a node, and sets their start slots.")
final class RdmCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "ADDRESS", description = "The address of the node.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address address;

    @Option(names = "--adapter", required = true, paramLabel = "ADDRESS", description = "The address of the adapter.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address adapter;

    @Option(
            names = "--arm",
            paramLabel = "ADAPTER",
            description = "The name of the adapter; needed where something is set.")
    private @Nullable String arm;

    @Option(
            names = "--start",
            paramLabel = "UID=SLOT",
            description = "Set the start slot of a fixture, such as 7ff0:00000001=37. May be repeated.")
    private List<FixtureStart> starts = new ArrayList<>();

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (arm == null && !starts.isEmpty()) {
            throw new Refusal("--start sets something, which needs --arm ADAPTER.");
        }
        StandinSite site =
                arm == null ? Nets.open(adapter, OutputGuard.State.ASK) : Nets.armed(adapter, List.of(address), arm);
        List<RdmDevice> fixtures;
        List<String> failed = new ArrayList<>();
        try (NetHost host = site.host();
                Discovery discovery = new Discovery(
                        host, site.adapter(), List.of(address), Ping.ofSystem(), a -> a.equals(address))) {
            discovery.start();
            FoundDevice node = Nets.find(discovery, address);
            RdmBrowser browser = new RdmBrowser(discovery, () -> false);
            fixtures = browser.list(node);
            for (FixtureStart start : starts) {
                Optional<RdmDevice> fixture = fixtures.stream()
                        .filter(f -> f.uid().equals(start.uid()))
                        .findFirst();
                if (fixture.isEmpty()) {
                    failed.add("No fixture " + start.uid() + " answers.");
                } else if (!browser.setStart(node, fixture.get(), start.slot())) {
                    failed.add(start.uid() + " did not confirm slot " + start.slot() + ".");
                }
            }
            if (!starts.isEmpty()) {
                fixtures = browser.list(node);
            }
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal("It was stopped.", e);
        }
        failed.forEach(out::remark);
        print(fixtures);
        return failed.isEmpty() ? 0 : 1;
    }

    private void print(List<RdmDevice> fixtures) {
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode all = root.putArray("fixtures");
            fixtures.forEach(f -> all.addObject()
                    .put("uid", f.uid().toString())
                    .put("port", f.port())
                    .put("manufacturer", f.manufacturer())
                    .put("model", f.model())
                    .put("start", f.start())
                    .put("footprint", f.footprint()));
            out.json(root);
            return;
        }
        fixtures.forEach(f -> out.line("port %d  %s  %-14s %-20s slot %3d, %d slots"
                .formatted(f.port(), f.uid(), f.manufacturer(), f.model(), f.start(), f.footprint())));
        out.line(Counted.of(fixtures.size(), "fixture") + ".");
    }
}
