package zentrel.path;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import zentrel.plan.Id;

/** All paths of one fixture, universe or link. */
public record PathReport(Id<?> subject, Verdict verdict, List<SignalPath> paths) {
    public PathReport {
        paths = List.copyOf(paths);
    }

    /** The paths, the worst first and equally bad ones as they come; each is judged once, for a desk may have thousands. */
    public List<SignalPath> worstFirst() {
        Map<Verdict, List<SignalPath>> by = new EnumMap<>(Verdict.class);
        for (SignalPath path : paths) {
            by.computeIfAbsent(path.verdict(), v -> new ArrayList<>()).add(path);
        }
        List<SignalPath> sorted = new ArrayList<>(paths.size());
        List<List<SignalPath>> harmlessFirst = List.copyOf(by.values());
        for (int i = harmlessFirst.size() - 1; i >= 0; i--) {
            sorted.addAll(harmlessFirst.get(i));
        }
        return sorted;
    }

    public static PathReport of(Id<?> subject, List<SignalPath> paths) {
        return new PathReport(
                subject, Verdict.worst(paths.stream().map(SignalPath::verdict).toList()), paths);
    }
}
