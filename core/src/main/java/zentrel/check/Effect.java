package zentrel.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zentrel.plan.Plan;

/**
 * What an edit does to the findings of a plan.
 *
 * @param mended findings that go
 * @param broken findings that come; notes are left out of both
 */
public record Effect(List<Finding> mended, List<Finding> broken) {
    public Effect {
        mended = List.copyOf(mended);
        broken = List.copyOf(broken);
    }

    /** Judges a plan that came of an edit of another. */
    public static Effect of(Report before, Plan after) {
        List<Finding> now = Check.after(before, after).findings();
        return new Effect(missing(before.findings(), now), missing(now, before.findings()));
    }

    private static List<Finding> missing(List<Finding> from, List<Finding> in) {
        Set<String> known = new HashSet<>();
        in.forEach(f -> known.add(f.id()));
        List<Finding> missing = new ArrayList<>();
        for (Finding finding : from) {
            if (finding.severity() != Severity.NOTE && known.add(finding.id())) {
                missing.add(finding);
            }
        }
        return missing;
    }

    /** Whether nothing comes of it that was not there before. */
    public boolean isGood() {
        return broken.isEmpty();
    }

    /** It in a sentence, with the first thing that breaks. */
    public String sentence() {
        return "It " + words() + "." + (isGood() ? "" : " " + broken.get(0).text());
    }

    /** It in a few words: "breaks 2, fixes 1". */
    public String words() {
        List<String> parts = new ArrayList<>();
        if (!broken.isEmpty()) {
            parts.add("breaks " + broken.size());
        }
        if (!mended.isEmpty()) {
            parts.add("mends " + mended.size());
        }
        return parts.isEmpty() ? "breaks nothing" : String.join(", ", parts);
    }
}
