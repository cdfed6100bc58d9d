package zentrel.check;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import zentrel.text.Phrases;

/** What rules are called, why they matter and what they say, in {@code rules.properties}. */
final class RuleWords {
    private static final Phrases PHRASES = new Phrases("zentrel.check.rules");

    private RuleWords() {}

    /**
     * A sentence of a rule, or what a fix of it does, with its places filled.
     *
     * @param key its name in the file
     * @param facts names of places, each with what is written there; a number can be counted
     * @throws java.util.MissingResourceException if there is none of that key
     */
    static String say(String key, Object... facts) {
        Map<String, Object> named = new HashMap<>();
        for (int i = 0; i + 1 < facts.length; i += 2) {
            named.put((String) facts[i], facts[i + 1]);
        }
        return PHRASES.of(key).fill(name -> String.valueOf(Objects.requireNonNull(named.get(name), name)), name ->
                (Number) Objects.requireNonNull(named.get(name), name));
    }

    /** What a rule looks for, in a few words. */
    static String title(String rule) {
        return PHRASES.text(rule + ".title");
    }

    /** Why it matters and how it shows. */
    static String why(String rule) {
        return PHRASES.text(rule + ".why");
    }
}
