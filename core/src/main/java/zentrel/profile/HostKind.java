package zentrel.profile;

import zentrel.text.Word;

/** What a box is for: where it stands in a picture, and for switches, access points and routers whether they pass signals on. */
public enum HostKind implements Word {
    CONSOLE,
    COMPUTER,
    NODE,
    PIXEL_CONTROLLER,
    REMOTE,
    SWITCH,
    ACCESS_POINT,
    ROUTER,
    OTHER
}
