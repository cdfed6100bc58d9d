package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.HopAnswer;
import zentrel.look.Look;
import zentrel.look.NextLook;
import zentrel.look.Seen;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.Answer;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** {@code zentrel next-look PLAN ID [--saw HOP=yes|no|cannot-tell …]}: where to look for what does not respond. */
@Command(
        name = "next-look",
        mixinStandardHelpOptions = true,
        description = "For what does not respond: the one observation that halves best what it may be.")
final class NextLookCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Parameters(index = "1", paramLabel = "ID", description = "A fixture, universe, port or link, by its id.")
    @SuppressWarnings("NullAway.Init")
    private String id;

    @Option(
            names = "--saw",
            paramLabel = "HOP=ANSWER",
            description =
                    "An answer so far: 1 to 10 (the hops of a second leg go on from 11), and yes, no or cannot-tell.")
    private List<HopAnswer> saw = new ArrayList<>();

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        Id<?> subject = opened.index()
                .idOf(id)
                .orElseThrow(() -> new Refusal("The plan has nothing with the id \"" + id + "\"."));
        SignalPath path = new SignalPaths(opened)
                .of(subject).paths().stream()
                        .filter(p -> p.source().isPresent() && p.receiver().isPresent())
                        .max(Comparator.comparing(SignalPath::verdict))
                        .orElseThrow(() -> new Refusal("No signal passes through " + id + "."));
        List<Hop> hops = path.hops().toList();
        List<Seen> seen = new ArrayList<>();
        seen.add(new Seen(hops.size() - 1, Answer.NO, Instant.EPOCH, "")); // it does not respond
        seen.addAll(Seen.of(opened, path)); // what the plan keeps of earlier looks
        for (HopAnswer one : saw) {
            if (one.hop() > hops.size()) {
                throw new Refusal("--saw: this path has " + hops.size() + " hops, not " + one.hop() + ".");
            }
            seen.add(new Seen(one.hop() - 1, one.answer(), Instant.EPOCH, ""));
        }
        NextLook look = NextLook.of(opened, path, seen);
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode left = root.putArray("left");
            look.left().forEach(p -> left.add(p + 1));
            root.put("says", look.says());
            look.next()
                    .ifPresentOrElse(
                            n -> root.putObject("next")
                                    .put("hop", n.place() + 1)
                                    .put("at", n.at().value())
                                    .put("question", n.question()),
                            () -> root.putNull("next"));
            out.json(root);
        } else {
            out.line(look.says());
            look.next().map(NextLookCommand::line).ifPresent(out::line);
        }
        return look.next().isPresent() ? 0 : 1;
    }

    private static String line(Look look) {
        return "Look at hop " + (look.place() + 1) + ": " + look.question();
    }
}
