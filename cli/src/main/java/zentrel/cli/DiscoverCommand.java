package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.found.AnsweredBy;
import zentrel.found.DeviceDifferences;
import zentrel.found.DeviceMatch;
import zentrel.found.DeviceMatches;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.gear.ConfirmedSettings;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.Ping;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** {@code zentrel discover --adapter ADDRESS --seconds S}: who is there. */
@Command(
        name = "discover",
        mixinStandardHelpOptions = true,
        description = "Finds devices on one adapter by Art-Net polls, sACN and ping, and sets them beside a plan.")
final class DiscoverCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private AdapterTime where;

    @Option(names = "--to", paramLabel = "ADDRESS", description = "Poll and ping this address too. May be repeated.")
    private List<Ipv4Address> to = new ArrayList<>();

    @Option(names = "--plan", paramLabel = "PLAN", description = "Set what is found beside this plan.")
    private @Nullable String planName;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Optional<Plan> plan = planName == null
                ? Optional.empty()
                : Optional.of(PlanArgument.open(planName).plan());
        StandinSite site = Nets.open(where.adapter, OutputGuard.State.ASK);
        Set<Ipv4Address> planned = plan.map(ConfirmedSettings::addresses).orElse(Set.of());
        List<FoundDevice> devices;
        long unreadable;
        try (NetHost host = site.host();
                Discovery discovery = new Discovery(host, site.adapter(), to, Ping.ofSystem(), planned::contains)) {
            discovery.start();
            Nets.waitFor(where.seconds);
            devices = discovery.devices();
            unreadable = discovery.unreadable();
            discovery.troubles().forEach(out::remark);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        List<DeviceMatch> matches = plan.map(p -> DeviceMatches.of(p, devices))
                .orElseGet(() -> devices.stream()
                        .map(d -> new DeviceMatch(d, Optional.empty(), 0, List.of()))
                        .toList());
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode all = root.putArray("devices");
            matches.forEach(m -> {
                ObjectNode node = Seen.device(m);
                differences(plan, m).ifPresent(d -> {
                    ArrayNode texts = node.putArray("differences");
                    d.forEach(texts::add);
                });
                all.add(node);
            });
            root.put("unreadable", unreadable);
            out.json(root);
        } else {
            matches.forEach(m -> print(plan, m));
            out.line(devices.isEmpty() ? "Nobody answered." : Counted.of(devices.size(), "device") + ".");
            if (unreadable > 0) {
                out.line(Counted.of(unreadable, "packet") + " could not be read.");
            }
        }
        return 0;
    }

    private static Optional<List<String>> differences(Optional<Plan> plan, DeviceMatch match) {
        if (plan.isEmpty() || match.host().isEmpty()) {
            return Optional.empty();
        }
        Host host = plan.get().index().host(match.host().get());
        return Optional.of(DeviceDifferences.of(plan.get(), host, match.device()).stream()
                .map(d -> d.text())
                .toList());
    }

    private void print(Optional<Plan> plan, DeviceMatch match) {
        FoundDevice d = match.device();
        String answers = d.answers().stream().sorted().map(AnsweredBy::word).collect(Collectors.joining(", "));
        out.line("%-15s  %-17s  %-28s  %-6s %s, %s"
                .formatted(
                        d.address(),
                        d.mac().orElse("–"),
                        d.title(),
                        d.version(),
                        d.state().words(),
                        answers));
        String ports = d.ports().stream().map(DiscoverCommand::words).collect(Collectors.joining("; "));
        if (!ports.isEmpty()) {
            out.line("    " + ports);
        }
        d.remarks().forEach(r -> out.line("    " + r));
        if (match.host().isPresent() && plan.isPresent()) {
            String reasons = match.reasons().stream().map(r -> r.words()).collect(Collectors.joining(", "));
            out.line("    is " + plan.get().index().name(match.host().get()) + " (" + match.score() + ": " + reasons
                    + ")");
            differences(plan, match).orElse(List.of()).forEach(t -> out.line("    differs: " + t));
        } else if (plan.isPresent()) {
            out.line("    not in the plan");
        }
    }

    private static String words(FoundPort port) {
        return port.number() + " " + port.direction().word() + " "
                + port.protocol().title() + " " + port.wire() + " " + port.merge();
    }
}
