package zentrel.app.flow;

/**
 * Where the columns of the flow stand, from the left, in the units of the drawing: senders, networks, takers, lights. A wider
 * picture gives the room to cards and lights first, and the rest to the ribbons between them.
 *
 * @param width how wide the picture is; at least {@link #LEAST}
 */
record FlowColumns(double width) {
    /** As wide as it is on paper. */
    static final double USUAL = 840;

    /** Narrower than this nothing could be read. */
    static final double LEAST = 660;

    /** How wide the bar of a network is. */
    static final double BAR_WIDTH = 10;

    private static final double CARDS = 172;
    private static final double MOST_CARDS = 300;
    private static final double LIGHTS = 172;
    private static final double MOST_LIGHTS = 460;
    private static final double BEFORE_BAR = 96;
    private static final double AFTER_BAR = 192;
    private static final double TO_LIGHTS = 26;

    /** So much is left of the room for ribbons at the least width. */
    private static final double LEAST_ROOM = (BEFORE_BAR + AFTER_BAR - (USUAL - LEAST)) / (BEFORE_BAR + AFTER_BAR);

    FlowColumns {
        width = Math.max(LEAST, width);
    }

    private double more() {
        return Math.max(0, width - USUAL);
    }

    /** How wide a card is. */
    double cards() {
        return Math.min(MOST_CARDS, CARDS + more() * 0.2);
    }

    /** How wide the column of what lights is. */
    double lightsWidth() {
        return Math.min(MOST_LIGHTS, LIGHTS + more() * 0.3);
    }

    /** How much larger the room for ribbons is than usual. */
    private double stretch() {
        double room = width - 2 * cards() - lightsWidth() - BAR_WIDTH - TO_LIGHTS;
        return Math.max(LEAST_ROOM, room / (BEFORE_BAR + AFTER_BAR));
    }

    /** Where senders begin. */
    double sends() {
        return 0;
    }

    /** Where the bars of networks begin. */
    double bar() {
        return cards() + BEFORE_BAR * stretch();
    }

    /** Where takers begin. */
    double takes() {
        return bar() + BAR_WIDTH + AFTER_BAR * stretch();
    }

    /** Where what lights begins. */
    double lights() {
        return takes() + cards() + TO_LIGHTS;
    }
}
