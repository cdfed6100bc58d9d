package zentrel.entry;

import java.util.List;
import zentrel.plan.Plan;

/**
 * How values of one type are written and read by people.
 *
 * @param <V> the type
 */
public interface Format<V> {
    /** What a form shows for it. */
    enum Control {
        /** A line of text. */
        TEXT,
        /** Yes or no. */
        FLAG,
        /** One of some. */
        CHOICE
    }

    /** A value as text. */
    String shown(Plan plan, V value);

    /**
     * The value of a text.
     *
     * @throws IllegalArgumentException with a sentence that quotes it, where it is none
     */
    V read(Plan plan, String text);

    default Control control() {
        return Control.TEXT;
    }

    /** What there is to choose from; empty where anything that can be read may be entered. */
    default List<String> choices(Plan plan) {
        return List.of();
    }

    /** An example, or what is allowed; empty where there is nothing to say. */
    default String hint() {
        return "";
    }
}
