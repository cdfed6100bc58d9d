package zentrel.check;

import zentrel.text.Word;

/** What a rule says of a whole plan. */
public enum Outcome implements Word {
    /** It met its subjects and found nothing. */
    PASSES,
    BROKEN,
    AT_RISK,
    NOTE,
    /** It found nothing wrong, but the plan does not say enough. */
    NOT_KNOWN,
    /** The plan has nothing that the rule is about. */
    NOT_APPLICABLE;

    static Outcome of(Severity severity) {
        return switch (severity) {
            case NOTE -> NOTE;
            case AT_RISK -> AT_RISK;
            case BROKEN -> BROKEN;
        };
    }
}
