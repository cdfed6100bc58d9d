package zentrel.profile;

import java.util.Set;
import zentrel.text.PlainText;

/**
 * What must be done on a device before something typed in is in force.
 *
 * @param of what was typed in: address, universe, protocol, port, binding, name, version, osc or session
 * @param does what to do, in the imperative: "Restart it"
 * @param times how often
 * @param seconds how long it takes each time
 * @param why why once is not enough, or what to watch for; may be empty
 */
public record ProfileStep(Set<String> of, String does, int times, int seconds, String why) {
    /** What a step may be about. */
    public static final Set<String> SUBJECTS =
            Set.of("address", "universe", "protocol", "port", "binding", "name", "version", "osc", "session");

    public ProfileStep {
        PlainText.require("What a step does", does);
        PlainText.require("The reason of a step", why);
        of = Set.copyOf(of);
        if (!SUBJECTS.containsAll(of)) {
            throw new IllegalArgumentException("A step is about "
                    + String.join(", ", SUBJECTS.stream().sorted().toList()) + ", not "
                    + String.join(", ", of.stream().sorted().toList()) + ".");
        }
        if (times < 1 || times > 9 || seconds < 0 || seconds > 86_400) {
            throw new IllegalArgumentException("A step is done 1 to 9 times and takes up to a day each time.");
        }
    }
}
