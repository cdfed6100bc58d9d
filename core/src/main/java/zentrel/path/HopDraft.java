package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zentrel.plan.Id;
import zentrel.source.Sourced;

/** A hop while it is being judged. */
final class HopDraft {
    private final HopKind kind;
    private final List<Issue> issues = new ArrayList<>(0);
    private Id<?> at;
    private Facts why = Facts.NONE;
    private boolean applicable = true;

    HopDraft(HopKind kind, Id<?> at) {
        this.kind = kind;
        this.at = at;
    }

    /** What decides it where nothing is wrong. */
    void passes(Id<?> where, Facts facts) {
        at = where;
        why = facts;
    }

    void notApplicable(Facts facts) {
        applicable = false;
        why = facts;
    }

    /** It fails; at risk where that rests on something that is not sure enough. */
    void broken(Reason reason, Id<?> cause, Facts facts) {
        boolean doubtful = facts.restsOn().filter(Sourced::isDoubtful).isPresent();
        add(new Issue(reason, doubtful ? Verdict.AT_RISK : Verdict.BROKEN, cause, facts));
    }

    void atRisk(Reason reason, Id<?> cause, Facts facts) {
        add(new Issue(reason, Verdict.AT_RISK, cause, facts));
    }

    void notKnown(Reason reason, Id<?> cause, Facts facts) {
        add(new Issue(reason, Verdict.NOT_KNOWN, cause, facts));
    }

    void add(Issue issue) {
        if (issue.reason().hop() != kind) {
            throw new IllegalStateException(
                    issue.reason() + " belongs to " + issue.reason().hop() + ", not to " + kind);
        }
        issues.add(issue);
    }

    boolean isBroken() {
        return issues.stream().anyMatch(i -> i.verdict() == Verdict.BROKEN);
    }

    Hop finish(boolean would) {
        // into a list of its own: paths share drafts, and may be finished by several threads
        List<Issue> worstFirst = issues.isEmpty()
                ? List.of()
                : issues.stream()
                        .sorted(Comparator.comparing(Issue::verdict).reversed())
                        .toList();
        return new Hop(kind, at, why, applicable || !worstFirst.isEmpty(), worstFirst, would);
    }

    /** The draft of a hop among those of a leg. */
    static HopDraft at(List<HopDraft> leg, HopKind kind) {
        return leg.get(kind.index());
    }

    /** A draft of each hop. */
    static List<HopDraft> leg(Id<?> from, Id<?> to) {
        List<HopDraft> drafts = new ArrayList<>();
        for (HopKind kind : HopKind.values()) {
            drafts.add(new HopDraft(kind, kind.number() <= 4 ? from : to));
        }
        return drafts;
    }

    static List<Hop> finish(List<HopDraft> drafts) {
        List<Hop> hops = new ArrayList<>();
        boolean would = false;
        for (HopDraft draft : drafts) {
            hops.add(draft.finish(would));
            would |= draft.isBroken();
        }
        return List.copyOf(hops);
    }
}
