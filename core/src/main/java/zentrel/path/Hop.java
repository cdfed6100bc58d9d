package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Id;

/**
 * One hop of a leg, judged. Its words are made by {@code zentrel.path.words}.
 *
 * @param at where it happens
 * @param why what decides it where nothing is wrong
 * @param applicable whether there is anything to judge
 * @param issues all that is wrong here, the worst first; empty where it passes
 * @param would whether an earlier hop is broken, so that this says what would happen
 */
public record Hop(HopKind kind, Id<?> at, Facts why, boolean applicable, List<Issue> issues, boolean would) {
    public Hop {
        issues = List.copyOf(issues);
    }

    public Verdict verdict() {
        if (issues.isEmpty()) {
            return applicable ? Verdict.PASSES : Verdict.NOT_APPLICABLE;
        }
        return issues.get(0).verdict();
    }

    /** The issue that decides the hop. */
    public Optional<Issue> issue() {
        return issues.stream().findFirst();
    }
}
