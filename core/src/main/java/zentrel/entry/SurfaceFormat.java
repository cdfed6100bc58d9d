package zentrel.entry;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.LinkControl;
import zentrel.plan.Plan;

/** A control of a surface in one line: {@code Fader 1: fader 0-127 square with feedback sends 1 | *}. */
public final class SurfaceFormat {
    private static final Pattern LINE = Pattern.compile(
            "(.+?):\\s+(button|toggle|fader|encoder)"
                    + "(?:\\s+(-?[0-9]{1,7})\\s*-\\s*(-?[0-9]{1,7}))?(?:\\s+(linear|square|inverted))?(\\s+with\\s+feedback)?\\s+sends\\s+(.+)");
    private static final int LAST = 127;

    /** Reads and writes such a line. */
    public static final Format<LinkControl> CONTROL = new Format<>() {
        @Override
        public String shown(Plan plan, LinkControl c) {
            return c.name() + ": " + c.kind().word() + " " + c.first() + "-" + c.last()
                    + (c.curve() == LinkControl.Curve.LINEAR
                            ? ""
                            : " " + c.curve().word())
                    + (c.feedback() ? " with feedback" : "") + " sends " + String.join(" | ", c.values());
        }

        @Override
        public LinkControl read(Plan plan, String text) {
            Matcher m = LINE.matcher(text.strip());
            if (!m.matches()) {
                throw new IllegalArgumentException("\"" + text
                        + "\" is no control; write NAME: fader 0-127 sends 1 | *, where * is the part that it moves.");
            }
            String curve = m.group(5) == null ? "linear" : m.group(5);
            return new LinkControl(
                    m.group(1).strip(),
                    word(LinkControl.Kind.values(), m.group(2)),
                    m.group(3) == null ? 0 : Integer.parseInt(m.group(3)),
                    m.group(4) == null ? LAST : Integer.parseInt(m.group(4)),
                    word(LinkControl.Curve.values(), curve),
                    Arrays.stream(m.group(7).split("\\|", -1))
                            .map(String::strip)
                            .toList(),
                    m.group(6) != null);
        }

        @Override
        public String hint() {
            return "Fader 1: fader 0-127 sends 1 | *";
        }
    };

    private SurfaceFormat() {}

    private static <E extends Enum<E> & zentrel.text.Word> E word(E[] all, String word) {
        return List.of(all).stream()
                .filter(e -> e.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("\"" + word + "\" is not known here."));
    }
}
