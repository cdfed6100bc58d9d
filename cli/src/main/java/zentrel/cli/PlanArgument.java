package zentrel.cli;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;

/** Opens what PLAN names: a file, or {@code demo:draft} or {@code demo:ready}. */
final class PlanArgument {
    private PlanArgument() {}

    static LoadedPlan open(String plan) throws Refusal {
        if (plan.startsWith("demo:")) {
            return FernlightTrail.named(plan.substring("demo:".length()))
                    .map(LoadedPlan::of)
                    .orElseThrow(() -> new Refusal(
                            "There is no demo plan \"" + plan + "\"; there are demo:draft and demo:ready."));
        }
        try {
            return PlanFile.open(Path.of(plan));
        } catch (PlanFileException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (InvalidPathException e) {
            throw new Refusal("\"" + plan + "\" is no name of a file.", e);
        }
    }
}
