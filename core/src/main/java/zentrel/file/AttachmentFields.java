package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** A console's own stream to a previs in a plan file. */
final class AttachmentFields implements Fields<Attachment> {
    @Override
    public Attachment read(JsonPlace p, References refs) {
        Id<Attachment> id = refs.declare(p, Kind.ATTACHMENT);
        return new Attachment(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("from"), Kind.APPLICATION),
                refs.refer(p.need("to"), Kind.APPLICATION),
                p.setting("sending", JsonPlace::bool, true),
                p.setting("chosen", JsonPlace::bool, true),
                p.optional("destination").map(d -> d.setting(v -> v.parsed(Ipv4Address::parse))),
                p.word("versions", VersionRule.class, VersionRule.EXACT),
                p.optional("driver").map(JsonPlace::text),
                p.text("sign", ""));
    }

    @Override
    public void write(ObjectNode n, Attachment a) {
        named(n, a);
        n.put("from", a.from().value());
        n.put("to", a.to().value());
        flag(n, "sending", a.sending(), true);
        flag(n, "chosen", a.chosen(), true);
        a.destination().ifPresent(x -> n.set("destination", setting(x, d -> JSON.textNode(d.toString()))));
        word(n, "versions", a.versions(), VersionRule.EXACT);
        a.driver().ifPresent(x -> n.put("driver", x));
        text(n, "sign", a.sign(), "");
    }
}
