package zentrel.check;

/**
 * The part of the work that a rule belongs to. A page of the window counts the open work of some areas, and each area is counted
 * once.
 */
public enum Area {
    /** Devices, their power, their cables, and whether what is on them runs. */
    GEAR,
    /** Addresses, adapters and the networks they are on. */
    ADDRESSES,
    /** Which universe is sent and received where, by which number. */
    UNIVERSES,
    /** Whether what is sent is let in and put out. */
    SIGNALS,
    /** Control links and cues. */
    CONTROL,
    /** Consoles that share a show, and their previs. */
    DESKS,
    /** Fixtures, start slots, lines. */
    PATCH,
    /** Pixels, their controllers and their supplies. */
    PIXELS;

    /**
     * The area of a rule, by the subject with which its id begins.
     *
     * @throws IllegalArgumentException for a subject that belongs to no area
     */
    public static Area of(String rule) {
        return switch (rule.substring(0, Math.max(0, rule.indexOf('.')))) {
            case "power", "cable", "line", "program" -> GEAR;
            case "address", "adapter", "dhcp", "network" -> ADDRESSES;
            case "universe", "receiver" -> UNIVERSES;
            case "port", "host", "discovery" -> SIGNALS;
            case "control" -> CONTROL;
            case "desk", "previs" -> DESKS;
            case "fixture", "patch" -> PATCH;
            case "pixel" -> PIXELS;
            default -> throw new IllegalArgumentException("No area has rules such as " + rule + ".");
        };
    }
}
