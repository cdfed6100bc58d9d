package zentrel.plan;

import zentrel.text.Word;

/** What a receiver does when nothing comes any more. */
public enum Loss implements Word {
    /** The last look stays. */
    HOLD("holds the last look"),
    /** All slots go to 0. */
    BLACK("goes dark"),
    /** All slots go to 255. */
    FULL("goes to full"),
    /** A look that was stored in it. */
    SCENE("shows the scene that is stored in it"),
    /** Nobody has said. */
    NOT_KNOWN("does what it is set to, which is not specified");

    private final String words;

    Loss(String words) {
        this.words = words;
    }

    /** What it does, to follow its name. */
    public String words() {
        return words;
    }
}
