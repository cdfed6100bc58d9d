package zentrel.plan;

import zentrel.text.Word;

/** What a member of a session does. */
public enum Part implements Word {
    PRIMARY,
    BACKUP,
    REMOTE,
    PREVIS,
    NODE;

    /** What people call it; the word of a file is older. */
    public String title() {
        return this == PRIMARY ? "main" : word();
    }
}
