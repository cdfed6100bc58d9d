package zentrel.app;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import zentrel.app.flow.FlowModel;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;
import zentrel.plan.Plan;

/**
 * The plan that the command line names, read and checked. This needs no JavaFX, so it is begun while JavaFX starts, and the
 * first picture of the window is already the plan's.
 *
 * @param flow what the page that is shown first draws of it
 * @param problem why it is not the plan that was asked for
 */
record FirstPlan(LoadedPlan loaded, Report report, FlowModel flow, Optional<Path> file, Optional<String> problem) {
    private static final String DEMO = "demo:";

    /** Begins on a thread of its own; as a class, for at this moment the first lambda would take longer than the rest. */
    static CompletableFuture<FirstPlan> begin(List<String> arguments) {
        CompletableFuture<FirstPlan> result = new CompletableFuture<>();
        Thread thread = new Thread("first plan") {
            @Override
            public void run() {
                try {
                    result.complete(named(planIn(arguments)));
                } catch (RuntimeException e) {
                    result.completeExceptionally(e);
                }
            }
        };
        thread.setDaemon(true);
        thread.start();
        return result;
    }

    /** The argument that names a plan: the first that is no option, and not the folder of {@code --shots}. */
    private static Optional<String> planIn(List<String> arguments) {
        int shots = arguments.indexOf("--shots");
        for (int i = 0; i < arguments.size(); i++) {
            if (!arguments.get(i).startsWith("--") && (shots < 0 || i != shots + 1)) {
                return Optional.of(arguments.get(i));
            }
        }
        return Optional.empty();
    }

    private static FirstPlan named(Optional<String> name) {
        if (name.isEmpty()) {
            return of(LoadedPlan.of(Plan.EMPTY), Optional.empty(), Optional.empty());
        }
        String plan = name.get();
        if (plan.startsWith(DEMO)) {
            return FernlightTrail.named(plan.substring(DEMO.length()))
                    .map(p -> of(LoadedPlan.of(p), Optional.empty(), Optional.empty()))
                    .orElseGet(() ->
                            empty("There is no demo plan \"" + plan + "\"; there are demo:draft and demo:ready."));
        }
        try {
            Path file = Path.of(plan);
            return of(PlanFile.open(file), Optional.of(file), Optional.empty());
        } catch (PlanFileException e) {
            return empty(String.valueOf(e.getMessage()));
        } catch (InvalidPathException e) {
            return empty("\"" + plan + "\" is no name of a file.");
        }
    }

    private static FirstPlan empty(String problem) {
        return of(LoadedPlan.of(Plan.EMPTY), Optional.empty(), Optional.of(problem));
    }

    private static FirstPlan of(LoadedPlan loaded, Optional<Path> file, Optional<String> problem) {
        Report report = Check.run(loaded.plan());
        return new FirstPlan(loaded, report, FlowModel.of(report), file, problem);
    }
}
