package zentrel.patch;

/** Numbers of fixtures, as lists write them. */
public final class FixtureNumber {
    private FixtureNumber() {}

    /** Without what a spreadsheet adds: 0101 and 101.0 are 101. Numbers with points or letters stay as they stand. */
    public static String plain(String number) {
        String text = number.strip();
        if (!text.startsWith("0") && text.indexOf('.') < 0) {
            return text; // nearly all
        }
        if (text.matches("\\d{1,18}\\.0+")) {
            text = text.substring(0, text.indexOf('.'));
        }
        return text.matches("0+\\d+") ? text.replaceFirst("^0+(?=\\d)", "") : text;
    }
}
