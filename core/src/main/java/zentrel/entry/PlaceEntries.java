package zentrel.entry;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.*;

/** What can be entered of the place: its surroundings, the pictures on its ground, and viewpoints. */
public final class PlaceEntries {
    private static final String NUMBER = "(\\d{1,6}(?:[.,]\\d{1,6})?)";
    private static final String SIGNED = "(-?\\d{1,6}(?:[.,]\\d{1,6})?)";
    private static final Pattern SIZE =
            Pattern.compile(NUMBER + "\\s*m?\\s*[x×/ ]\\s*" + NUMBER + "\\s*m?(?:\\s*[x×/ ]\\s*" + NUMBER + "\\s*m?)?");
    private static final Pattern KNOWN = Pattern.compile(SIGNED + "[ ,/]+" + SIGNED + "\\s+to\\s+" + SIGNED + "[ ,/]+"
            + SIGNED + "\\s+(?:is|=)\\s+" + NUMBER + "\\s*m?");

    private PlaceEntries() {}

    /** A size in metres: {@code 8 x 0.2 x 3}; what has no third number is flat. */
    public static final Format<BodySize> SIZE_FORMAT = Formats.of(
            BodySize::toString,
            text -> {
                Matcher m = SIZE.matcher(text.strip().toLowerCase(Locale.ROOT));
                if (!m.matches()) {
                    throw new IllegalArgumentException(
                            "\"" + text + "\" is no size; write metres wide, deep and high, such as 8 x 0.2 x 3.");
                }
                return new BodySize(
                        number(m.group(1)), number(m.group(2)), m.group(3) == null ? 0 : number(m.group(3)));
            },
            "8 x 0.2 x 3");

    private static final Format<KnownLength> KNOWN_FORMAT = Formats.of(
            k -> Position.plain(k.x1()) + " " + Position.plain(k.y1()) + " to " + Position.plain(k.x2()) + " "
                    + Position.plain(k.y2()) + " is " + Position.plain(k.metres()) + " m",
            text -> {
                Matcher m = KNOWN.matcher(text.strip());
                if (!m.matches()) {
                    throw new IllegalArgumentException("\"" + text
                            + "\" is no known length; write two points of the picture and their distance, such as"
                            + " 10 20 to 410 20 is 42 m.");
                }
                return new KnownLength(
                        number(m.group(1)),
                        number(m.group(2)),
                        number(m.group(3)),
                        number(m.group(4)),
                        number(m.group(5)));
            },
            "10 20 to 410 20 is 42 m");

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    static Format<Double> turn() {
        return Formats.decimal("A turn in degrees", 360);
    }

    static List<Field<Surrounding>> surrounding() {
        return new FieldList<>(Kind.SURROUNDING)
                .value("name", "Name", "name", Formats.TEXT, Surrounding::name, Surrounding::withName)
                .value("form", "Form", "form", Formats.word(BodyForm.class), Surrounding::form, Surrounding::withForm)
                .value(
                        "position",
                        "Middle of its base, metres",
                        "position",
                        FixtureEntries.POSITION_FORMAT,
                        Surrounding::position,
                        Surrounding::withPosition)
                .value("size", "Size in metres", "size", SIZE_FORMAT, Surrounding::size, Surrounding::withSize)
                .value("turn", "Turned clockwise, degrees", "turn", turn(), Surrounding::turn, Surrounding::withTurn)
                .all();
    }

    static List<Field<GroundPicture>> picture() {
        return new FieldList<>(Kind.GROUND_PICTURE)
                .value("name", "Name", "name", Formats.TEXT, GroundPicture::name, GroundPicture::withName)
                .value(
                        "position",
                        "Its lower left corner, metres",
                        "position",
                        FixtureEntries.POSITION_FORMAT,
                        GroundPicture::position,
                        GroundPicture::withPosition)
                .value(
                        "turn",
                        "Turned clockwise, degrees",
                        "turn",
                        turn(),
                        GroundPicture::turn,
                        GroundPicture::withTurn)
                .value(
                        "known",
                        "A known length in it",
                        "known",
                        KNOWN_FORMAT,
                        GroundPicture::known,
                        GroundPicture::withKnown)
                .all();
    }

    static List<Field<Viewpoint>> viewpoint() {
        return new FieldList<>(Kind.VIEWPOINT)
                .value("name", "Name", "name", Formats.TEXT, Viewpoint::name, Viewpoint::withName)
                .value("eye", "From, metres", "eye", FixtureEntries.POSITION_FORMAT, Viewpoint::eye, Viewpoint::withEye)
                .value(
                        "target",
                        "Looks at, metres",
                        "target",
                        FixtureEntries.POSITION_FORMAT,
                        Viewpoint::target,
                        Viewpoint::withTarget)
                .all();
    }
}
