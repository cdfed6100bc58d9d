package zentrel.profile;

import zentrel.text.Word;

/** What a program is for. */
public enum ApplicationKind implements Word {
    CONSOLE,
    PREVIS,
    SHOW_CONTROL,
    REMOTE,
    NODE,
    PIXEL_CONTROLLER,
    PLAYBACK,
    PAPERWORK,
    /** Takes one protocol and sends it on by another. */
    BRIDGE,
    OTHER
}
