package zentrel.pixel;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.PixelCorner;
import zentrel.plan.PixelPlacing;
import zentrel.plan.PixelRun;
import zentrel.plan.PixelWiring;

/**
 * The corner test: the first pixel of a grid white, the first row red, the first column green. Where the white is and which way the red
 * runs from it tell all eight ways in which the grid can hang.
 */
public final class CornerTest {
    /**
     * What somebody sees who stands before it.
     *
     * @param white the corner with the white pixel
     * @param redRunsAcross whether the red row runs to the left or right; else it runs up or down
     */
    public record Seen(PixelCorner white, boolean redRunsAcross) {
        /** As a sentence says it: white at the bottom left, red along the bottom. */
        public String words() {
            String vertical = white.isTop() ? "top" : "bottom";
            String side = white.isRight() ? "right" : "left";
            return "white at the " + vertical + " " + side + ", red "
                    + (redRunsAcross ? "along the " + vertical : (white.isTop() ? "down the " : "up the ") + side);
        }
    }

    private CornerTest() {}

    /** The eight things that can be seen. */
    public static List<Seen> all() {
        List<Seen> all = new ArrayList<>();
        for (PixelCorner corner : PixelCorner.values()) {
            all.add(new Seen(corner, true));
            all.add(new Seen(corner, false));
        }
        return all;
    }

    /** What is seen of a grid that hangs as a plan says. */
    public static Seen seen(PixelRun run) {
        PixelWiring wiring = run.wiring();
        PixelPlacing placing = run.placing();
        boolean right = wiring.first().isRight() != placing.mirrored();
        boolean top = wiring.first().isTop();
        return switch (placing.turn()) {
            case 90 -> new Seen(corner(top, !right), false);
            case 180 -> new Seen(corner(!right, !top), true);
            case 270 -> new Seen(corner(!top, right), false);
            default -> new Seen(corner(right, top), true);
        };
    }

    private static PixelCorner corner(boolean right, boolean top) {
        return top
                ? right ? PixelCorner.TOP_RIGHT : PixelCorner.TOP_LEFT
                : right ? PixelCorner.BOTTOM_RIGHT : PixelCorner.BOTTOM_LEFT;
    }

    /** How the grid hangs, where so much is seen: its turn, and whether it is mirrored. */
    public static PixelPlacing placing(PixelRun run, Seen seen) {
        for (boolean mirrored : new boolean[] {false, true}) {
            for (int turn = 0; turn < 360; turn += 90) {
                PixelPlacing each = run.placing().withTurn(turn).withMirrored(mirrored);
                if (seen(run.withPlacing(each)).equals(seen)) {
                    return each;
                }
            }
        }
        throw new IllegalStateException("nothing hangs so that one sees " + seen);
    }
}
