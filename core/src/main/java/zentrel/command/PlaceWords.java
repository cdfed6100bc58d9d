package zentrel.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zentrel.entry.FixtureEntries;
import zentrel.entry.PlaceEntries;
import zentrel.gear.PlaceEdits;
import zentrel.gear.Spots;
import zentrel.plan.*;

/** Lines about the place and where things are in it. */
final class PlaceWords {
    private static final Pattern GRID_STEP =
            Pattern.compile("(\\d{1,4}(?:[.,]\\d{1,3})?)[x×](\\d{1,4}(?:[.,]\\d{1,3})?)");
    private static final Pattern METRES = Pattern.compile("(-?\\d{1,5}(?:[.,]\\d{1,3})?)(?:m|°)?");
    private static final int MOST_NAMED = 4;

    private final Plan plan;
    private final Things things;
    private final PatchWords patch;

    PlaceWords(Things things, PatchWords patch) {
        this.things = things;
        this.patch = patch;
        plan = things.plan();
    }

    private static Position position(String text) {
        return FixtureEntries.POSITION_FORMAT.read(Plan.EMPTY, text);
    }

    private static double number(String text, String what) {
        Matcher m = METRES.matcher(text.replace(" ", "").toLowerCase(Locale.ROOT));
        if (!m.matches()) {
            throw new IllegalArgumentException("\"" + text + "\" is no " + what + ".");
        }
        return Double.parseDouble(m.group(1).replace(',', '.'));
    }

    /** Any number of degrees as a turn. */
    private static double turn(String text) {
        double degrees = number(text, "number of degrees") % 360;
        return degrees < 0 ? degrees + 360 : degrees;
    }

    /** {@code build [COUNT] FORM [NAME] of SIZE at POSITION [turned DEGREES]}; several stand along a line, on an arc or in a grid. */
    List<Offer> build(List<String> typed) {
        List<String> words = new ArrayList<>(typed);
        Map<String, String> parts = Words.parts(
                words, Set.of("of", "at", "turned", "from", "to", "around", "radius", "grid", "by", "every"));
        int count = !words.isEmpty() && words.get(0).matches("\\d{1,3}") ? Integer.parseInt(words.remove(0)) : 1;
        if (words.isEmpty()) {
            return List.of();
        }
        String form = words.remove(0).toLowerCase(Locale.ROOT);
        Optional<BodyForm> found = Arrays.stream(BodyForm.values())
                .filter(f -> f.word().equals(form))
                .findFirst();
        if (found.isEmpty()) {
            things.note("There is no form \"" + form + "\"; build "
                    + Arrays.stream(BodyForm.values()).map(BodyForm::word).collect(Collectors.joining(", ")) + ".");
            return List.of();
        }
        BodySize size = parts.containsKey("of")
                ? PlaceEntries.SIZE_FORMAT.read(plan, parts.get("of"))
                : PlaceEdits.usualSize(found.get());
        List<Position> at = spots(parts, count).orElseGet(() -> List.of(position("0/0/0")));
        if (at.isEmpty()) {
            throw new IllegalArgumentException("Build at least one, not 0.");
        }
        double turn = turn(parts.getOrDefault("turned", "0"));
        String name = String.join(" ", words);
        return List.of(Offer.of(
                "Build " + (count > 1 ? count + " × " : "")
                        + (name.isEmpty() ? (count > 1 ? "" : "a ") + form : name) + " of " + size + " m "
                        + (at.size() > 1 ? "from " + at.get(0) + " on" : "at " + at.get(0)),
                () -> PlaceEdits.build(plan, found.get(), name, size, turn, at)));
    }

    /** {@code hang|stand NUMBERS at P | from P to P | around P radius R [from A to A] | grid P by COUNT every XxY}. */
    List<Offer> put(List<String> typed, boolean standing) {
        List<String> words = new ArrayList<>(typed);
        Map<String, String> parts =
                Words.parts(words, Set.of("at", "from", "to", "around", "radius", "grid", "by", "every"));
        List<Fixture> fixtures = patch.numbered(words);
        if (fixtures.isEmpty()) {
            return List.of();
        }
        Optional<List<Position>> spots = spots(parts, fixtures.size());
        return spots.map(s -> List.of(Offer.of(
                        (standing ? "Stand " : "Hang ") + PatchWords.said(fixtures) + " "
                                + (s.size() == 1 ? "at " + s.get(0) : "from " + s.get(0) + " on"),
                        () -> PlaceEdits.put(fixtures, s, Optional.of(standing)))))
                .orElse(List.of());
    }

