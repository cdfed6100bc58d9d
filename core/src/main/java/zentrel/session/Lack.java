package zentrel.session;

import java.util.Optional;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Severity;
import zentrel.path.HopKind;
import zentrel.plan.Id;

/**
 * What a program still lacks before it takes part.
 *
 * @param finding as the check reports it
 */
public record Lack(Finding finding) {
    public String rule() {
        return finding.rule();
    }

    public String text() {
        return finding.text();
    }

    /** The id of the fix that is likeliest to mend it. */
    public Optional<String> fix() {
        return finding.fixes().stream().findFirst().map(Fix::id);
    }

    public Id<?> cause() {
        return finding.cause();
    }

    /** Whether nothing works before it is mended. */
    public boolean stops() {
        return finding.severity() == Severity.BROKEN;
    }

    /** Those that come first on the way come first; what no hop is about comes last. */
    static int order(Lack lack) {
        return (lack.stops() ? 0 : 100)
                + lack.finding().hop().map(HopKind::number).orElse(50);
    }
}
