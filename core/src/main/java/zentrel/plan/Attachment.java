package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.text.PlainText;

/**
 * A console's own stream to a previs or another program of its maker: neither Art-Net nor sACN, and its bytes are known to
 * its maker only. So it is judged by what is known of both ends, and by the sign that their screens give.
 *
 * @param from the console's application
 * @param to the program that attaches
 * @param sending the switch at the console
 * @param chosen whether the program has this stream chosen as its input
 * @param destination the address typed in at the console; empty where the two find each other
 * @param versions how closely the two versions must agree
 * @param driver what must be installed or attached at the receiving end, in its maker's words
 * @param sign what is seen on the screen when it works; empty text where nobody has said
 */
@RecordBuilder
public record Attachment(
        Id<Attachment> id,
        String name,
        Id<Application> from,
        Id<Application> to,
        Setting<Boolean> sending,
        Setting<Boolean> chosen,
        Optional<Setting<Ipv4Address>> destination,
        VersionRule versions,
        Optional<String> driver,
        String sign)
        implements Named, AttachmentBuilder.With {
    public Attachment {
        PlainText.require("The name of a link to a previs", name);
        driver.ifPresent(t -> PlainText.require("A driver", t));
        PlainText.require("A sign", sign);
    }

    /** What it asks of the program's end. */
    public Attachment needing(VersionRule agreement, Optional<String> installed, String seen) {
        return new Attachment(id, name, from, to, sending, chosen, destination, agreement, installed, seen);
    }
}
