package zentrel.check;

import java.util.List;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.plan.Id;
import zentrel.source.Sourced;

/**
 * One thing that a rule found.
 *
 * @param rule the id of the rule
 * @param hop where a signal dies or is at risk of it; empty where no signal depends on it yet, or no hop is concerned
 * @param subjects the cause first, then what suffers from it
 * @param text what is wrong, with the real numbers, then what to set and where
 * @param restsOn what is known from elsewhere and decides it
 * @param fixes steps that should mend it, the likeliest first; see {@link Fixes} for those that were tried
 */
public record Finding(
        String rule,
        Severity severity,
        Optional<HopKind> hop,
        List<Id<?>> subjects,
        String text,
        List<Fix> fixes,
        List<Sourced<?>> restsOn) {
    public Finding {
        subjects = List.copyOf(subjects);
        fixes = List.copyOf(fixes);
        restsOn = List.copyOf(restsOn);
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

    Finding restingOn(Sourced<?>... sources) {
        return new Finding(rule, severity, hop, subjects, text, fixes, List.of(sources));
    }

    Finding withFixes(List<Fix> value) {
        return new Finding(rule, severity, hop, subjects, text, value, restsOn);
    }
}
