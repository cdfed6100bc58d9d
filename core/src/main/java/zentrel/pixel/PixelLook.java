package zentrel.pixel;

import java.util.List;
import zentrel.plan.PixelForm;
import zentrel.plan.PixelRun;
import zentrel.text.Word;

/** Looks by which pixels are tried: what each universe is filled with. */
public enum PixelLook implements Word {
    /** First pixel white, first row red, first column green: how a grid hangs. */
    CORNERS("Corners"),
    /** As many pixels from the first as a row has: whether the data runs by rows. */
    FIRST_LINE("First row"),
    /** The first row red, the first pixel behind it white: whether every second row runs back. */
    SECOND_LINE("Second row"),
    /** One pixel after the other. */
    WALK("Walking pixel"),
    /** Each universe in its colour. */
    UNIVERSES("Universes"),
    /** Every tenth red, every fiftieth green, every hundredth white. */
    COUNT("Count"),
    /** Hues from left to right. */
    GRADIENT("Gradient"),
    /** Blocks that run along. */
    CHASE("Chase"),
    /** A picture laid over the layout. */
    PICTURE("Picture");

    private static final int WHITE = 0xFFFFFF;
    private static final int RED = 0xFF0000;
    private static final int GREEN = 0x00FF00;
    private static final int BLOCK = 8;

    private final String title;

    PixelLook(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /**
     * A picture or the pictures of a small video.
     *
     * @param frames each row by row from the top, as {@code 0xrrggbb}
     */
    public record Pictures(int width, int height, List<int[]> frames) {
        public Pictures {
            frames = List.copyOf(frames);
        }

        public static final Pictures NONE = new Pictures(0, 0, List.of());

        /** The colour at a place, each from 0 to 1, from the top left. */
        int colour(double across, double down, int frame) {
            if (frames.isEmpty()) {
                return 0;
            }
            int x = Math.min(width - 1, (int) (across * width));
            int y = Math.min(height - 1, (int) (down * height));
            return frames.get(Math.floorMod(frame, frames.size()))[y * width + x] & WHITE;
        }
    }

    /**
     * How a look runs.
     *
     * @param beats steps a second: of the walk, the chase and the pictures
     * @param dim 0 to 1
     */
    public record Run(double beats, double dim, Pictures pictures) {
        public static final Run USUAL = new Run(10, 1, Pictures.NONE);
    }

    /**
     * Fills the levels of all universes.
     *
     * @param levels as {@link PixelMap#levels} makes them
     * @param seconds since it began
     */
    public void fill(PixelMap map, byte[] levels, double seconds, Run run) {
        java.util.Arrays.fill(levels, (byte) 0);
        long step = (long) (seconds * run.beats());
        PixelLayout.Bounds bounds = map.bounds();
        for (int r = 0; r < map.runs().size(); r++) {
            PixelRun pixels = map.runs().get(r);
            PixelLayout layout = map.layout(r);
            for (int i = 0; i < pixels.pixels(); i++) {
                int at = map.at(map.first(r) + i);
                if (at >= 0) {
                    int colour = this == GRADIENT || this == PICTURE
                            ? laid(layout, i, bounds, step, run.pictures())
                            : this == UNIVERSES
                                    ? hue(map.universeOf(map.first(r) + i) * 0.382)
                                    : counted(pixels, i, step);
                    if (colour != 0) {
                        PixelColour.set(levels, at, pixels.type(), dimmed(colour, run.dim()));
                    }
                }
            }
        }
    }

    private int laid(PixelLayout layout, int pixel, PixelLayout.Bounds all, long step, Pictures pictures) {
        double across = all.width() == 0 ? 0 : (layout.x(pixel) - all.left()) / all.width();
        double down = all.height() == 0 ? 0 : (all.top() - layout.y(pixel)) / all.height();
        return this == PICTURE ? pictures.colour(across, down, (int) (step % Integer.MAX_VALUE)) : hue(across * 0.83);
    }

    private int counted(PixelRun run, int i, long step) {
        return switch (this) {
            case CORNERS -> corners(run, i);
            case FIRST_LINE -> i < run.shape().columns() ? RED : 0;
            case SECOND_LINE ->
                i < run.shape().columns() ? RED : i == run.shape().columns() ? WHITE : 0;
            case WALK -> i == Math.floorMod(step, run.pixels()) ? WHITE : 0;
            case COUNT -> (i + 1) % 100 == 0 ? WHITE : (i + 1) % 50 == 0 ? GREEN : (i + 1) % 10 == 0 ? RED : 0;
            case CHASE -> Math.floorMod(i / BLOCK - step, 4) == 0 ? WHITE : 0;
            default -> 0;
        };
    }

    /** The first pixel, the row and the column that it is in, as the plan says that the data runs. */
    private static int corners(PixelRun run, int i) {
        if (i == 0) {
            return WHITE;
        }
        if (run.shape().form() != PixelForm.GRID) {
            return i == run.pixels() - 1 ? GREEN : RED;
        }
        int length = run.wiring().byColumns() ? run.shape().rows() : run.shape().columns();
        int line = i / length;
        int along = run.wiring().serpentine() && line % 2 == 1 ? length - 1 - i % length : i % length;
        boolean inRow = (run.wiring().byColumns() ? along : line) == 0;
        boolean inColumn = (run.wiring().byColumns() ? line : along) == 0;
        return inRow ? RED : inColumn ? GREEN : 0;
    }

    private static int dimmed(int colour, double dim) {
        int red = (int) Math.round((colour >> 16 & 0xFF) * dim);
        int green = (int) Math.round((colour >> 8 & 0xFF) * dim);
        int blue = (int) Math.round((colour & 0xFF) * dim);
        return red << 16 | green << 8 | blue;
    }

    /** A full colour on the wheel. */
    static int hue(double turn) {
        double h = (turn - Math.floor(turn)) * 6;
        int part = (int) Math.round((1 - Math.abs(h % 2 - 1)) * 255);
        return switch ((int) h) {
            case 0 -> 0xFF0000 | part << 8;
            case 1 -> part << 16 | 0x00FF00;
            case 2 -> 0x00FF00 | part;
            case 3 -> part << 8 | 0x0000FF;
            case 4 -> part << 16 | 0x0000FF;
            default -> 0xFF0000 | part;
        };
    }
}
