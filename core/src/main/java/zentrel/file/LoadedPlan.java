package zentrel.file;

import zentrel.plan.Plan;

/** A plan as it was read, with the fields that this version does not know. */
public record LoadedPlan(Plan plan, UnknownFields unknown) {
    /** A plan that was made here. */
    public static LoadedPlan of(Plan plan) {
        return new LoadedPlan(plan, UnknownFields.NONE);
    }
}
