package zentrel.plan;

/** What a box is for; it decides where the box stands in a picture, never what it can do. */
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
