package zentrel.machine;

import zentrel.text.PlainText;

/**
 * Quotes names so that a shell reads them as one word, whatever they contain. Control characters are refused: pasted into a
 * terminal they would be keys.
 */
public final class ShellQuotes {
    private ShellQuotes() {}

    /**
     * One word for a POSIX shell: in single quotes nothing is special but the quote itself (IEEE 1003.1, 2.2.2).
     *
     * @throws IllegalArgumentException with a sentence, for control characters
     */
    public static String posix(String text) {
        requirePlain(text);
        return "'" + text.replace("'", "'\\''") + "'";
    }

    /**
     * One word for PowerShell: in single quotes a quote is doubled; the typographic single quotes count as quotes there too
     * ({@link zentrel.source.Sources#POWERSHELL_QUOTES}).
     *
     * @throws IllegalArgumentException with a sentence, for control characters
     */
    public static String powerShell(String text) {
        requirePlain(text);
        StringBuilder quoted = new StringBuilder("'");
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\'' || (c >= '\u2018' && c <= '\u201B')) {
                quoted.append(c);
            }
            quoted.append(c);
        }
        return quoted.append('\'').toString();
    }

    /** Whether PowerShell reads a name as a pattern where a parameter takes patterns: it has {@code * ? [ ]} or a back-tick. */
    static boolean isPattern(String text) {
        return text.chars().anyMatch(c -> "*?[]`".indexOf(c) >= 0);
    }

    private static void requirePlain(String text) {
        if (text.isEmpty()) {
            throw new IllegalArgumentException("A name that stands in a command has at least one character.");
        }
        PlainText.fault(text).ifPresent(fault -> {
            throw new IllegalArgumentException("The name \"" + PlainText.shown(text, 60) + "\" " + fault
                    + ", which would act as a key in a terminal. Rename it first.");
        });
    }
}
