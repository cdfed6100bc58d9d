package zentrel.table;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import zentrel.text.PlainText;

/** The text of a file that some spreadsheet wrote. */
final class TableText {
    /** Blanks that do not break, of three widths (Unicode 15, general punctuation and Latin-1 supplement). */
    private static final Pattern BLANKS = Pattern.compile("[\\u00A0\\u2007\\u202F]");

    /** Marks without width: soft hyphen, joiners, marks of direction, of byte order. They come along from web pages and mails. */
    private static final Pattern UNSEEN = Pattern.compile("[\\u00AD\\u200B-\\u200F\\u202A-\\u202E\\u2060\\uFEFF]");

    private TableText() {}

    /**
     * Decodes: UTF-16 where a mark of byte order says so, as spreadsheets save "Unicode text"; else UTF-8, else Latin 1, as older
     * ones save.
     *
     * @throws IllegalArgumentException with a sentence, where it is no text
     */
    static String of(byte[] bytes) {
        if (startsWith(bytes, 0xFF, 0xFE)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16LE);
        }
        if (startsWith(bytes, 0xFE, 0xFF)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16BE);
        }
        for (byte b : bytes) {
            if (b == 0) {
                throw new IllegalArgumentException(
                        "this is no text, so it is no table; save it as CSV, or as a workbook called .xlsx.");
            }
        }
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            return new String(bytes, StandardCharsets.ISO_8859_1);
        }
    }

    private static boolean startsWith(byte[] bytes, int first, int second) {
        return bytes.length >= 2 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
    }

    /** What people see of a cell. */
    static String visible(String cell) {
        return PlainText.cleaned(
                UNSEEN.matcher(BLANKS.matcher(cell).replaceAll(" ")).replaceAll(""));
    }
}
