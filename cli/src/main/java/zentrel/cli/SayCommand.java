package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.command.Usages;
import zentrel.file.LoadedPlan;
import zentrel.gear.Library;
import zentrel.plan.Plan;

/** {@code zentrel say PLAN|- LINE … -o OUT}: what can be typed into the window's line, as a script. */
@Command(
        name = "say",
        mixinStandardHelpOptions = true,
        description = {
            "Changes a plan by lines of words, as typed into the window, and writes the result.",
            "Each line is taken as the first that it can mean. Nothing is written unless all lines can be done.",
            "Exit code 1 if a line was refused."
        })
final class SayCommand implements Callable<Integer> {
    @Parameters(
            index = "0",
            paramLabel = "PLAN",
            description = "A plan file, demo:draft, demo:ready, or - for an empty plan.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    @Parameters(index = "1..*", paramLabel = "LINE", description = "Lines, one argument each.")
    private List<String> lines = new ArrayList<>();

    @Option(
            names = "--file",
            paramLabel = "LINES",
            description = "A text file of lines, before those given; an empty line or one from # on says nothing.")
    private Optional<Path> file = Optional.empty();

    @Option(
            names = {"-o", "--output"},
            paramLabel = "OUT",
            description = "The plan file to write; without it the lines are only tried.")
    private Optional<Path> output = Optional.empty();

    @Option(names = "--keep-going", description = "Write what could be done, even if lines were refused.")
    private boolean keepGoing;

    @Option(names = "--forms", description = "List every form that a line can have, and do nothing else.")
    private boolean forms;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (forms) {
            Usages.ALL.forEach(u -> out.line(u.form() + "\n    " + u.does() + "; for example: " + u.example()));
            return 0;
        }
        LoadedPlan loaded = name.equals("-") ? LoadedPlan.of(Plan.EMPTY) : PlanArgument.open(name);
        Plan now = loaded.plan();
        Library library = Library.shipped();
        ArrayNode done = Output.JSON.arrayNode();
        ArrayNode refused = Output.JSON.arrayNode();
        for (String line : all()) {
            now = said(now, library, line, done, refused);
        }
        boolean wanted = refused.isEmpty() || keepGoing;
        if (wanted && output.isPresent()) {
            PlanArgument.save(new LoadedPlan(now, loaded.unknown()), output.get());
        }
        print(done, refused);
        return refused.isEmpty() ? 0 : 1;
    }

    private List<String> all() throws Refusal {
        List<String> all = new ArrayList<>();
        if (file.isPresent()) {
            try {
                Files.readString(file.get(), StandardCharsets.UTF_8)
                        .lines()
                        .map(l -> l.replaceFirst("(^|\\s)#.*", "").strip())
                        .filter(l -> !l.isEmpty())
                        .forEach(all::add);
            } catch (IOException e) {
                throw new Refusal("The lines in " + file.get() + " cannot be read: " + e.getMessage() + ".", e);
            }
        }
        all.addAll(lines);
        return all;
    }

    private static Plan said(Plan plan, Library library, String line, ArrayNode done, ArrayNode refused) {
        Commands.Reading reading = new Commands(plan, library, null).read(line);
        List<Offer> offers = reading.offers();
        if (offers.isEmpty()) {
            refuse(refused, line, reading.why().orElse("This line says nothing."), List.of());
            return plan;
        }
        try {
            Plan after = offers.get(0).work().get().edit().applyTo(plan);
            done.addObject().put("line", line).put("text", offers.get(0).text());
            return after;
        } catch (IllegalArgumentException e) {
            refuse(refused, line, String.valueOf(e.getMessage()), offers);
            return plan;
        }
    }

    private static void refuse(ArrayNode refused, String line, String why, List<Offer> offers) {
        ArrayNode others = refused.addObject().put("line", line).put("why", why).putArray("offers");
        offers.forEach(o -> others.add(o.text()));
    }

    private void print(ArrayNode done, ArrayNode refused) {
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            root.set("done", done);
            root.set("refused", refused);
            out.json(root);
            return;
        }
        done.forEach(d -> out.line(d.path("text").asText()));
        refused.forEach(r -> out.line(
                "Refused: " + r.path("line").asText() + "\n    " + r.path("why").asText()));
        if (!refused.isEmpty() && output.isPresent()) {
            out.line(keepGoing ? "The rest was written." : "Nothing was written.");
        }
    }
}
