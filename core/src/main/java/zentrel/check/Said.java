package zentrel.check;

import java.util.List;
import java.util.Set;

/**
 * What one rule says of a plan.
 *
 * @param reads what it read for that, as {@link zentrel.plan.Reads} noted it
 */
record Said(String rule, List<Finding> findings, Outcome outcome, Set<Object> reads) {
    Said {
        findings = List.copyOf(findings);
        reads = Set.copyOf(reads);
    }

    Said reading(Set<Object> keys) {
        return new Said(rule, findings, outcome, keys);
    }
}
