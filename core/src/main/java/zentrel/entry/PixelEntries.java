package zentrel.entry;

import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import zentrel.plan.*;
import zentrel.profile.PixelChip;

/** What can be entered of pixel runs and of the outputs that drive them. */
final class PixelEntries {
    private static final int MOST = PixelPoints.MOST;
    private static final int MOST_MILLIAMPS = 10_000;
    private static final int MOST_RATE = 10_000;
    private static final double MOST_METRES = 100_000;

    private PixelEntries() {}

    /**
     * Fields of a part of an entity.
     *
     * @param part the component that it is
     */
    private record Inner<E, I>(FieldList<E> fields, String part, Function<E, I> of, BiFunction<E, I, E> with) {
        <V> void value(
                String key,
                String title,
                String component,
                Format<V> format,
                Function<I, V> get,
                BiFunction<I, V, I> set) {
            fields.value(
                    key,
                    title,
                    part + "." + component,
                    format,
                    e -> get.apply(of.apply(e)),
                    (e, v) -> with.apply(e, set.apply(of.apply(e), v)));
        }

        void number(
                String key,
                String title,
                String component,
                int most,
                Function<I, Integer> get,
                BiFunction<I, Integer, I> set) {
            value(key, title, component, Formats.whole("This number", 0, most), get, set);
        }
    }

    static List<Field<PixelRun>> run() {
        FieldList<PixelRun> f = new FieldList<>(Kind.PIXEL_RUN);
        f.value("name", "Name", "name", Formats.TEXT, PixelRun::name, PixelRun::withName);
        f.value("shape", "Shape", "shape", PixelShapeFormat.SHAPE, PixelRun::shape, PixelRun::withShape);
        Inner<PixelRun, PixelWiring> wiring = new Inner<>(f, "wiring", PixelRun::wiring, PixelRun::withWiring);
        wiring.value(
                "first",
                "First pixel at",
                "first",
                Formats.word(PixelCorner.class),
                PixelWiring::first,
                PixelWiring::withFirst);
        wiring.value(
                "by-columns",
                "Runs by columns",
                "byColumns",
                Formats.YES,
                PixelWiring::byColumns,
                PixelWiring::withByColumns);
        wiring.value(
                "serpentine",
                "Every second one runs back",
                "serpentine",
                Formats.YES,
                PixelWiring::serpentine,
                PixelWiring::withSerpentine);
        Inner<PixelRun, PixelType> type = new Inner<>(f, "type", PixelRun::type, PixelRun::withType);
        type.value("chip", "Chip", "chip", Formats.word(PixelChip.class), PixelType::chip, PixelType::withChip);
        type.value("order", "Order of colours", "order", Formats.TEXT, PixelType::order, PixelType::withOrder);
        type.number("bits", "Bits of a colour, 8 or 16", "bits", 16, PixelType::bits, PixelType::withBits);
        type.number(
                "milliamps",
                "Milliamperes at full white",
                "milliamps",
                MOST_MILLIAMPS,
                PixelType::milliamps,
                PixelType::withMilliamps);
        Inner<PixelRun, PixelPlacing> placing = new Inner<>(f, "placing", PixelRun::placing, PixelRun::withPlacing);
        placing.value(
                "position",
                "Lower left corner in metres",
                "at",
                FixtureEntries.POSITION_FORMAT,
                PixelPlacing::at,
                PixelPlacing::withAt);
        placing.number(
                "turn",
                "Turned clockwise by: 0, 90, 180 or 270",
                "turn",
                270,
                PixelPlacing::turn,
                PixelPlacing::withTurn);
        placing.value(
                "mirrored", "Mirrored", "mirrored", Formats.YES, PixelPlacing::mirrored, PixelPlacing::withMirrored);
        placing.value("flat", "Lies on the floor", "flat", Formats.YES, PixelPlacing::flat, PixelPlacing::withFlat);
        f.optional(
                "fixture",
                "Fixture that it is",
                "fixture",
                Formats.reference(Kind.FIXTURE),
                PixelRun::fixture,
                PixelRun::withFixture);
        return f.all();
    }

    /** Pixels hang on one output: data that came by two would not reach them by either. */
    private static void requireFree(Plan plan, PixelOutput output, List<Id<PixelRun>> runs) {
        for (PixelOutput other : plan.pixelOutputs()) {
            for (Id<PixelRun> run : runs) {
                if (!other.id().equals(output.id()) && other.runs().contains(run)) {
                    throw new IllegalArgumentException(plan.index().get(run).name() + " hangs on "
                            + plan.index().name(other.id()) + "; take it off there first.");
                }
            }
        }
    }

