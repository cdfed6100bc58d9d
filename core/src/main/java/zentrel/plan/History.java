package zentrel.plan;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/**
 * The plan as it is now, with what undo and redo lead to. Because plans are immutable and share what did not change, a
 * step back is the earlier value itself. Not safe for use by several threads.
 */
public final class History {
    /** How many steps are kept; the oldest are forgotten first. */
    public static final int STEPS = 500;

    private record Step(String text, Plan before, Plan after) {}

    private final Deque<Step> undo = new ArrayDeque<>();
    private final Deque<Step> redo = new ArrayDeque<>();
    private Plan plan;

    public History(Plan plan) {
        this.plan = plan;
    }

    public Plan plan() {
        return plan;
    }

    /** Makes an edit; what could be redone is forgotten. An edit that changes nothing leaves no step. */
    public Plan apply(Edit edit) {
        Plan after = edit.applyTo(plan);
        if (!after.equals(plan)) {
            undo.push(new Step(edit.text(), plan, after));
            plan.forgetIndex();
            redo.clear();
            if (undo.size() > STEPS) {
                undo.removeLast();
            }
            plan = after;
        }
        return plan;
    }

    /** The words of the step that undo would take back. */
    public Optional<String> undoText() {
        return Optional.ofNullable(undo.peek()).map(Step::text);
    }

    public Optional<String> redoText() {
        return Optional.ofNullable(redo.peek()).map(Step::text);
    }

    /** Takes back the last edit, if there is one. */
    public Plan undo() {
        if (!undo.isEmpty()) {
            Step step = undo.pop();
            redo.push(step);
            plan = step.before();
        }
        return plan;
    }

    /** Makes the last undone edit again, if there is one. */
    public Plan redo() {
        if (!redo.isEmpty()) {
            Step step = redo.pop();
            undo.push(step);
            plan = step.after();
        }
        return plan;
    }
}
