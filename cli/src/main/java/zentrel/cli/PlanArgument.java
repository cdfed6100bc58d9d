package zentrel.cli;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

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

    /** Writes a plan, with what its file held besides. */
    static void save(LoadedPlan loaded, Path to) throws Refusal {
        try {
            PlanFile.save(loaded, to);
        } catch (PlanFileException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
    }

    /** The segment of a plan that is called so, by id or by name in any case. */
    static Segment segment(Plan plan, String called) throws Refusal {
        return plan.segments().stream()
                .filter(s -> s.id().value().equals(called) || s.name().equalsIgnoreCase(called))
                .findFirst()
                .orElseThrow(() -> new Refusal("The plan has no segment \"" + called + "\"; it has "
                        + (plan.segments().isEmpty()
                                ? "none"
                                : plan.segments().stream().map(Segment::name).collect(Collectors.joining(", ")))
                        + "."));
    }

    /** The host of a plan that is called so, by id or by name in any case. */
    static Host host(Plan plan, String called) throws Refusal {
        return plan.hosts().stream()
                .filter(h -> h.id().value().equals(called)
                        || h.name().toLowerCase(Locale.ROOT).equals(called.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new Refusal("The plan has no host \"" + called + "\"."));
    }
}