    static List<Field<PixelOutput>> output() {
        FieldList<PixelOutput> f = new FieldList<>(Kind.PIXEL_OUTPUT);
        f.value("name", "Name", "name", Formats.TEXT, PixelOutput::name, PixelOutput::withName);
        f.value(
                "receiver",
                "Of the controller",
                "receiver",
                Formats.reference(Kind.RECEIVER),
                PixelOutput::receiver,
                PixelOutput::withReceiver);
        Format<List<Id<PixelRun>>> runs = Formats.list(Formats.reference(Kind.PIXEL_RUN));
        f.any(
                "runs",
                "Its pixel runs, in order",
                "runs",
                runs,
                (plan, o) -> new Field.Shown(runs.shown(plan, o.runs()), Optional.empty()),
                (plan, o, text) -> {
                    List<Id<PixelRun>> read = runs.read(plan, text);
                    requireFree(plan, o, read);
                    return plan.with(o.id(), x -> x.withRuns(read));
                });
        f.value(
                "ports",
                "Its universes arrive by (; between them)",
                "ports",
                Formats.list(Formats.reference(Kind.PORT), ";"),
                PixelOutput::ports,
                PixelOutput::withPorts);
        Inner<PixelOutput, PixelDivision> division =
                new Inner<>(f, "division", PixelOutput::division, PixelOutput::withDivision);
        division.value(
                "straddles",
                "A pixel may lie in two universes",
                "straddles",
                Formats.YES,
                PixelDivision::straddles,
                PixelDivision::withStraddles);
        division.value(
                "goes-on",
                "Goes on where the one before ends",
                "goesOn",
                Formats.YES,
                PixelDivision::goesOn,
                PixelDivision::withGoesOn);
        division.number(
                "first-slot",
                "First slot",
                "firstSlot",
                Universe.SLOTS,
                PixelDivision::firstSlot,
                PixelDivision::withFirstSlot);
        division.number(
                "per-universe",
                "Most pixels in a universe (0: as many as fit)",
                "perUniverse",
                Universe.SLOTS,
                PixelDivision::perUniverse,
                PixelDivision::withPerUniverse);
        division.number(
                "skipped",
                "Dark pixels at the start",
                "skipped",
                MOST,
                PixelDivision::skipped,
                PixelDivision::withSkipped);
        division.number(
                "together",
                "Pixels driven as one",
                "together",
                MOST,
                PixelDivision::together,
                PixelDivision::withTogether);
        Inner<PixelOutput, PixelLimits> limits = new Inner<>(f, "limits", PixelOutput::limits, PixelOutput::withLimits);
        limits.number(
                "most-pixels",
                "Most pixels (0: not known)",
                "pixels",
                MOST,
                PixelLimits::pixels,
                PixelLimits::withPixels);
        limits.number(
                "most-universes",
                "Most universes (0: not known)",
                "universes",
                MOST,
                PixelLimits::universes,
                PixelLimits::withUniverses);
        limits.number(
                "rate",
                "Most frames a second (0: not known)",
                "rate",
                MOST_RATE,
                PixelLimits::rate,
                PixelLimits::withRate);
        limits.number(
                "wanted",
                "Frames a second that are wanted",
                "wanted",
                MOST_RATE,
                PixelLimits::wanted,
                PixelLimits::withWanted);
        Inner<PixelOutput, PixelSupply> supply = new Inner<>(f, "supply", PixelOutput::supply, PixelOutput::withSupply);
        supply.value(
                "volts",
                "Volts of the pixel supply",
                "volts",
                Formats.decimal("The voltage", 60),
                PixelSupply::volts,
                PixelSupply::withVolts);
        supply.value(
                "watts",
                "Watts that it gives (0: not known)",
                "watts",
                Formats.decimal("The power", 999_999),
                PixelSupply::watts,
                PixelSupply::withWatts);
        supply.number(
                "brightness",
                "Brightness limit, percent",
                "brightness",
                100,
                PixelSupply::brightness,
                PixelSupply::withBrightness);
        supply.number("feeds", "Fed in at so many points", "feeds", 1000, PixelSupply::feeds, PixelSupply::withFeeds);
        supply.value(
                "cable-metres",
                "Cable from the supply, metres",
                "cableMetres",
                Formats.decimal("The length", MOST_METRES),
                PixelSupply::cableMetres,
                PixelSupply::withCableMetres);
        supply.value(
                "cable-square",
                "Its cross section, mm²",
                "cableSquare",
                Formats.decimal("The cross section", 1000),
                PixelSupply::cableSquare,
                PixelSupply::withCableSquare);
        return f.all();
    }
}
