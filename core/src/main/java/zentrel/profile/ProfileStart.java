package zentrel.profile;

import java.util.Set;
import zentrel.text.PlainText;

/**
 * How a program starts, as its maker tells.
 *
 * @param seconds how long it takes, 0 to 86,400; 0 where nobody has said
 * @param after kinds of programs that must run before it is started; others do not see each other
 * @param sign what is seen when it is ready; empty text where nothing is told
 */
public record ProfileStart(int seconds, Set<ApplicationKind> after, String sign) {
    private static final int DAY = 86_400;

    /** Nothing is told. */
    public static final ProfileStart NOTHING_SAID = new ProfileStart(0, Set.of(), "");

    public ProfileStart {
        PlainText.require("The sign of a start", sign);
        after = Set.copyOf(after);
        if (seconds < 0 || seconds > DAY) {
            throw new IllegalArgumentException("A start takes 0 to " + DAY + " s, not " + seconds + ".");
        }
    }
}
