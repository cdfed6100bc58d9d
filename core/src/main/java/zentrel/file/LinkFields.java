package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** OSC from one program to another in a plan file. */
final class LinkFields implements Fields<ControlLink> {
    private static final int LARGEST = 1_000_000;

    /** Of a control in seven bits. */
    private static final int USUAL_LAST = 127;

    /** An OSC address (OSC 1.0: it begins with a slash). */
    static String oscAddress(JsonPlace p) {
        String address = p.text();
        if (!address.startsWith("/")) {
            throw p.wrong("an OSC address starts with a slash, such as /show/next");
        }
        return address;
    }

    @Override
    public ControlLink read(JsonPlace p, References refs) {
        Id<ControlLink> id = refs.declare(p, Kind.LINK);
        String pattern = oscAddress(p.need("pattern"));
        return new ControlLink(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("from"), Kind.APPLICATION),
                refs.refer(p.need("to"), Kind.APPLICATION),
                p.need("destination").setting(v -> v.parsed(Ipv4Address::parse)),
                p.need("port").setting(v -> v.integer(1, 65535)),
                pattern,
                p.setting("enabled", JsonPlace::bool, true),
                p.bool("answer", false),
                p.optional("answerPort").map(a -> a.setting(v -> v.integer(1, 65535))),
                p.word("transport", LinkTransport.class, LinkTransport.UDP),
                p.text("arguments", ""),
                messages(p),
                controls(p));
    }

    private static List<LinkControl> controls(JsonPlace p) {
        List<LinkControl> all = new ArrayList<>();
        p.list("controls").forEach(c -> {
            c.requireObject();
            List<String> values = new ArrayList<>();
            c.list("values").forEach(v -> values.add(v.text()));
            all.add(new LinkControl(
                    c.need("name").text(),
                    c.word("kind", LinkControl.Kind.class, LinkControl.Kind.FADER),
                    c.optional("first").map(f -> f.integer(-LARGEST, LARGEST)).orElse(0),
                    c.optional("last").map(l -> l.integer(-LARGEST, LARGEST)).orElse(USUAL_LAST),
                    c.word("curve", LinkControl.Curve.class, LinkControl.Curve.LINEAR),
                    values,
                    c.bool("feedback", false)));
            c.done();
        });
        return all;
    }

    private static List<LinkMessage> messages(JsonPlace p) {
        List<LinkMessage> all = new ArrayList<>();
        p.list("messages").forEach(m -> {
            m.requireObject();
            List<String> values = new ArrayList<>();
            m.list("values").forEach(v -> values.add(v.text()));
            all.add(new LinkMessage(m.text("label", ""), values));
            m.done();
        });
        return all;
    }

    @Override
    public void write(ObjectNode n, ControlLink l) {
        named(n, l);
        n.put("from", l.from().value());
        n.put("to", l.to().value());
        n.set("destination", setting(l.destination(), x -> JSON.textNode(x.toString())));
        n.set("port", setting(l.port(), JSON::numberNode));
        n.put("pattern", l.pattern());
        flag(n, "enabled", l.enabled(), true);
        flag(n, "answer", l.answer(), false);
        l.answerPort().ifPresent(x -> n.set("answerPort", setting(x, JSON::numberNode)));
        word(n, "transport", l.transport(), LinkTransport.UDP);
        if (!l.arguments().isEmpty()) {
            n.put("arguments", l.arguments());
        }
        if (!l.controls().isEmpty()) {
            ArrayNode controls = n.putArray("controls");
            l.controls().forEach(c -> {
                ObjectNode o = controls.addObject();
                o.put("name", c.name());
                word(o, "kind", c.kind(), LinkControl.Kind.FADER);
                o.put("first", c.first());
                o.put("last", c.last());
                word(o, "curve", c.curve(), LinkControl.Curve.LINEAR);
                texts(o, "values", c.values());
                if (c.feedback()) {
                    o.put("feedback", true);
                }
            });
        }
        if (!l.messages().isEmpty()) {
            ArrayNode messages = n.putArray("messages");
            l.messages().forEach(m -> {
                ObjectNode o = messages.addObject();
                if (!m.label().isEmpty()) {
                    o.put("label", m.label());
                }
                texts(o, "values", m.values());
            });
        }
    }
}
