package zentrel.check;

import zentrel.text.Phrases;

/** What rules are called and why they matter, in {@code rules.properties}. */
final class RuleWords {
    private static final Phrases PHRASES = new Phrases("zentrel.check.rules");

    private RuleWords() {}

    /** What a rule looks for, in a few words. */
    static String title(String rule) {
        return PHRASES.text(rule + ".title");
    }

    /** Why it matters and how it shows. */
    static String why(String rule) {
        return PHRASES.text(rule + ".why");
    }
}
