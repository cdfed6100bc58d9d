package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.pixel.PixelPower;
import zentrel.pixel.PixelRefresh;
import zentrel.pixel.PixelSplit;
import zentrel.pixel.PlannedPixels;
import zentrel.profile.PixelChip;
import zentrel.text.Counted;

/** {@code zentrel pixels split|refresh|power|export}. */
@Command(
        name = "pixels",
        mixinStandardHelpOptions = true,
        description = "Splits pixels over universes, and works out their rate and their power.",
        subcommands = {
            PixelsCommand.Split.class,
            PixelsCommand.Refresh.class,
            PixelsCommand.Power.class,
            PixelsExport.class
        })
final class PixelsCommand implements Callable<Integer> {
    @Override
    public Integer call() throws Refusal {
        throw new Refusal("Write pixels split, pixels refresh, pixels power or pixels export.");
    }

    private static String shown(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    /** {@code zentrel pixels split}. */
    @Command(
            name = "split",
            mixinStandardHelpOptions = true,
            description =
                    "Which pixels of which output are in which universe: of a plan's pixel outputs, or of numbers.")
    static final class Split implements Callable<Integer> {
        @Parameters(
                index = "0",
                arity = "0..1",
                paramLabel = "PLAN",
                description = "A plan; or --pixels and --outputs.")
        private @Nullable String plan;

        @Option(names = "--pixels", paramLabel = "N", description = "How many pixels in all.")
        private @Nullable Integer pixels;

        @Option(
                names = "--outputs",
                paramLabel = "N",
                defaultValue = "1",
                description = "On how many outputs (default 1).")
        private int outputs;

        @Option(
                names = "--each",
                split = ",",
                paramLabel = "N",
                description = "Instead: how many pixels each output has, with commas between.")
        private @Nullable List<Integer> each;

        @Option(
                names = "--components",
                paramLabel = "N",
                defaultValue = "3",
                description = "Slots of a pixel: 3 for RGB (default), 4 for RGBW, twice that for 16 bits.")
        private int components;

        @Option(names = "--straddle", description = "A pixel may lie in two universes.")
        private boolean straddle;

        @Option(names = "--packed", description = "An output goes on where the one before ended.")
        private boolean packed;

        @Option(
                names = "--first-universe",
                paramLabel = "U",
                defaultValue = "1",
                description = "The first universe (default 1).")
        private int firstUniverse;

        @Option(
                names = "--first-slot",
                paramLabel = "S",
                defaultValue = "1",
                description = "The first slot (default 1).")
        private int firstSlot;

        @Option(
                names = "--per-universe",
                paramLabel = "N",
                defaultValue = "0",
                description = "The most pixels in a universe (default: as many as fit).")
        private int perUniverse;

        @Option(
                names = "--most-per-output",
                paramLabel = "N",
                description = "The most pixels that an output drives; says how many outputs are needed.")
        private @Nullable Integer most;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            PixelSplit split;
            try {
                if (plan != null) {
                    split = PlannedPixels.of(PlanArgument.open(plan).plan());
                } else if (pixels == null && each == null) {
                    throw new Refusal("Name a plan, or say how many with --pixels N --outputs N, or --each N,N,N.");
                } else {
                    PixelSplit.Rules rules =
                            new PixelSplit.Rules(components, straddle, packed, firstUniverse, firstSlot, perUniverse);
                    split = PixelSplit.of(
                            each != null ? each : PixelSplit.evenly(pixels == null ? 0 : pixels, outputs), rules);
                }
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            List<PixelSplit.Output> over = split.outputs().stream()
                    .filter(o -> most != null && o.pixels() > most)
                    .toList();
            if (out.json) {
                out.json(json(split, over));
            } else {
                split.outputs().forEach(o -> out.line(text(o)));
                out.line(
                        Counted.of(split.pixels(), "pixel") + " in " + Counted.of(split.universes(), "universe") + ".");
                over.forEach(o -> out.line("Output " + o.output() + " has " + o.pixels()
                        + " pixels, and an output drives " + most + "; " + needed(split) + " are needed in all."));
            }
            return over.isEmpty() ? 0 : 1;
        }

        private String needed(PixelSplit split) {
            int limit = most == null ? split.pixels() : Math.max(1, most);
            return Counted.of((split.pixels() + limit - 1L) / limit, "output");
        }

        private static String text(PixelSplit.Output o) {
            return "output " + o.output() + ": " + Counted.of(o.pixels(), "pixel") + ", " + o.channels() + " slots: "
                    + o.universes().stream()
                            .map(u -> "U" + u.number() + " " + u.pixels() + " from pixel " + u.firstPixel() + ", slots "
                                    + u.firstSlot() + "–" + (u.firstSlot() + u.slots() - 1)
                                    + (u.straddles() ? ", the last goes on" : ""))
                            .collect(Collectors.joining("; "));
        }

        private ObjectNode json(PixelSplit split, List<PixelSplit.Output> over) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode all = root.putArray("outputs");
            for (PixelSplit.Output o : split.outputs()) {
                ObjectNode n = all.addObject()
                        .put("output", o.output())
                        .put("pixels", o.pixels())
                        .put("channels", o.channels());
                ArrayNode universes = n.putArray("universes");
                o.universes()
                        .forEach(u -> universes
                                .addObject()
                                .put("number", u.number())
                                .put("firstPixel", u.firstPixel())
                                .put("pixels", u.pixels())
                                .put("firstSlot", u.firstSlot())
                                .put("slots", u.slots())
                                .put("straddles", u.straddles()));
            }
            root.put("universes", split.universes());
            root.put("pixels", split.pixels());
            ArrayNode tooLong = root.putArray("tooLong");
            over.forEach(o -> tooLong.add(o.output()));
            return root;
        }
    }

