package zentrel.app.cues;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import zentrel.app.shell.SeenNow;
import zentrel.control.MessageTemplate;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscValues;
import zentrel.plan.ControlLink;
import zentrel.plan.LinkTransport;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** Sends messages of a link by the net that is looked at, and says what became of it. Waits, so it is called on a thread of its own. */
final class OscSending {
    private OscSending() {}

    static String send(SeenNow net, ControlLink link, List<MessageTemplate.Filled> all) {
        if (all.isEmpty()) {
            return "There is no message yet; make some first.";
        }
        if (link.transport() != LinkTransport.UDP) {
            return "Not sent: from here messages leave by UDP only. In a terminal, “osc send … --tcp length” sends one by TCP.";
        }
        Optional<StandinSite> site = net.site();
        if (site.isEmpty()) {
            return "Held: no net is looked at. Choose one on the Bench, and arm it.";
        }
        try {
            return site.get().host().call(() -> send(site.get(), link, all));
        } catch (IOException e) {
            return "Not sent: " + e.getMessage();
        }
    }

    private static String send(StandinSite site, ControlLink link, List<MessageTemplate.Filled> all)
            throws IOException {
        int left = 0;
        try (UdpPort port = site.host().open(PortRequest.at(site.adapter(), 0), p -> {})) {
            for (MessageTemplate.Filled each : all) {
                SendResult sent = port.send(
                        SendIntent.SETTING,
                        link.destination().inForce(),
                        link.port().inForce(),
                        OscCodec.encode(OscValues.message(each)));
                if (sent.failed()) {
                    return left + " of " + Counted.of(all.size(), "message") + " sent, then not: " + sent.why();
                }
                if (!sent.left()) {
                    return "Held: output is not armed. Arm " + site.adapter().name() + " on the Bench.";
                }
                left++;
            }
        }
        return Counted.of(left, "message") + " sent to " + link.destination().inForce() + " port "
                + link.port().inForce() + " by " + site.adapter().name()
                + ". UDP gives no answer: look whether it acts there, or whether an answer comes in the monitor.";
    }
}
