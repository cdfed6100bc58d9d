package zentrel.plan;

import zentrel.text.Word;

/** What a member of a session does. */
public enum Part implements Word {
    PRIMARY,
    BACKUP,
    REMOTE
}