    /** {@code zentrel pixels refresh}. */
    @Command(
            name = "refresh",
            mixinStandardHelpOptions = true,
            description =
                    "How long a frame takes on an output, what limits the rate, and how many pixels reach a wanted one.")
    static final class Refresh implements Callable<Integer> {
        @Parameters(
                index = "0",
                arity = "0..1",
                paramLabel = "PLAN",
                description = "A plan: every pixel output of it; or --pixels.")
        private @Nullable String plan;

        @Option(names = "--pixels", paramLabel = "N", description = "Pixels on the output.")
        private int pixels;

        @Option(
                names = "--chip",
                paramLabel = "CHIP",
                defaultValue = "ws2812b",
                description = "ws2811, ws2812b (default), ws2813, ws2815, sk6812, apa102 or ws2801.")
        @SuppressWarnings("NullAway.Init")
        private String chip;

        @Option(
                names = "--components",
                paramLabel = "N",
                defaultValue = "3",
                description = "Colours of a pixel (default 3).")
        private int components;

        @Option(names = "--bits", paramLabel = "8|16", defaultValue = "8", description = "Bits of each (default 8).")
        private int bits;

        @Option(
                names = "--network-rate",
                paramLabel = "HZ",
                defaultValue = "44",
                description = "Frames a second that are sent (default 44).")
        private double network;

        @Option(
                names = "--controller-rate",
                paramLabel = "HZ",
                defaultValue = "1000",
                description = "Frames a second that the controller makes at most.")
        private double controller;

        @Option(
                names = "--wanted",
                paramLabel = "HZ",
                defaultValue = "40",
                description = "The rate that is wanted (default 40).")
        private double wanted;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            if (plan != null) {
                return PlanFigures.refresh(PlanArgument.open(plan).plan(), out);
            }
            if (pixels == 0) {
                throw new Refusal("Name a plan, or say how many with --pixels N.");
            }
            List<String> words = new ArrayList<>();
            PixelChip found = null;
            for (PixelChip each : PixelChip.values()) {
                words.add(each.word());
                found = each.word().equals(chip.toLowerCase(Locale.ROOT)) ? each : found;
            }
            if (found == null) {
                throw new Refusal("--chip: there is no \"" + chip + "\"; there are " + String.join(", ", words) + ".");
            }
            PixelRefresh r;
            try {
                r = PixelRefresh.of(found, pixels, components, bits, network, controller, wanted);
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            boolean reaches = r.reached() >= wanted;
            if (out.json) {
                out.json(Output.JSON
                        .objectNode()
                        .put("chip", found.word())
                        .put("frameMs", r.frameMillis())
                        .put("perSecond", r.perSecond())
                        .put("reached", r.reached())
                        .put("limit", r.limit().word())
                        .put("wanted", wanted)
                        .put("mostPixels", r.mostPixels()));
            } else {
                out.line(found.title() + ": a frame of " + pixels + " pixels takes " + shown(r.frameMillis()) + " ms, "
                        + shown(r.perSecond()) + " a second.");
                out.line("Reached: " + shown(r.reached()) + " a second; the "
                        + r.limit().word().replace('-', ' ') + " limits it. For " + shown(wanted)
                        + " a second an output has "
                        + r.mostPixels() + " pixels at most.");
            }
            return reaches ? 0 : 1;
        }
    }

