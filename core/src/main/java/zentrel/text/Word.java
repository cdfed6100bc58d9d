package zentrel.text;

import java.util.Locale;

/** A closed set of words: how a constant is written in a plan file and on the line. */
public interface Word {
    String name();

    /** The word in a plan file: lower case, with hyphens. */
    default String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
