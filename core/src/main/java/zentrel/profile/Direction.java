package zentrel.profile;

import zentrel.text.Word;

/** Which way levels go through a port. */
public enum Direction implements Word {
    OUTPUT,
    INPUT
}
