package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.check.Check;
import zentrel.check.PathFindings;
import zentrel.check.Report;
import zentrel.look.Beside;
import zentrel.path.Hop;
import zentrel.path.Issue;
import zentrel.path.Leg;
import zentrel.path.PathReport;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** {@code zentrel path PLAN --fixture ID | --universe ID | --link ID}: the ten hops, judged. */
@Command(name = "path", mixinStandardHelpOptions = true, description = "Judges the signal path hop by hop.")
final class PathCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @ArgGroup(multiplicity = "1")
    @SuppressWarnings("NullAway.Init")
    private Subject subject;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    static final class Subject {
        @Option(names = "--fixture", paramLabel = "ID", description = "The paths that end at a fixture.")
        @Nullable String fixture;

        @Option(names = "--universe", paramLabel = "ID", description = "The paths of a universe to each of its ports.")
        @Nullable String universe;

        @Option(names = "--link", paramLabel = "ID", description = "The path of a control link.")
        @Nullable String link;
    }

    @Option(names = "--beside", description = "Says too where the worst of them parts from a path that works.")
    private boolean beside;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        Report checked = Check.run(opened);
        SignalPaths all = checked.signalPaths();
        PathReport report = PathFindings.of(checked, judge(all));
        Optional<Beside> works = report.paths().stream()
                .filter(p -> beside && p.verdict() != Verdict.PASSES)
                .max(java.util.Comparator.comparing(SignalPath::verdict))
                .flatMap(p -> Beside.of(all, p));
        if (out.json) {
            ObjectNode root = json(checked, report);
            works.ifPresent(b -> beside(root.putObject("beside"), b));
            out.json(root);
        } else {
            print(checked, report);
            works.ifPresent(b -> out.line(b.says()));
        }
        return report.verdict() == Verdict.BROKEN ? 1 : 0;
    }

    private PathReport judge(SignalPaths paths) throws Refusal {
        try {
            if (subject.fixture != null) {
                return paths.ofFixture(Kind.FIXTURE.id(subject.fixture));
            }
            if (subject.universe != null) {
                return paths.ofUniverse(Kind.UNIVERSE.id(subject.universe));
            }
            return paths.ofLink(Kind.LINK.id(String.valueOf(subject.link)));
        } catch (IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
    }

    private static ObjectNode json(Report checked, PathReport report) {
        ObjectNode root = Output.JSON.objectNode();
        root.put("verdict", report.verdict().word());
        ArrayNode paths = root.putArray("paths");
        for (SignalPath path : report.paths()) {
            ObjectNode p = paths.addObject();
            p.put("source", path.source().map(i -> i.value()).orElse(null));
            p.put("receiver", path.receiver().map(i -> i.value()).orElse(null));
            p.put("protocol", path.protocol());
            p.put("delivery", path.delivery());
            p.put("verdict", path.verdict().word());
            ArrayNode legs = p.putArray("legs");
            for (Leg leg : path.legs()) {
                ObjectNode l = legs.addObject();
                l.put("from", leg.from().value());
                l.put("to", leg.to().value());
                ArrayNode hops = l.putArray("hops");
                leg.hops().forEach(h -> hop(hops.addObject(), checked, h));
            }
        }
        return root;
    }

    private static void beside(ObjectNode node, Beside beside) {
        node.put("source", beside.works().source().map(i -> i.value()).orElse(null));
        node.put("receiver", beside.works().receiver().map(i -> i.value()).orElse(null));
        ArrayNode differ = node.putArray("differ");
        beside.differ().forEach(place -> differ.add(place + 1));
        node.put("says", beside.says());
    }

    private static void hop(ObjectNode node, Report checked, Hop hop) {
        Optional<Issue> issue = hop.issue();
        node.put("hop", hop.kind().number());
        node.put("at", hop.at().value());
        node.put("verdict", hop.verdict().word());
        node.put("reason", issue.map(i -> i.reason().code()).orElse(null));
        node.put("text", PathWords.of(checked.signalPaths()).text(hop));
        node.put("cause", issue.map(i -> i.cause().value()).orElse(null));
        node.put(
                "fix",
                issue.filter(i -> PathFindings.hasFix(checked, i))
                        .map(Issue::fixId)
                        .orElse(null));
    }

    private void print(Report checked, PathReport report) {
        PathWords words = PathWords.of(checked.signalPaths());
        for (SignalPath path : report.paths()) {
            String from = path.source().map(checked.plan().index()::name).orElse("nobody");
            String to = path.receiver().map(checked.plan().index()::name).orElse("nobody");
            out.line(from + " to " + to + "  " + path.protocol() + " " + path.delivery() + ": "
                    + path.verdict().title());
            for (Leg leg : path.legs()) {
                for (Hop hop : leg.hops()) {
                    String mark = switch (hop.verdict()) {
                        case PASSES -> "  ok  ";
                        case NOT_APPLICABLE -> "  –   ";
                        case NOT_KNOWN -> "  ?   ";
                        case AT_RISK -> " risk ";
                        case BROKEN -> "FAILS ";
                    };
                    out.line("  %2d%s%s"
                            .formatted(
                                    hop.kind().number(),
                                    hop.would() && hop.verdict() == Verdict.BROKEN ? " too  " : mark,
                                    words.text(hop)));
                }
            }
        }
    }
}
