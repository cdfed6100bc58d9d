package zentrel.check;

import java.util.List;

/** One thing that can be wrong with a plan. A rule is a pure function of the plan; it keeps nothing. */
public interface Rule {
    /** The id, stable for other programs: {@code universe.off-by-one}. */
    String id();

    /** The part of the work that it belongs to. */
    default Area area() {
        return Area.of(id());
    }

    /** What the rule looks for, in a few words. */
    default String title() {
        return RuleWords.title(id());
    }

    /** Why it matters and how it shows, in plain sentences. */
    default String why() {
        return RuleWords.why(id());
    }

    /** Whether the plan has anything that the rule is about. */
    boolean applies(CheckContext context);

    /** What is wrong, in a stable order. */
    List<Finding> findings(CheckContext context);
}
