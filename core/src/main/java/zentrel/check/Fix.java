package zentrel.check;

import zentrel.plan.Edit;

/**
 * One step that mends a finding.
 *
 * @param id {@code RULE@CAUSE} for the first, {@code RULE@CAUSE#2} for the second, and so on
 */
public record Fix(String id, Edit edit) {
    public String text() {
        return edit.text();
    }
}
