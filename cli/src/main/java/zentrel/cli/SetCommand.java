package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.PortMerge;
import zentrel.cli.Values.PortUniverse;
import zentrel.cli.Values.Seconds;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.NodeSetter;
import zentrel.live.NodeSetting;
import zentrel.live.Ping;
import zentrel.net.NetHost;
import zentrel.standin.StandinSite;

/** {@code zentrel set ADDRESS --arm ADAPTER …}: sets a device by Art-Net and waits until it says so. */
@Command(
        name = "set",
        mixinStandardHelpOptions = true,
        description = "Sets names, ports and address of a device by Art-Net, and waits until its answer confirms it.")
final class SetCommand implements Callable<Integer> {
    private static final double RESTART_SECONDS = 30;

    @Parameters(index = "0", paramLabel = "ADDRESS", description = "The address that the device has now.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address address;

    @Option(
            names = "--arm",
            required = true,
            paramLabel = "ADAPTER",
            description = "The name of the adapter by which it is sent; nothing leaves by another.")
    @SuppressWarnings("NullAway.Init")
    private String arm;

    @Option(names = "--short-name", paramLabel = "T", description = "Its short name, at most 17 bytes.")
    private @Nullable String shortName;

    @Option(names = "--long-name", paramLabel = "T", description = "Its long name, at most 63 bytes.")
    private @Nullable String longName;

    @Option(
            names = "--port",
            paramLabel = "N=PROTOCOL:UNIVERSE",
            description = "A port, such as 1=artnet:4. May be repeated.")
    private List<PortUniverse> ports = new ArrayList<>();

    @Option(names = "--merge", paramLabel = "N=htp|ltp", description = "How a port merges. May be repeated.")
    private List<PortMerge> merges = new ArrayList<>();

    @Option(names = "--ip", paramLabel = "A", description = "Its new address; with --mask.")
    private @Nullable Ipv4Address ip;

    @Option(names = "--mask", paramLabel = "M", description = "Its new mask, such as 255.255.0.0.")
    private @Nullable Ipv4Address mask;

    @Option(names = "--gateway", paramLabel = "G", description = "Its new gateway; with --ip.")
    private @Nullable Ipv4Address gateway;

    @Option(names = "--dhcp", description = "Let it ask a DHCP server for its address.")
    private boolean dhcp;

    @Option(
            names = "--restart",
            paramLabel = "S",
            description = "How long it may be away after its address was changed (default 30).")
    private @Nullable Seconds restart;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        NodeSetting wanted = wanted();
        Ipv4Address from = Nets.adapterNamed(arm, address);
        StandinSite site = Nets.armed(from, List.of(address), arm);
        NodeSetter.Outcome outcome;
        try (NetHost host = site.host();
                Discovery discovery = new Discovery(
                        host, site.adapter(), List.of(address), Ping.ofSystem(), a -> a.equals(address))) {
            discovery.start();
            FoundDevice before = Nets.find(discovery, address);
            NodeSetter setter = new NodeSetter(discovery, () -> false, out.json ? t -> {} : out::remark);
            double wait = restart == null ? RESTART_SECONDS : restart.value();
            outcome = setter.set(before, wanted, Duration.ofMillis(Math.round(wait * 1000)));
        } catch (IOException | IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal("It was stopped.", e);
        }
        if (out.json) {
            out.json(json(outcome));
        } else {
            outcome.sent().forEach(s -> out.line("sent: " + s));
            outcome.missing().forEach(m -> out.line("not confirmed: " + m));
            out.line(
                    outcome.isConfirmed()
                            ? "Confirmed by its answer after %.1f s.".formatted(outcome.seconds())
                            : "Not everything was confirmed.");
        }
        return outcome.isConfirmed() ? 0 : 1;
    }

    private NodeSetting wanted() throws Refusal {
        NodeSetting wanted =
                NodeSetting.NOTHING.withNames(Optional.ofNullable(shortName), Optional.ofNullable(longName));
        for (PortUniverse each : ports) {
            int number = portNumber(each.port());
            wanted = wanted.withPort(
                    number,
                    wanted.ports()
                            .getOrDefault(number, NodeSetting.PortSetting.NOTHING)
                            .withUniverse(
                                    each.universe().protocol(), each.universe().number()));
        }
        for (PortMerge each : merges) {
            wanted = wanted.withPort(
                    each.port(),
                    wanted.ports()
                            .getOrDefault(each.port(), NodeSetting.PortSetting.NOTHING)
                            .withMerge(each.merge()));
        }
        if (dhcp && (ip != null || mask != null)) {
            throw new Refusal("--dhcp and --ip exclude each other.");
        }
        if ((ip == null) != (mask == null)) {
            throw new Refusal("--ip and --mask belong together.");
        }
        if (gateway != null && ip == null) {
            throw new Refusal("--gateway and --ip belong together.");
        }
        if (dhcp) {
            wanted = wanted.withAddress(NodeSetting.AddressSetting.byDhcp());
        } else if (ip != null && mask != null) {
            wanted = wanted.withAddress(
                    NodeSetting.AddressSetting.fixed(ip, mask).withGateway(Optional.ofNullable(gateway)));
        }
        if (wanted.isNothing()) {
            throw new Refusal("Nothing is to be set: give --short-name, --long-name, --port, --merge, --ip or --dhcp.");
        }
        return wanted;
    }

    private static int portNumber(String text) throws Refusal {
        try {
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new Refusal("--port: \"" + text + "\" is no number of a port; write 1=artnet:4.", e);
        }
    }

    private static ObjectNode json(NodeSetter.Outcome outcome) {
        ObjectNode root = Output.JSON.objectNode();
        ArrayNode sent = root.putArray("sent");
        outcome.sent().forEach(sent::add);
        root.put("confirmed", outcome.isConfirmed());
        ArrayNode missing = root.putArray("notConfirmed");
        outcome.missing().forEach(missing::add);
        root.put("seconds", Math.round(outcome.seconds() * 100) / 100.0);
        root.put("maskBefore", outcome.mask().map(Ipv4Address::toString).orElse(null));
        root.set("before", device(outcome.before()));
        root.set("after", outcome.after().map(SetCommand::device).orElse(null));
        return root;
    }

    private static ObjectNode device(FoundDevice device) {
        ObjectNode node = Seen.device(new DeviceMatch(device, Optional.empty(), 0, List.of()));
        node.remove("host");
        return node;
    }
}
