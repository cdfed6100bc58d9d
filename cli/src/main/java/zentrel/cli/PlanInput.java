package zentrel.cli;

import picocli.CommandLine.Parameters;
import zentrel.file.LoadedPlan;
import zentrel.plan.Plan;

/** The PLAN that most tools take first. */
final class PlanInput {
    @Parameters(index = "0", paramLabel = "PLAN", description = "A plan file, demo:draft or demo:ready.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    /** Opens it, with what its file holds besides. */
    LoadedPlan loaded() throws Refusal {
        return PlanArgument.open(name);
    }

    /** Opens it. */
    Plan plan() throws Refusal {
        return loaded().plan();
    }
}
