package zentrel.entry;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import zentrel.plan.*;

/** What can be entered of fixtures, their types, and lists of them. */
public final class FixtureEntries {
    private static final double MOST_LOADS = 1_000;

    private static final Pattern SLOTS =
            Pattern.compile("(\\S+)\\s+slots?\\s+(\\d{1,6})(?:\\s*(?:to|-|–)\\s*(\\d{1,6}))?(?:\\s+on\\s+(.+))?");
    private static final Pattern COUNTED = Pattern.compile("(\\d{1,3})\\s+slots?");
    private static final Pattern WIDE = Pattern.compile("(.+?)\\s+(16|24)\\s*bits?");
    private static final String NUMBER = "([+-]?\\d{1,6}(?:[.,]\\d{1,6})?)";
    private static final Pattern POSITION =
            Pattern.compile(NUMBER + "\\s*m?\\s*[/;x ]\\s*" + NUMBER + "\\s*m?\\s*[/;x ]\\s*" + NUMBER + "\\s*m?");

    private static final Format<Double> BEAM = Formats.decimal("An angle", 170);
    private static final Format<Double> TRAVEL = Formats.decimal("A travel", 3600);

    private FixtureEntries() {}

    static List<Field<Fixture>> fixture() {
        return new FieldList<>(Kind.FIXTURE)
                .value("number", "Number", "number", Formats.TEXT, Fixture::number, Fixture::withNumber)
                .value("name", "Name", "name", Formats.TEXT, Fixture::name, Fixture::withName)
                .value("place", "Place", "place", Formats.TEXT, Fixture::place, Fixture::withPlace)
                .value("type", "Type", "type", Formats.TEXT, Fixture::type, Fixture::withType)
                .value("mode", "Mode", "mode", Formats.TEXT, Fixture::mode, Fixture::withMode)
                .value("slots", "Slots", "breaks", Formats.list(BREAK), Fixture::breaks, Fixture::withBreaks)
                .optional("line", "Line", "line", Formats.reference(Kind.LINE), Fixture::line, Fixture::withLine)
                .value(
                        "shares-slots",
                        "Shares its slots with others on purpose",
                        "sharesSlots",
                        Formats.YES,
                        Fixture::sharesSlots,
                        Fixture::withSharesSlots)
                .value(
                        "unit-loads",
                        "Unit loads",
                        "unitLoads",
                        Formats.decimal("A number of unit loads", MOST_LOADS),
                        Fixture::unitLoads,
                        Fixture::withUnitLoads)
                .value(
                        "purpose",
                        "Purpose",
                        "use.purpose",
                        Formats.TEXT,
                        f -> f.use().purpose(),
                        (f, v) -> f.withUse(f.use().withPurpose(v)))
                .value(
                        "unit",
                        "Unit or circuit",
                        "use.unit",
                        Formats.TEXT,
                        f -> f.use().unit(),
                        (f, v) -> f.withUse(f.use().withUnit(v)))
                .optional(
                        "position",
                        "Position in metres",
                        "use.position",
                        POSITION_FORMAT,
                        f -> f.use().position(),
                        (f, v) -> f.withUse(f.use().withPosition(v)))
                .value(
                        "standing",
                        "Stands instead of hanging",
                        "use.aim.standing",
                        Formats.YES,
                        f -> f.use().aim().standing(),
                        (f, v) -> f.withUse(f.use().withAim(f.use().aim().withStanding(v))))
                .value(
                        "bearing",
                        "Points to, degrees clockwise from away",
                        "use.aim.turn",
                        PlaceEntries.turn(),
                        f -> f.use().aim().turn(),
                        (f, v) -> f.withUse(f.use().withAim(f.use().aim().withTurn(v))))
                .value(
                        "tilt",
                        "Tilted, degrees from straight down or up",
                        "use.aim.tilt",
                        Formats.decimal("A tilt in degrees", 180),
                        f -> f.use().aim().tilt(),
                        (f, v) -> f.withUse(f.use().withAim(f.use().aim().withTilt(v))))
                .value(
                        "note",
                        "Note",
                        "use.note",
                        Formats.TEXT,
                        f -> f.use().note(),
                        (f, v) -> f.withUse(f.use().withNote(v)))
                .all();
    }

    static List<Field<FixtureType>> type() {
        return new FieldList<>(Kind.FIXTURE_TYPE)
                .any(
                        "name",
                        "Name",
                        "name",
                        Formats.TEXT,
                        Entries::name,
                        (plan, t, text) -> Entries.rename(plan, t, text))
                .value("maker", "Maker", "maker", Formats.TEXT, FixtureType::maker, FixtureType::withMaker)
                .value("modes", "Modes", "modes", Formats.list(MODE, ";"), FixtureType::modes, FixtureType::withModes)
                .value(
                        "beam",
                        "Beam, degrees (with a zoom the narrowest)",
                        "optics.beam",
                        BEAM,
                        t -> t.optics().beam(),
                        (t, v) -> t.withOptics(t.optics().withBeam(v)))
                .value(
                        "wide",
                        "Widest beam of a zoom, degrees",
                        "optics.wide",
                        BEAM,
                        t -> t.optics().wide(),
                        (t, v) -> t.withOptics(t.optics().withWide(v)))
                .value(
                        "pan",
                        "Pan from end to end, degrees",
                        "optics.pan",
                        TRAVEL,
                        t -> t.optics().pan(),
                        (t, v) -> t.withOptics(t.optics().withPan(v)))
                .value(
                        "tilt",
                        "Tilt from end to end, degrees",
                        "optics.tilt",
                        TRAVEL,
                        t -> t.optics().tilt(),
                        (t, v) -> t.withOptics(t.optics().withTilt(v)))
                .all();
    }

