package zentrel.plan;

import java.util.function.UnaryOperator;

/**
 * A change of the plan, in words and as a function. It never changes the plan it is given.
 *
 * @param text what it does, in the imperative: "Set port 1 to 4"
 */
public record Edit(String text, UnaryOperator<Plan> change) {
    public Plan applyTo(Plan plan) {
        return change.apply(plan);
    }

    /** This edit and then another, under this edit's words. */
    public Edit and(UnaryOperator<Plan> next) {
        return new Edit(text, p -> next.apply(change.apply(p)));
    }
}
