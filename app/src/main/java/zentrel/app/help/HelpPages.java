package zentrel.app.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The pages by their names, such as {@code hop-5} or {@code rule-address.duplicate}; they ship with the program. */
public final class HelpPages {
    /** The list of all others. */
    public static final String INDEX = "index";

    /** The keys, which have a page of their own among the documents. */
    public static final String KEYS = "keys";

    private static final Pattern LINK = Pattern.compile("- \\[(.+?)]\\((.+?)\\.md\\)");
    private static final Map<String, String> TITLES = titles();

    private HelpPages() {}

    private static Map<String, String> titles() {
        Map<String, String> titles = new LinkedHashMap<>();
        Matcher link = LINK.matcher(text(INDEX).orElseThrow());
        while (link.find()) {
            titles.put(link.group(2).replace("../", ""), link.group(1));
        }
        return titles;
    }

    /** Every page's title, by its name, in the order of the index. */
    public static Map<String, String> all() {
        return TITLES;
    }

    /** The page of something selected or shown: its name if there is one, else the index. */
    public static String named(String name) {
        return TITLES.containsKey(name) ? name : INDEX;
    }

    /** What is on a page, as Markdown. */
    static Optional<String> text(String name) {
        String file = name.equals(KEYS) ? "keys.md" : "help/" + name + ".md";
        try (InputStream in = HelpPages.class.getResourceAsStream("/zentrel/app/docs/" + file)) {
            return in == null ? Optional.empty() : Optional.of(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
