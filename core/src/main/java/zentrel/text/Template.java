package zentrel.text;

import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text with named places: {@code {program} sends {universe.label}}. Plurals and choices are those of {@link MessageFormat}:
 * {@code {count,choice,1#one fixture|1<{count} fixtures}}, which counts a number as it is.
 */
public final class Template {
    private static final Pattern PLACE = Pattern.compile("\\{([a-zA-Z]+(?:\\.[a-zA-Z]+)?)(,choice)?");

    private final List<String> names = new ArrayList<>();
    private final MessageFormat format;

    /**
     * Reads a text.
     *
     * @throws IllegalArgumentException if its braces or choices are wrong
     */
    public Template(String text) {
        StringBuilder numbered = new StringBuilder();
        Matcher place = PLACE.matcher(text.replace("'", "''"));
        while (place.find()) {
            boolean choice = place.group(2) != null;
            String name = place.group(1) + (choice ? "#" : "");
            int at = names.indexOf(name);
            if (at < 0) {
                at = names.size();
                names.add(name);
            }
            place.appendReplacement(numbered, "{" + at + (choice ? ",choice" : ""));
        }
        place.appendTail(numbered);
        format = new MessageFormat(numbered.toString(), Locale.ROOT);
    }

    /**
     * The text with its places filled.
     *
     * @param text gives what is written for a name
     * @param number gives what is counted for a name
     */
    public String fill(Function<String, String> text, Function<String, Number> number) {
        Object[] values = new Object[names.size()];
        for (int i = 0; i < values.length; i++) {
            String name = names.get(i);
            values[i] = name.endsWith("#") ? number.apply(name.substring(0, name.length() - 1)) : text.apply(name);
        }
        synchronized (format) { // it is not safe for several threads
            return format.format(values);
        }
    }
}
