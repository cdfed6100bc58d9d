package zentrel.check;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.load.Load;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;

/** What a check found. */
public final class Report {
    private final Plan plan;
    private final Map<String, Said> said = new LinkedHashMap<>();
    private final List<Finding> findings;
    private final Map<String, Outcome> outcomes;
    private final Load load;
    private final SignalPaths signalPaths;
    private final Set<String> met;

    /**
     * A report.
     *
     * @param said what each rule says, in the order of the rules
     * @param met the rules that report something that a path met
     */
    Report(Plan plan, List<Said> said, Load load, SignalPaths signalPaths, Set<String> met) {
        this.plan = plan;
        this.load = load;
        this.signalPaths = signalPaths;
        this.met = met;
        List<Finding> all = new ArrayList<>();
        Map<String, Outcome> each = new LinkedHashMap<>();
        for (Said one : said) {
            this.said.put(one.rule(), one);
            all.addAll(one.findings());
            each.put(one.rule(), one.outcome());
        }
        all.sort(Comparator.comparing(Finding::severity).reversed());
        findings = List.copyOf(all);
        outcomes = Collections.unmodifiableMap(each);
    }

    public Plan plan() {
        return plan;
    }

    /** The worst first, then in the order of the rules. */
    public List<Finding> findings() {
        return findings;
    }

    /** What each rule says, in the order of the rules. */
    public Map<String, Outcome> outcomes() {
        return outcomes;
    }

    /** What the streams come to on each cable. */
    public Load load() {
        return load;
    }

    /** The judged paths, for asking on. */
    public SignalPaths signalPaths() {
        return signalPaths;
    }

    Optional<Said> said(String rule) {
        return Optional.ofNullable(said.get(rule));
    }

    /** Whether a path met something that a rule reports. */
    boolean met(String rule) {
        return met.contains(rule);
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
