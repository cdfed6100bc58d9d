package zentrel.check;

import java.util.List;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.plan.Id;

/**
 * One thing that a rule found.
 *
 * @param rule the id of the rule
 * @param hop where a signal dies or is at risk of it; empty where no signal depends on it yet, or no hop is concerned
 * @param subjects the cause first, then what suffers from it
 * @param text what is wrong, with the real numbers, then what to set and where
 * @param fixes steps that should mend it, the likeliest first; see {@link Fixes} for those that were tried
 */
public record Finding(
        String rule, Severity severity, Optional<HopKind> hop, List<Id<?>> subjects, String text, List<Fix> fixes) {
    public Finding {
        subjects = List.copyOf(subjects);
        fixes = List.copyOf(fixes);
        if (text.isBlank() || subjects.isEmpty()) {
            throw new IllegalArgumentException("A finding says what is wrong, and with what.");
        }
    }

    public Id<?> cause() {
        return subjects.get(0);
    }

    /** The name of this finding, the same as long as the same thing is wrong with the same subject. */
    public String id() {
        return rule + "@" + cause().value();
    }

    Finding withFixes(List<Fix> value) {
        return new Finding(rule, severity, hop, subjects, text, value);
    }
}
