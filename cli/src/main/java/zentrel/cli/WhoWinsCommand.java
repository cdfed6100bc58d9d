package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.contest.Contest;
import zentrel.contest.SourcePrecedence;
import zentrel.path.SignalPaths;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** {@code zentrel who-wins PLAN [--universe ID]}: who is heard at each port, and what happens when one stops. */
@Command(
        name = "who-wins",
        mixinStandardHelpOptions = true,
        description = "Prints for each port who wins, and what is seen there when any one source stops.")
final class WhoWinsCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Option(names = "--universe", paramLabel = "ID", description = "Only this one.")
    private @Nullable String universe;

    @Option(
            names = "--choices",
            description = "Says too, where several send, how it may be settled and what comes of each choice.")
    private boolean choices;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        String only = universe;
        if (only != null
                && opened.universes().stream().noneMatch(u -> u.id().value().equals(only))) {
            throw new Refusal("The plan has no universe \"" + only + "\".");
        }
        SignalPaths paths = new SignalPaths(opened);
        List<Contest> contests = only == null ? Contest.all(paths) : Contest.of(paths, Kind.UNIVERSE.id(only));
        if (out.json) {
            ArrayNode all = Output.JSON.arrayNode();
            for (Contest c : contests) {
                ObjectNode n = all.addObject()
                        .put("universe", c.universe().value())
                        .put("port", c.port().value());
                ArrayNode heard = n.putArray("heard");
                c.heard().forEach(s -> heard.add(s.value()));
                n.put("now", c.now());
                n.put("fight", c.fight(opened.index()).isPresent());
                ArrayNode failures = n.putArray("failures");
                c.failures()
                        .forEach(f -> failures.addObject()
                                .put("source", f.source().value())
                                .put("seconds", f.seconds())
                                .put("text", f.text()));
                if (choices) {
                    ArrayNode ways = n.putArray("choices");
                    for (SourcePrecedence way : SourcePrecedence.of(paths, c)) {
                        ArrayNode outcome =
                                ways.addObject().put("text", way.text()).putArray("outcome");
                        way.outcome().forEach(outcome::add);
                    }
                }
            }
            out.json(all);
        } else {
            for (Contest c : contests) {
                out.line(opened.index().universe(c.universe()).label() + " at "
                        + opened.index().name(c.port()) + ": " + c.now());
                c.failures().forEach(f -> out.line("    " + f.text()));
                if (choices) {
                    SourcePrecedence.of(paths, c)
                            .forEach(way -> out.line("    Or " + way.text() + ": " + String.join(" ", way.outcome())));
                }
            }
        }
        return contests.stream().anyMatch(c -> c.fight(opened.index()).isPresent()) ? 1 : 0;
    }
}
