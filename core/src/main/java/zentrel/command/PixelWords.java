package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.gear.PixelEdits;
import zentrel.gear.PixelSpread;
import zentrel.plan.*;

/** Lines about pixels. */
final class PixelWords {
    private static final Pattern COUNTED = Pattern.compile("(\\d{1,7})(?:[x×](\\d{1,7}))?");
    private static final Pattern GRID = Pattern.compile("(\\d+) *[xX×] *(\\d+)");
    private static final Pattern METRES = Pattern.compile("(\\d{1,5}(?:[.,]\\d{1,4})?)(mm|m)");
    private static final Set<String> GRIDS = Set.of("panel", "panels", "grid", "grids", "matrix");
    private static final Set<String> LOOPS = Set.of("loop", "loops", "ring", "rings");
    private static final double USUAL_PITCH = 0.0166;

    private final Plan plan;
    private final Things things;

    PixelWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code pixels [COUNT] KIND of PIXELS [ORDER] [at PITCH] [on CONTROLLER] [from UNIVERSE]}. */
    List<Offer> pixels(List<String> typed) {
        List<String> words = new ArrayList<>(typed);
        Map<String, String> parts = Words.parts(words, Set.of("of", "at", "on", "from"));
        int count = 1;
        if (!words.isEmpty() && words.get(0).matches("\\d{1,3}")) {
            count = Integer.parseInt(words.remove(0));
        }
        String kind = words.isEmpty() ? "strip" : String.join(" ", words);
        List<String> of = List.of(
                GRID.matcher(parts.getOrDefault("of", "")).replaceAll("$1x$2").split(" ", -1));
        Matcher counted = COUNTED.matcher(of.get(0));
        if (!counted.matches()) {
            return List.of();
        }
        PixelShape shape = shape(kind, counted, pitch(parts.getOrDefault("at", "")));
        PixelType type = of.size() > 1 ? PixelType.USUAL.withOrder(of.get(1)) : PixelType.USUAL;
        String name = one(kind);
        Optional<Integer> first =
                Words.number(List.of(parts.getOrDefault("from", "").split(" ", -1)));
        int n = count;
        List<String> on = List.of(parts.getOrDefault("on", "").split(" ", -1));
        String said = "Add " + n + " × " + name + " of " + shape.counted() + " " + type.order() + " pixels";
        return things
                .named(
                        on.get(0).isEmpty() ? List.of() : on,
                        PixelEdits.controllers(plan),
                        r -> true,
                        "a pixel controller")
                .stream()
                .map(r -> Offer.of(
                        said + " to " + r.name()
                                + first.map(u -> ", from U" + u).orElse(""),
                        () -> PixelEdits.add(plan, r, n, name, shape, type, first, Optional.empty())))
                .toList();
    }

    private static PixelShape shape(String kind, Matcher counted, double pitch) {
        int columns = Integer.parseInt(counted.group(1));
        if (counted.group(2) != null || GRIDS.contains(kind.toLowerCase(Locale.ROOT))) {
            return PixelShape.grid(columns, counted.group(2) == null ? 1 : Integer.parseInt(counted.group(2)), pitch);
        }
        return LOOPS.contains(kind.toLowerCase(Locale.ROOT))
                ? PixelShape.strip(columns, pitch).withForm(PixelForm.LOOP)
                : PixelShape.strip(columns, pitch);
    }

    private static double pitch(String text) {
        if (text.isEmpty()) {
            return USUAL_PITCH;
        }
        Matcher m = METRES.matcher(text.replace(" ", "").toLowerCase(Locale.ROOT));
        if (!m.matches()) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is no distance from pixel to pixel; write 16 mm or 0.05 m.");
        }
        return Double.parseDouble(m.group(1).replace(',', '.')) / (m.group(2).equals("mm") ? 1000 : 1);
    }

    /** "strips" as one of them is called: "Strip". */
    private static String one(String kind) {
        String single = kind.length() > 2 && kind.endsWith("s") ? kind.substring(0, kind.length() - 1) : kind;
        return single.substring(0, 1).toUpperCase(Locale.ROOT) + single.substring(1);
    }

    /** {@code turn PIXELS by DEGREES}. */
    List<Offer> turn(List<String> words) {
        List<List<String>> sides = Words.around(words, "by");
        int degrees = Words.number(sides.get(1)).orElse(90);
        return runs(sides.get(0)).stream()
                .map(r -> Offer.of(
                        "Turn " + r.name() + " clockwise by " + degrees + "°", () -> PixelEdits.turn(r, degrees)))
                .toList();
    }

    /** {@code mirror RUN}. */
    List<Offer> mirror(List<String> words) {
        return runs(words).stream()
                .map(r -> Offer.of("Mirror " + r.name(), () -> PixelEdits.mirror(r)))
                .toList();
    }

    private List<PixelRun> runs(List<String> words) {
        return things.named(words, plan.pixelRuns(), r -> true, "a pixel run");
    }

    /** {@code spread CONTROLLER [from UNIVERSE]}. */
    List<Offer> spread(List<String> words) {
        List<List<String>> sides = Words.around(words, "from");
        Optional<Integer> first = Words.number(sides.get(1));
        return things
                .named(
                        sides.get(0),
                        PixelEdits.controllers(plan),
                        r -> plan.pixelOutputs().stream()
                                .anyMatch(o -> o.receiver().equals(r.id())),
                        "a controller with pixels")
                .stream()
                .map(r -> Offer.of(
                        "Spread the pixels of " + r.name() + " over universes"
                                + first.map(u -> " from U" + u).orElse(""),
                        () -> PixelSpread.of(plan, r.id(), first, Optional.empty())))
                .toList();
    }
}
