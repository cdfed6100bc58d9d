package zentrel.app.look;

import zentrel.plan.Universe;

/** The hue of a universe: a fixed cycle of twelve; neighbours are told apart by a hatch as well. */
public final class UniverseHue {
    private static final String[] CYCLE = {
        "#5E86B8", "#58A08C", "#B98F55", "#A76FA0", "#8AA255", "#C07A63", "#6FA6B5", "#9384C9", "#B5A758", "#7C9A86",
        "#B06E86", "#7D8FB0"
    };

    private UniverseHue() {}

    /** A web colour. */
    public static String of(Universe universe) {
        return of(universe.number());
    }

    /** The web colour of a universe of a number. */
    public static String of(int number) {
        return CYCLE[Math.floorMod(number - 1, CYCLE.length)];
    }

    /** Which of four hatches: none, rising, falling, level. */
    public static int hatch(Universe universe) {
        return Math.floorMod(universe.number() - 1, 4);
    }
}
