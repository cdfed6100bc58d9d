package zentrel.app.shell;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.OutputFigures;
import zentrel.pixel.PixelSplit;
import zentrel.plan.*;
import zentrel.text.Counted;

/** What is told of pixels: what to set on the controller, and figures. */
final class PixelFacts {
    private PixelFacts() {}

    /** Names and values of an output, in order. */
    static Map<String, String> of(Plan plan, PixelOutput output) {
        Map<String, String> facts = new LinkedHashMap<>();
        ControllerSplit split = ControllerSplit.of(plan, output.receiver());
        Out out = split.find(output.id()).orElseThrow();
        output.ports().stream().findFirst().map(plan.index()::port).ifPresent(p -> {
            Application program = plan.index().applicationOf(p.id());
            facts.put(
                    "First universe",
                    p.universe()
                                    .map(u -> plan.index().universe(u).label() + ", ")
                                    .orElse("")
                            + p.protocol().planned().title() + " "
                            + p.wire()
                                    .map(w -> program.shown(p.protocol().planned(), w.planned()))
                                    .orElse("not set"));
        });
        facts.put("Universes", String.valueOf(out.universes()));
        facts.put(
                "Pixels",
                out.pixels()
                        + (output.limits().pixels() > 0
                                ? " of " + output.limits().pixels()
                                : ""));
        if (!out.runs().isEmpty()) {
            PixelType type = out.runs().get(0).type();
            int most = PixelSplit.Rules.whole(type.slots(), 1).mostInUniverse();
            facts.put("Chip, order", type.chip().title() + ", " + type.order());
            facts.put(
                    "New universe at",
                    (output.division().perUniverse() == 0
                                    ? most
                                    : Math.min(most, output.division().perUniverse()))
                            + " pixels"
                            + (output.division().straddles() ? ", a pixel may lie in two" : ""));
            figures(plan, out, facts);
        }
        if (out.universes() > 1) {
            facts.put(
                    "In one moment",
                    OutputFigures.tears(plan, output)
                            ? "no: a picture over " + out.universes() + " universes may tear; let the source send sync"
                            : "yes, by sync");
        }
        facts.put("Skip at the start", String.valueOf(output.division().skipped()));
        if (split.controllersNeeded() > 1) {
            facts.put("Needed", split.controllersNeeded() + " such controllers");
        }
        return facts;
    }

    private static void figures(Plan plan, Out out, Map<String, String> facts) {
        OutputFigures f = OutputFigures.of(plan, out);
        facts.put(
                "Pictures a second",
                one(Math.floor(f.refresh().reached() * 10) / 10) + ", limited by the "
                        + f.refresh().limit().word().replace('-', ' '));
        facts.put("Pixels for the wanted rate", "up to " + f.refresh().mostPixels());
        facts.put(
                "Draw",
                one(f.power().amps()) + " A, " + one(f.power().watts()) + " W at "
                        + out.output().supply().brightness() + " %");
        facts.put(
                "Supply, fuse",
                "from " + one(f.power().supplyWatts()) + " W, "
                        + (f.power().fuseAmps() > 0 ? one(f.power().fuseAmps()) + " A" : "divided over several"));
        facts.put(
                "Feeds",
                out.output().supply().feeds() + ", " + Counted.of(f.power().feeds(), "is", "are") + " needed");
    }

    private static String one(double value) {
        String text = String.format(Locale.ROOT, "%.1f", value);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }

    /** Names and values of a run, in order. */
    static Map<String, String> of(Plan plan, PixelRun run) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("Pixels", run.shape().counted() + " " + run.type().order());
        Optional<PixelOutput> output = ControllerSplit.outputOf(plan, run.id());
        facts.put(
                "On",
                output.map(o -> plan.index().get(o.receiver()).name() + ", " + o.name())
                        .orElse("no output"));
        output.map(o -> ControllerSplit.of(plan, o.receiver()).breaks(plan, run))
                .ifPresent(breaks -> {
                    int part = 1;
                    for (Break b : breaks) {
                        facts.put(
                                "Slots" + (breaks.size() == 1 ? "" : " " + part++),
                                plan.index().universe(b.universe()).label() + " " + b.start() + " to " + b.end());
                    }
                });
        facts.put(
                "Turn",
                (run.placing().turn() == 0 ? "none" : run.placing().turn() + "°")
                        + (run.placing().mirrored() ? ", mirrored" : ""));
        facts.put("Corner", run.placing().at() + " m");
        run.fixture().map(plan.index()::fixture).ifPresent(f -> facts.put("Fixture", f.label()));
        return facts;
    }
}
