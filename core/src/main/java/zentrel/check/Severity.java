package zentrel.check;

import zentrel.text.Word;

/** How bad a finding is, from harmless to worst. */
public enum Severity implements Word {
    /** Worth knowing. */
    NOTE,
    /** Works by luck, load or loss. */
    AT_RISK,
    /** Does not work. */
    BROKEN;

    /** The severity in words for people. */
    public String title() {
        return word().replace('-', ' ');
    }
}
