package zentrel.path;

import java.util.List;
import zentrel.plan.Id;

/** All paths of one fixture, universe or link. */
public record PathReport(Id subject, Verdict verdict, List<SignalPath> paths) {
    public PathReport {
        paths = List.copyOf(paths);
    }

    static PathReport of(Id subject, List<SignalPath> paths) {
        return new PathReport(
                subject, Verdict.worst(paths.stream().map(SignalPath::verdict).toList()), paths);
    }
}
