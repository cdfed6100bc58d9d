package zentrel.cli;

import java.io.IOException;
import java.util.List;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import zentrel.cli.Values.Target;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.standin.StandinSite;

/** Where a tool sends OSC from, and by which adapter it may leave this computer. */
final class SendFrom {
    @Option(
            names = "--from",
            paramLabel = "127.x.y.z",
            defaultValue = "127.0.0.1",
            description = "The address to send from.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address from;

    @Option(
            names = "--arm",
            paramLabel = "ADAPTER",
            description = "Let output leave this computer by the adapter of this name.")
    private @Nullable String arm;

    /**
     * This computer, armed for a destination.
     *
     * @throws Refusal where it may not leave by that adapter, or would not
     */
    StandinSite armed(Target to) throws Refusal {
        return Nets.armed(from, List.of(to.address()), arm);
    }

    /**
     * Sends messages by UDP, one datagram each.
     *
     * @throws Refusal with a sentence, where one did not leave
     */
    void send(Target to, List<OscMessage> messages) throws Refusal {
        StandinSite site = armed(to);
        try (NetHost host = site.host();
                UdpPort port = host.open(PortRequest.at(site.adapter(), 0), p -> {})) {
            for (OscMessage each : messages) {
                byte[] bytes = OscCodec.encode(each);
                SendResult result = host.call(() ->
                        port.send(SendIntent.SETTING, to.address(), to.port().number(), bytes));
                if (!result.left()) {
                    throw new Refusal(result.why());
                }
            }
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
    }
}
