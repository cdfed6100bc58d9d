package zentrel.file;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.List;
import zentrel.plan.Answer;
import zentrel.plan.Kind;
import zentrel.plan.Sighting;

/** What people saw, in a plan file. */
final class SightingFields {
    private static final List<Kind<?>> SIGNALS = List.of(Kind.STREAM, Kind.LINK, Kind.ATTACHMENT);
    private static final List<Kind<?>> RECEIVERS = List.of(Kind.PORT, Kind.APPLICATION);

    private SightingFields() {}

    static Sighting read(JsonPlace p, References refs) {
        return new Sighting(
                refs.known(p.need("signal"), "what was seen is a stream or a link", SIGNALS),
                refs.known(p.need("receiver"), "a signal goes to a port or a program", RECEIVERS),
                p.need("hop").integer(1, 1000),
                p.need("answer").word(Answer.class),
                p.need("at").parsed(SightingFields::instant),
                p.text("by", ""));
    }

    private static Instant instant(String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("\"" + text + "\" is no time; write it as 2026-11-26T08:30:00Z", e);
        }
    }

    static void write(ObjectNode n, Sighting s) {
        n.put("signal", s.signal().value());
        n.put("receiver", s.receiver().value());
        n.put("hop", s.hop());
        n.put("answer", s.answer().word());
        n.put("at", s.at().toString());
        JsonOut.text(n, "by", s.by(), "");
    }
}
