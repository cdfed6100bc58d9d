package zentrel.path;

import java.util.List;
import zentrel.plan.Edit;
import zentrel.plan.Id;

/**
 * One thing wrong, risky or unknown at a hop.
 *
 * @param rule the id of the rule that reports it
 * @param brief the few words and numbers that go under the hop
 * @param text a sentence with the real numbers, then what to set and where
 * @param cause where the mistake is, which need not be where the signal dies
 * @param remedies edits that would mend it, the likeliest first
 */
public record Issue(
        Reason reason, Verdict verdict, String rule, String brief, String text, Id<?> cause, List<Edit> remedies) {
    public Issue {
        remedies = List.copyOf(remedies);
        if (text.isBlank()) {
            throw new IllegalArgumentException("An issue says what is wrong.");
        }
    }

    /** The id under which its fix is asked for: {@code RULE@CAUSE}. */
    public String fixId() {
        return rule + "@" + cause.value();
    }
}
