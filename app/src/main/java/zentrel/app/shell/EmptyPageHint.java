package zentrel.app.shell;

import zentrel.plan.Plan;

/** What a page says that has nothing to show yet: how to begin. */
public final class EmptyPageHint {
    private EmptyPageHint() {}

    /**
     * The sentence.
     *
     * @param missing what the plan lacks, where it has boxes already, as the end of "Nothing is here yet: "
     */
    public static String of(Plan plan, String missing) {
        return plan.hosts().isEmpty()
                ? "Open a plan to begin, or say in Gear what there is."
                : "Nothing is here yet: " + missing;
    }
}
