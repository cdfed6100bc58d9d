package zentrel.profile;

import zentrel.text.Word;

/** What a program may need before it sends anything. */
public enum Need implements Word {
    /** A licence that is valid. */
    LICENCE("licence", "Licence is valid"),
    /** A session that it is a desk of, and that runs. */
    SESSION("session", "Session is running"),
    /** That no other of its kind is in the network. */
    ALONE("alone", "Alone in the network"),
    /** That somebody has started its output. */
    OUTPUT("output", "Output is started");

    private final String word;
    private final String title;

    Need(String word, String title) {
        this.word = word;
        this.title = title;
    }

    @Override
    public String word() {
        return word;
    }

    /** The state in which it is met, as a label. */
    public String title() {
        return title;
    }
}
