package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zentrel.plan.Edit;
import zentrel.plan.Id;

/** A hop while it is being judged. */
final class HopDraft {
    private final HopKind kind;
    private final List<Issue> issues = new ArrayList<>();
    private Id<?> at;
    private String brief = "";
    private String text = "";
    private boolean applicable = true;

    HopDraft(HopKind kind, Id<?> at) {
        this.kind = kind;
        this.at = at;
    }

    /** What to say where nothing is wrong. */
    void passes(Id<?> where, String briefly, String why) {
        at = where;
        brief = briefly;
        text = why;
    }

    void notApplicable(String why) {
        applicable = false;
        brief = "–";
        text = why;
    }

    void broken(Reason reason, Id<?> cause, String briefly, String sentence, List<Edit> remedies) {
        add(reason, Verdict.BROKEN, reason.rule(), cause, briefly, sentence, remedies);
    }

    void atRisk(Reason reason, Id<?> cause, String briefly, String sentence, List<Edit> remedies) {
        add(reason, Verdict.AT_RISK, reason.rule(), cause, briefly, sentence, remedies);
    }

    void notKnown(Reason reason, Id<?> cause, String briefly, String sentence) {
        add(reason, Verdict.NOT_KNOWN, reason.rule(), cause, briefly, sentence, List.of());
    }

    void add(
            Reason reason,
            Verdict verdict,
            String rule,
            Id<?> cause,
            String briefly,
            String sentence,
            List<Edit> remedies) {
        if (reason.hop() != kind) {
            throw new IllegalStateException(reason + " belongs to " + reason.hop() + ", not to " + kind);
        }
        issues.add(new Issue(reason, verdict, rule, briefly, sentence, cause, remedies));
    }

    boolean isBroken() {
        return issues.stream().anyMatch(i -> i.verdict() == Verdict.BROKEN);
    }

    Hop finish(boolean would) {
        // into a list of its own: paths share drafts, and may be finished by several threads
        List<Issue> worstFirst = issues.stream()
                .sorted(Comparator.comparing(Issue::verdict).reversed())
                .toList();
        String briefly = worstFirst.isEmpty() ? brief : worstFirst.get(0).brief();
        String sentence = worstFirst.isEmpty() ? text : worstFirst.get(0).text();
        return new Hop(kind, at, briefly, sentence, applicable || !worstFirst.isEmpty(), worstFirst, would);
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
