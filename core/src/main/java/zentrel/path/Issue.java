package zentrel.path;

import zentrel.plan.Id;

/**
 * One thing wrong, risky or unknown at a hop. Its sentence is made by {@code zentrel.path.words} and its fixes by
 * {@code zentrel.path.fix}, from what it says here.
 *
 * @param rule the id of the rule that reports it
 * @param cause where the mistake is, which need not be where the signal ends
 * @param facts the values that decide it
 */
public record Issue(Reason reason, Verdict verdict, String rule, Id<?> cause, Facts facts) {
    /** An issue that is reported by the rule of its reason. */
    Issue(Reason reason, Verdict verdict, Id<?> cause, Facts facts) {
        this(reason, verdict, reason.rule(), cause, facts);
    }

    /** The id under which its fix is asked for: {@code RULE@CAUSE}. */
    public String fixId() {
        return rule + "@" + cause.value();
    }
}
