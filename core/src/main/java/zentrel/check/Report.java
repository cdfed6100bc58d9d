package zentrel.check;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.load.Load;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;

/**
 * What a check found.
 *
 * @param findings the worst first, then in the order of the rules
 * @param outcomes what each rule says, in the order of the rules
 * @param load what the streams come to on each cable
 * @param signalPaths the judged paths, for asking on
 */
public record Report(
        Plan plan, List<Finding> findings, Map<String, Outcome> outcomes, Load load, SignalPaths signalPaths) {
    public Report {
        findings = List.copyOf(findings);
        outcomes = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(outcomes));
    }

    /** Every path of the plan but those of single fixtures. */
    public List<SignalPath> paths() {
        return signalPaths.all();
    }

    public boolean isBroken() {
        return count(Severity.BROKEN) > 0;
    }

    public long count(Severity severity) {
        return findings.stream().filter(f -> f.severity() == severity).count();
    }

    public Optional<Finding> finding(String id) {
        return findings.stream().filter(f -> f.id().equals(id)).findFirst();
    }
}