    /** {@code zentrel pixels power}. */
    @Command(
            name = "power",
            mixinStandardHelpOptions = true,
            description = "Current and power of pixels, supply, fuse, feeds along the run, and what the cable loses.")
    static final class Power implements Callable<Integer> {
        @Parameters(
                index = "0",
                arity = "0..1",
                paramLabel = "PLAN",
                description = "A plan: every pixel output of it; or --pixels.")
        private @Nullable String plan;

        @Option(names = "--pixels", paramLabel = "N", description = "How many pixels.")
        private int pixels;

        @Option(
                names = "--milliamps",
                paramLabel = "MA",
                defaultValue = "60",
                description = "Of one pixel at full white (default 60; about 80 for RGBW).")
        private double milliamps;

        @Option(names = "--volts", paramLabel = "V", defaultValue = "5", description = "Of the supply (default 5).")
        private double volts;

        @Option(
                names = "--limit",
                paramLabel = "PERCENT",
                defaultValue = "100",
                description = "The brightness allowed (default 100).")
        private double limit;

        @Option(names = "--run", paramLabel = "M", defaultValue = "0", description = "Length of the run, metres.")
        private double run;

        @Option(
                names = "--run-ohms",
                paramLabel = "OHM",
                defaultValue = "0.1",
                description = "Resistance of a metre of the run, both ways (default 0.1).")
        private double ohms;

        @Option(
                names = "--cable",
                paramLabel = "M",
                defaultValue = "0",
                description = "Length of the cable from the supply, metres.")
        private double cable;

        @Option(
                names = "--square",
                paramLabel = "MM2",
                defaultValue = "1.5",
                description = "Its cross section, mm² (default 1.5).")
        private double square;

        @Option(
                names = "--drop",
                paramLabel = "PERCENT",
                defaultValue = "10",
                description = "Of the voltage, lost along the run at most (default 10).")
        private double drop;

        @Option(names = "--supply", paramLabel = "W", description = "What the supply gives; says whether it is enough.")
        private @Nullable Double supply;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            if (plan != null) {
                return PlanFigures.power(PlanArgument.open(plan).plan(), out);
            }
            if (pixels == 0) {
                throw new Refusal("Name a plan, or say how many with --pixels N.");
            }
            PixelPower p;
            try {
                p = PixelPower.of(new PixelPower.Run(
                        pixels, milliamps, limit / 100, volts, run, ohms, cable, square, drop / 100));
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            boolean enough = supply == null || supply >= p.watts();
            if (out.json) {
                ObjectNode root = Output.JSON
                        .objectNode()
                        .put("amps", p.amps())
                        .put("watts", p.watts())
                        .put("supplyWatts", p.supplyWatts())
                        .put("fuseAmps", p.fuseAmps())
                        .put("feeds", p.feeds())
                        .put("dropVolts", p.dropVolts())
                        .put("dropVoltsOneFeed", p.dropOneFeed())
                        .put("cableDropVolts", p.cableDrop())
                        .put("enough", enough);
                out.json(root);
            } else {
                Arrays.asList(
                                pixels + " × " + shown(milliamps) + " mA at " + shown(limit) + " % and " + shown(volts)
                                        + " V: " + shown(p.amps()) + " A, " + shown(p.watts()) + " W.",
                                "Supply: " + shown(p.supplyWatts()) + " W or more. "
                                        + (p.fuseAmps() > 0
                                                ? "Fuse: " + shown(p.fuseAmps()) + " A."
                                                : "No single fuse is large enough; divide it."),
                                "Along the run: " + Counted.of(p.feeds(), "feed") + ", " + shown(p.dropVolts())
                                        + " V lost ("
                                        + shown(p.dropOneFeed()) + " V from one end only). On the cable: "
                                        + shown(p.cableDrop()) + " V.")
                        .forEach(out::line);
                if (!enough) {
                    out.line("The supply of " + shown(supply == null ? 0 : supply)
                            + " W is too small; limit the brightness to "
                            + (int) Math.floor(limit * (supply == null ? 0 : supply) / p.watts()) + " %.");
                }
            }
            return enough ? 0 : 1;
        }
    }
}