    private static Optional<List<Position>> spots(Map<String, String> parts, int count) {
        if (parts.containsKey("around")) {
            return Optional.of(Spots.arc(
                    position(parts.get("around")),
                    number(parts.getOrDefault("radius", "1"), "radius in metres"),
                    number(parts.getOrDefault("from", "0"), "number of degrees"),
                    number(parts.getOrDefault("to", "360"), "number of degrees"),
                    count));
        }
        if (parts.containsKey("grid")) {
            Matcher step = GRID_STEP.matcher(parts.getOrDefault("every", "1x1").replace(" ", ""));
            if (!step.matches()) {
                throw new IllegalArgumentException(
                        "\"" + parts.get("every") + "\" is no distance to the right and away; write 2x3.");
            }
            int columns = (int) number(parts.getOrDefault("by", "1"), "number of columns");
            if (columns < 1) {
                throw new IllegalArgumentException("A grid has at least one column.");
            }
            return Optional.of(Spots.grid(
                    position(parts.get("grid")),
                    columns,
                    number(step.group(1), "distance"),
                    number(step.group(2), "distance"),
                    count));
        }
        if (parts.containsKey("from") && parts.containsKey("to")) {
            return Optional.of(Spots.line(position(parts.get("from")), position(parts.get("to")), count));
        }
        return parts.containsKey("at")
                ? Optional.of(Spots.line(position(parts.get("at")), position(parts.get("at")), count))
                : Optional.empty();
    }

    /** {@code point NUMBERS at POSITION}. */
    List<Offer> point(List<String> words) {
        List<List<String>> sides = Words.around(words, "at");
        List<Fixture> fixtures = patch.numbered(sides.get(0));
        if (fixtures.isEmpty() || sides.get(1).isEmpty()) {
            return List.of();
        }
        Position at = position(String.join(" ", sides.get(1)));
        return List.of(
                Offer.of("Point " + PatchWords.said(fixtures) + " at " + at, () -> PlaceEdits.point(fixtures, at)));
    }

    /** {@code shift NUMBERS|NAME by X/Y/Z}. */
    List<Offer> shift(List<String> words) {
        List<List<String>> sides = Words.around(words, "by");
        if (sides.get(1).isEmpty()) {
            return List.of();
        }
        Position by = position(String.join(" ", sides.get(1)));
        return meant(sides.get(0)).stream()
                .map(ids -> Offer.of(
                        "Move " + said(ids) + " by " + by + " m",
                        () -> PlaceEdits.move(plan, ids, by.x(), by.y(), by.z())))
                .toList();
    }

    /** {@code turn NUMBERS|NAME by DEGREES}; nothing where the words name pixels. */
    List<Offer> turn(List<String> words) {
        List<List<String>> sides = Words.around(words, "by");
        List<List<Id<?>>> meant = meant(sides.get(0));
        if (meant.isEmpty() || sides.get(1).isEmpty()) {
            return List.of();
        }
        double degrees = turn(String.join(" ", sides.get(1)));
        return meant.stream()
                .map(ids -> Offer.of(
                        "Turn " + said(ids) + " clockwise by " + Position.plain(degrees) + "°",
                        () -> PlaceEdits.turn(plan, ids, degrees)))
                .toList();
    }

    /** {@code view NAME from POSITION to POSITION}. */
    List<Offer> view(List<String> typed) {
        List<String> words = new ArrayList<>(typed);
        Map<String, String> parts = Words.parts(words, Set.of("from", "to"));
        if (words.isEmpty() || !parts.containsKey("from") || !parts.containsKey("to")) {
            return List.of();
        }
        String name = String.join(" ", words);
        Position eye = position(parts.get("from"));
        Position target = position(parts.get("to"));
        return List.of(Offer.of(
                "Keep the view " + name + " from " + eye + " to " + target,
                () -> PlaceEdits.view(plan, name, eye, target)));
    }

    /** The fixtures of a run of numbers together, or each thing of the place that words name. */
    private List<List<Id<?>>> meant(List<String> words) {
        List<Fixture> fixtures = words.isEmpty() ? List.of() : patch.numbered(words);
        if (!fixtures.isEmpty()) {
            return List.of(fixtures.stream().<Id<?>>map(Fixture::id).toList());
        }
        List<Named> all = Stream.<Named>concat(plan.surroundings().stream(), plan.groundPictures().stream())
                .toList();
        return all.isEmpty()
                ? List.of()
                : things.named(words, all, n -> true, "a thing of the place").stream()
                        .limit(MOST_NAMED)
                        .map(n -> List.<Id<?>>of(n.id()))
                        .toList();
    }

    private String said(List<Id<?>> ids) {
        return ids.size() == 1
                ? plan.index().name(ids.get(0))
                : PatchWords.said(ids.stream()
                        .flatMap(id -> id.as(Kind.FIXTURE).map(plan.index()::fixture).stream())
                        .toList());
    }
}
