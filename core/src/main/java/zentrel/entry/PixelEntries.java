package zentrel.entry;

import java.util.List;
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

    static List<Field<PixelRun>> run() {
        FieldList<PixelRun> f = new FieldList<>(Kind.PIXEL_RUN);
        f.value("name", "Name", "name", Formats.TEXT, PixelRun::name, PixelRun::withName);
        f.value("shape", "Shape", "shape", PixelShapeFormat.SHAPE, PixelRun::shape, PixelRun::withShape);
        wiring(
                f,
                "first",
                "First pixel at",
                Formats.word(PixelCorner.class),
                PixelWiring::first,
                PixelWiring::withFirst);
        wiring(
                f,
                "by-columns",
                "Runs by columns",
                Formats.YES,
                PixelWiring::byColumns,
                PixelWiring::withByColumns,
                "byColumns");
        wiring(
                f,
                "serpentine",
                "Every second one runs back",
                Formats.YES,
                PixelWiring::serpentine,
                PixelWiring::withSerpentine);
        type(f, "chip", "Chip", Formats.word(PixelChip.class), PixelType::chip, PixelType::withChip);
        type(f, "order", "Order of colours", Formats.TEXT, PixelType::order, PixelType::withOrder);
        type(
                f,
                "bits",
                "Bits of a colour",
                Formats.whole("The bits of a colour", 8, 16),
                PixelType::bits,
                PixelType::withBits);
        type(
                f,
                "milliamps",
                "Milliamperes at full white",
                Formats.whole("The current of a pixel", 1, MOST_MILLIAMPS),
                PixelType::milliamps,
                PixelType::withMilliamps);
        placing(
                f,
                "position",
                "Lower left corner in metres",
                FixtureEntries.POSITION_FORMAT,
                PixelPlacing::at,
                PixelPlacing::withAt,
                "at");
        placing(
                f,
                "turn",
                "Turned clockwise by",
                Formats.whole("The turn", 0, 270),
                PixelPlacing::turn,
                PixelPlacing::withTurn);
        placing(f, "mirrored", "Mirrored", Formats.YES, PixelPlacing::mirrored, PixelPlacing::withMirrored);
        placing(f, "flat", "Lies on the floor", Formats.YES, PixelPlacing::flat, PixelPlacing::withFlat);
        f.optional(
                "fixture",
                "Fixture that it is",
                "fixture",
                Formats.reference(Kind.FIXTURE),
                PixelRun::fixture,
                PixelRun::withFixture);
        return f.all();
    }

    private static <V> void wiring(
            FieldList<PixelRun> f,
            String key,
            String title,
            Format<V> format,
            Function<PixelWiring, V> of,
            BiFunction<PixelWiring, V, PixelWiring> with,
            String... component) {
        f.value(
                key,
                title,
                "wiring." + (component.length > 0 ? component[0] : key),
                format,
                r -> of.apply(r.wiring()),
                (r, v) -> r.withWiring(with.apply(r.wiring(), v)));
    }

    private static <V> void type(
            FieldList<PixelRun> f,
            String key,
            String title,
            Format<V> format,
            Function<PixelType, V> of,
            BiFunction<PixelType, V, PixelType> with) {
        f.value(
                key,
                title,
                "type." + key,
                format,
                r -> of.apply(r.type()),
                (r, v) -> r.withType(with.apply(r.type(), v)));
    }

    private static <V> void placing(
            FieldList<PixelRun> f,
            String key,
            String title,
            Format<V> format,
            Function<PixelPlacing, V> of,
            BiFunction<PixelPlacing, V, PixelPlacing> with,
            String... component) {
        f.value(
                key,
                title,
                "placing." + (component.length > 0 ? component[0] : key),
                format,
                r -> of.apply(r.placing()),
                (r, v) -> r.withPlacing(with.apply(r.placing(), v)));
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
        f.value(
                "runs",
                "Its pixel runs, in order",
                "runs",
                Formats.list(Formats.reference(Kind.PIXEL_RUN)),
                PixelOutput::runs,
                PixelOutput::withRuns);
        f.value(
                "ports",
                "Its universes arrive by (; between them)",
                "ports",
                Formats.list(Formats.reference(Kind.PORT), ";"),
                PixelOutput::ports,
                PixelOutput::withPorts);
        division(
                f,
                "straddles",
                "A pixel may lie in two universes",
                Formats.YES,
                PixelDivision::straddles,
                PixelDivision::withStraddles,
                "straddles");
        division(
                f,
                "goes-on",
                "Goes on where the one before ends",
                Formats.YES,
                PixelDivision::goesOn,
                PixelDivision::withGoesOn,
                "goesOn");
        division(
                f,
                "first-slot",
                "First slot",
                Formats.whole("The first slot", 1, Universe.SLOTS),
                PixelDivision::firstSlot,
                PixelDivision::withFirstSlot,
                "firstSlot");
        division(
                f,
                "per-universe",
                "Most pixels in a universe (0: as many as fit)",
                Formats.whole("The most pixels in a universe", 0, Universe.SLOTS),
                PixelDivision::perUniverse,
                PixelDivision::withPerUniverse,
                "perUniverse");
        division(
                f,
                "skipped",
                "Dark pixels at the start",
                Formats.whole("The number of dark pixels", 0, MOST),
                PixelDivision::skipped,
                PixelDivision::withSkipped,
                "skipped");
        division(
                f,
                "together",
                "Pixels driven as one",
                Formats.whole("The number of pixels driven as one", 1, MOST),
                PixelDivision::together,
                PixelDivision::withTogether,
                "together");
        limits(
                f,
                "most-pixels",
                "Most pixels (0: not known)",
                MOST,
                PixelLimits::pixels,
                PixelLimits::withPixels,
                "pixels");
        limits(
                f,
                "most-universes",
                "Most universes (0: not known)",
                MOST,
                PixelLimits::universes,
                PixelLimits::withUniverses,
                "universes");
        limits(
                f,
                "rate",
                "Most frames a second (0: not known)",
                MOST_RATE,
                PixelLimits::rate,
                PixelLimits::withRate,
                "rate");
        limits(
                f,
                "wanted",
                "Frames a second that are wanted",
                MOST_RATE,
                PixelLimits::wanted,
                PixelLimits::withWanted,
                "wanted");
        supply(
                f,
                "volts",
                "Volts of the pixel supply",
                Formats.decimal("The voltage", 60),
                PixelSupply::volts,
                PixelSupply::withVolts,
                "volts");
        supply(
                f,
                "watts",
                "Watts that it gives (0: not known)",
                Formats.decimal("The power", 999_999),
                PixelSupply::watts,
                PixelSupply::withWatts,
                "watts");
        supply(
                f,
                "brightness",
                "Brightness limit, percent",
                Formats.whole("The brightness limit", 1, 100),
                PixelSupply::brightness,
                PixelSupply::withBrightness,
                "brightness");
        supply(
                f,
                "feeds",
                "Fed in at so many points",
                Formats.whole("The number of points", 1, 1000),
                PixelSupply::feeds,
                PixelSupply::withFeeds,
                "feeds");
        supply(
                f,
                "cable-metres",
                "Cable from the supply, metres",
                Formats.decimal("The length", MOST_METRES),
                PixelSupply::cableMetres,
                PixelSupply::withCableMetres,
                "cableMetres");
        supply(
                f,
                "cable-square",
                "Its cross section, mm²",
                Formats.decimal("The cross section", 1000),
                PixelSupply::cableSquare,
                PixelSupply::withCableSquare,
                "cableSquare");
        return f.all();
    }

    private static <V> void division(
            FieldList<PixelOutput> f,
            String key,
            String title,
            Format<V> format,
            Function<PixelDivision, V> of,
            BiFunction<PixelDivision, V, PixelDivision> with,
            String component) {
        f.value(
                key,
                title,
                "division." + component,
                format,
                o -> of.apply(o.division()),
                (o, v) -> o.withDivision(with.apply(o.division(), v)));
    }

    private static void limits(
            FieldList<PixelOutput> f,
            String key,
            String title,
            int most,
            Function<PixelLimits, Integer> of,
            BiFunction<PixelLimits, Integer, PixelLimits> with,
            String component) {
        f.value(
                key,
                title,
                "limits." + component,
                Formats.whole("This", 0, most),
                o -> of.apply(o.limits()),
                (o, v) -> o.withLimits(with.apply(o.limits(), v)));
    }

    private static <V> void supply(
            FieldList<PixelOutput> f,
            String key,
            String title,
            Format<V> format,
            Function<PixelSupply, V> of,
            BiFunction<PixelSupply, V, PixelSupply> with,
            String component) {
        f.value(
                key,
                title,
                "supply." + component,
                format,
                o -> of.apply(o.supply()),
                (o, v) -> o.withSupply(with.apply(o.supply(), v)));
    }
}
