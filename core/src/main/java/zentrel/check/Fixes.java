package zentrel.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Tries fixes before they are offered: a fix is kept if, applied to the plan, its finding is gone and no new one has come. That
 * another program has then to be set as well does not count: no edit of a plan can do that.
 * Each try checks the whole plan again, so this is for findings that somebody looks at.
 */
public final class Fixes {
    private Fixes() {}

    /** The fixes of a finding that were tried and mend it. */
    public static List<Fix> proven(Report report, Finding finding) {
        Set<String> before = report.findings().stream().map(Finding::id).collect(Collectors.toSet());
        List<Fix> good = new ArrayList<>();
        for (Fix fix : finding.fixes()) {
            Set<String> after = Check.after(report, fix.edit().applyTo(report.plan())).findings().stream()
                    .filter(f -> before.contains(f.id()) || !PatchDiffers.isOne(f))
                    .map(Finding::id)
                    .collect(Collectors.toCollection(HashSet::new));
            if (!after.contains(finding.id()) && before.containsAll(after)) {
                good.add(fix);
            }
        }
        return good;
    }

    /** The finding with its proven fixes only, numbered from the first that mends. */
    public static Finding withProven(Report report, Finding finding) {
        List<Fix> proven = proven(report, finding);
        List<Fix> numbered = new ArrayList<>();
        for (Fix fix : proven) {
            numbered.add(new Fix(finding.id() + (numbered.isEmpty() ? "" : "#" + (numbered.size() + 1)), fix.edit()));
        }
        return finding.withFixes(numbered);
    }
}