    static List<Field<PatchList>> list() {
        return new FieldList<>(Kind.PATCH_LIST)
                .value("name", "Name", "name", Formats.TEXT, PatchList::name, PatchList::withName)
                .optional(
                        "program",
                        "Whose list it is",
                        "program",
                        Formats.reference(Kind.APPLICATION),
                        PatchList::program,
                        PatchList::withProgram)
                .value(
                        "columns",
                        "Columns that it has, in their order",
                        "columns",
                        Formats.list(Formats.word(PatchColumn.class)),
                        PatchList::columns,
                        PatchList::withColumns)
                .value(
                        "slots",
                        "Start slots are written",
                        "style.notation",
                        Formats.word(SlotNotation.class),
                        l -> l.style().notation(),
                        (l, v) -> l.withStyle(l.style().withNotation(v)))
                .value(
                        "base",
                        "Number of its first universe",
                        "style.base",
                        Formats.whole("The number of the first universe", 0, 1),
                        l -> l.style().base(),
                        (l, v) -> l.withStyle(l.style().withBase(v)))
                .all();
    }

    /** Slots of a universe: {@code U3 slots 201 to 212}, with its own line where it has one. */
    private static final Format<Break> BREAK = new Format<>() {
        @Override
        public String shown(Plan plan, Break b) {
            return Formats.reference(Kind.UNIVERSE).shown(plan, b.universe())
                    + (b.footprint() == 1 ? " slot " + b.start() : " slots " + b.start() + " to " + b.end())
                    + b.line()
                            .map(l -> " on " + Formats.reference(Kind.LINE).shown(plan, l))
                            .orElse("");
        }

        @Override
        public Break read(Plan plan, String text) {
            Matcher m = SLOTS.matcher(text);
            if (!m.matches()) {
                throw new IllegalArgumentException(
                        "\"" + text + "\" does not say which slots; write U3 slots 201 to 212, or U3 slot 7.");
            }
            int start = Integer.parseInt(m.group(2));
            int end = m.group(3) == null ? start : Integer.parseInt(m.group(3));
            if (end < start) {
                throw new IllegalArgumentException("Slots run upwards: " + start + " to " + end + " do not.");
            }
            return new Break(
                    Formats.reference(Kind.UNIVERSE).read(plan, m.group(1)),
                    start,
                    end - start + 1,
                    Optional.ofNullable(m.group(4))
                            .map(l -> Formats.reference(Kind.LINE).read(plan, l)));
        }

        @Override
        public String hint() {
            return "U3 slots 201 to 212";
        }
    };

    /** A place in metres: {@code 4.5 / 0 / 6}. */
    public static final Format<Position> POSITION_FORMAT = Formats.of(
            Position::toString,
            text -> {
                Matcher m = POSITION.matcher(text);
                if (!m.matches()) {
                    throw new IllegalArgumentException(
                            "\"" + text
                                    + "\" is no position; write metres to the right, away from the front and up, such as 4.5 / 0 / 6.");
                }
                return new Position(metres(m.group(1)), metres(m.group(2)), metres(m.group(3)));
            },
            "4.5 / 0 / 6");

    private static double metres(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** A mode: {@code Basic: dimmer, pan 16 bit, red}, or {@code Basic: 18 slots}; + before what belongs to another part. */
    private static final Format<FixtureMode> MODE = new Format<>() {
        @Override
        public String shown(Plan plan, FixtureMode mode) {
            String parts = mode.parts().stream()
                    .map(part -> part.stream().allMatch(String::isEmpty)
                            ? part.size() + (part.size() == 1 ? " slot" : " slots")
                            : part.stream().map(s -> s.isEmpty() ? "-" : s).collect(Collectors.joining(", ")))
                    .collect(Collectors.joining(" + "));
            return mode.name() + ": " + parts;
        }

        @Override
        public FixtureMode read(Plan plan, String text) {
            int colon = text.lastIndexOf(": ");
            if (colon < 0) {
                throw new IllegalArgumentException("\"" + text
                        + "\" does not say what its slots do; write MODE: dimmer, pan 16 bit, or MODE: 18 slots.");
            }
            List<List<String>> parts = new ArrayList<>();
            for (String part : text.substring(colon + 2).split("\\s\\+\\s", -1)) {
                parts.add(slots(part.strip()));
            }
            return new FixtureMode(text.substring(0, colon).strip(), parts);
        }

        @Override
        public String hint() {
            return "MODE: dimmer, pan 16 bit, tilt 16 bit";
        }
    };

    private static List<String> slots(String text) {
        Matcher counted = COUNTED.matcher(text);
        if (counted.matches()) {
            int count = Integer.parseInt(counted.group(1));
            if (count < 1 || count > Universe.SLOTS) {
                throw new IllegalArgumentException(
                        "A part of a mode has 1 to " + Universe.SLOTS + " slots, not " + count + ".");
            }
            return java.util.Collections.nCopies(count, "");
        }
        List<String> slots = new ArrayList<>();
        for (String each : Arrays.stream(text.split(",", -1)).map(String::strip).toList()) {
            Matcher wide = WIDE.matcher(each);
            if (wide.matches()) {
                slots.add(wide.group(1));
                slots.add(wide.group(1) + FixtureMode.FINE);
                if (wide.group(2).equals("24")) {
                    slots.add(wide.group(1) + FixtureMode.FINE + FixtureMode.FINE);
                }
            } else {
                slots.add(each.equals("-") ? "" : each);
            }
        }
        return slots;
    }
}
