package zentrel.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.path.Facts;
import zentrel.path.Hop;
import zentrel.path.Issue;
import zentrel.path.Leg;
import zentrel.path.PathReport;
import zentrel.path.Reason;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.path.fix.PathFixes;
import zentrel.plan.Id;
import zentrel.plan.Kind;

/**
 * Paths with the findings that no single path can meet: a full cable, two programs on one port, ports of one page. Such a finding
 * names a hop, and the path shows the same verdict there.
 */
public final class PathFindings {
    /** The reasons that come of the whole plan and not of one path. */
    static final Set<Reason> BEYOND = Set.of(
            Reason.FULL_CABLE,
            Reason.BROADCAST_LOAD,
            Reason.PAGE_DIFFERS,
            Reason.RATE,
            Reason.WIRELESS_STREAM,
            Reason.PORT_SHARED);

    private PathFindings() {}

    /** Every path of a report, with what the check found about it. */
    public static PathReport of(Report report, PathReport paths) {
        List<Finding> beyond = report.findings().stream()
                .filter(f -> f.hop().isPresent()
                        && f.severity() != Severity.NOTE
                        && reason(f).isPresent())
                .toList();
        if (beyond.isEmpty()) {
            return paths;
        }
        return PathReport.of(
                paths.subject(), paths.paths().stream().map(p -> of(beyond, p)).toList());
    }

    /** Whether an issue of such a path has a fix, which the check offers under {@link Issue#fixId()}. */
    public static boolean hasFix(Report report, Issue issue) {
        return BEYOND.contains(issue.reason())
                ? report.findings().stream()
                        .anyMatch(
                                f -> f.id().equals(issue.fixId()) && !f.fixes().isEmpty())
                : !new PathFixes(report.signalPaths()).of(issue).isEmpty();
    }

    private static Optional<Reason> reason(Finding finding) {
        return Reason.of(finding.rule())
                .filter(r -> BEYOND.contains(r) && finding.hop().equals(Optional.of(r.hop())));
    }

    private static SignalPath of(List<Finding> findings, SignalPath path) {
        List<Leg> legs = new ArrayList<>();
        for (Leg leg : path.legs()) {
            List<Hop> hops = new ArrayList<>(leg.hops());
            for (Finding finding : findings) {
                if (concerns(finding, path, leg)) {
                    Reason reason = reason(finding).orElseThrow();
                    hops.replaceAll(h -> h.kind() == reason.hop() && h.applicable() ? with(h, reason, finding) : h);
                }
            }
            legs.add(new Leg(leg.from(), leg.to(), hops));
        }
        return new SignalPath(path.source(), path.signal(), path.receiver(), path.protocol(), path.delivery(), legs);
    }

    private static final List<Kind<?>> SIGNALS = List.of(Kind.STREAM, Kind.LINK, Kind.ATTACHMENT);

    /** A finding about signals concerns those that it names; another one concerns all that meet its cause. */
    private static boolean concerns(Finding finding, SignalPath path, Leg leg) {
        boolean namesSignals = finding.subjects().stream().anyMatch(s -> SIGNALS.contains(s.kind()));
        if (namesSignals) {
            return path.signal().filter(finding.subjects()::contains).isPresent();
        }
        Set<Id<?>> met = new HashSet<>();
        path.receiver().ifPresent(met::add);
        met.add(leg.from());
        met.add(leg.to());
        leg.hops().forEach(h -> met.add(h.at()));
        return met.contains(finding.cause());
    }

    private static Hop with(Hop hop, Reason reason, Finding finding) {
        if (hop.issues().stream()
                .anyMatch(i -> i.reason() == reason && i.cause().equals(finding.cause()))) {
            return hop; // the path met it itself
        }
        List<Issue> issues = new ArrayList<>(hop.issues());
        issues.add(new Issue(
                reason,
                finding.severity() == Severity.BROKEN ? Verdict.BROKEN : Verdict.AT_RISK,
                finding.rule(),
                finding.cause(),
                Facts.said(RuleBook.find(finding.rule()).map(Rule::title).orElse(finding.rule()), finding.text())));
        issues.sort(Comparator.comparing(Issue::verdict).reversed());
        return new Hop(hop.kind(), hop.at(), hop.why(), true, issues, hop.would());
    }
}
