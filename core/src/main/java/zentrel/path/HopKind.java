package zentrel.path;

/** The ten hops of a leg, in order. */
public enum HopKind {
    MEANS(1, "source on", "sender on"),
    BOUND(2, "adapter", "adapter"),
    UP(3, "address", "address"),
    NAMED(4, "addressed to", "destination"),
    CARRIED(5, "carried", "carried"),
    TAKEN(6, "reaches device", "reaches device"),
    LET_IN(7, "accepted", "accepted"),
    AGREES(8, "numbers agree", "ports agree"),
    WINS(9, "port on", "receiving on"),
    LEADS(10, "fixture", "OSC address");

    private final int number;
    private final String title;
    private final String linkTitle;

    HopKind(int number, String title, String linkTitle) {
        this.number = number;
        this.title = title;
        this.linkTitle = linkTitle;
    }

    /** 1 to 10. */
    public int number() {
        return number;
    }

    /** The place in a list of the ten, 0 to 9. */
    int index() {
        return number - 1;
    }

    /** A short label, for a stream. */
    public String title() {
        return title;
    }

    /** A short label, for a control link. */
    public String linkTitle() {
        return linkTitle;
    }

    /** The hop of a number, 1 to 10. */
    public static HopKind of(int number) {
        return values()[number - 1];
    }
}
