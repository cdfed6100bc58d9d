package zentrel.app.lit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import zentrel.lit.Beam;
import zentrel.lit.Camera;
import zentrel.lit.Camera.Spot;
import zentrel.lit.FixtureLook;
import zentrel.lit.Place;
import zentrel.lit.Vector;

/**
 * Adds the light of fixtures up in a buffer of colours: where it falls, and in haze the way there. Plain loops over whole screen rows, for
 * hundreds of large see-through shapes take a canvas far longer; half as fine as the screen, for light has soft edges.
 */
final class LightPaint {
    /** Screen pixels to one of the buffer, along either side. */
    private static final int COARSE = 2;

    private static final double LEAST_SEEN = 0.004;
    private static final double FALLS = 0.22;
    private static final double INNER = 0.6;
    private static final double HAZE = 0.11;
    private static final double SKY = 0.6;

    private final double[] crossings = new double[64];
    private int[] into = new int[0];
    private int width;

    /** Before the light of all is added, for a screen of a size. */
    void begin(int across, int down) {
        width = (across + COARSE - 1) / COARSE;
        int wanted = width * ((down + COARSE - 1) / COARSE);
        if (into.length == wanted) {
            Arrays.fill(into, 0);
        } else {
            into = new int[wanted];
        }
    }

    /** Puts the light onto a screen of that size, over whatever was there. */
    void onto(int[] screen, int across) {
        int down = screen.length / across;
        for (int y = 0; y < down; y++) {
            int row = y * across;
            if (y % COARSE != 0) {
                System.arraycopy(screen, row - across, screen, row, across);
                continue;
            }
            int from = y / COARSE * width;
            for (int x = 0; x < across; x += COARSE) {
                int light = seen(into[from + x / COARSE]);
                screen[row + x] = light;
                if (x + 1 < across) {
                    screen[row + x + 1] = light;
                }
            }
        }
    }

    /** Adds the light of a lamp. */
    void add(Camera.View view, Place place, LitSight.Placed lamp, FixtureLook look, boolean haze) {
        double brightness = look.brightness();
        if (brightness < LEAST_SEEN) {
            return;
        }
        Beam beam = lamp.beam(look);
        List<Vector> falls = lamp.falls(beam, place);
        boolean sky = falls.isEmpty();
        if (haze && view.isAhead(lamp.at())) {
            List<Spot> cone = new ArrayList<>(view.outline(sky ? beam.end(Place.OPEN_SKY, LitSight.RIM) : falls));
            if (!cone.isEmpty()) {
                cone.add(view.spot(lamp.at()));
                fill(hull(cone), look.hue(), HAZE * brightness * (sky ? SKY : 1));
            }
        }
        if (!sky) {
            fill(view.outline(falls), look.hue(), FALLS * brightness);
            fill(view.outline(inner(falls)), look.hue(), FALLS * brightness); // brighter in the middle
        }
    }

    /** The same outline, drawn together around its middle. */
    private static List<Vector> inner(List<Vector> outline) {
        Vector sum = new Vector(0, 0, 0);
        for (Vector each : outline) {
            sum = sum.plus(each);
        }
        Vector middle = sum.times(1.0 / outline.size());
        return outline.stream()
                .map(v -> middle.plus(v.minus(middle).times(INNER)))
                .toList();
    }

    /** Adds a colour to all within an outline. */
    private void fill(List<Spot> outline, int hue, double part) {
        int n = Math.min(outline.size(), crossings.length);
        int red = (int) Math.round((hue >> 16 & 0xFF) * part);
        int green = (int) Math.round((hue >> 8 & 0xFF) * part);
        int blue = (int) Math.round((hue & 0xFF) * part);
        if (n < 3 || red + green + blue == 0) {
            return;
        }
        int redBlue = (red << 16) | blue;
        double top = Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (Spot spot : outline) {
            top = Math.min(top, spot.y());
            bottom = Math.max(bottom, spot.y());
        }
        int height = into.length / width;
        int first = Math.max(0, (int) Math.ceil(top / COARSE - 0.5));
        int last = Math.min(height - 1, (int) Math.floor(bottom / COARSE - 0.5));
        for (int row = first; row <= last; row++) {
            int found = cross(outline, n, (row + 0.5) * COARSE);
            for (int i = 0; i + 1 < found; i += 2) {
                int from = Math.max(0, (int) Math.ceil(crossings[i] / COARSE - 0.5));
                int to = Math.min(width - 1, (int) Math.floor(crossings[i + 1] / COARSE - 0.5));
                for (int at = row * width + from; at <= row * width + to; at++) {
                    into[at] = sum(into[at], redBlue, green << 8);
                }
            }
        }
    }

    /** Where an outline crosses a row of the screen, from the left. */
    private int cross(List<Spot> outline, int n, double y) {
        int found = 0;
        for (int i = 0; i < n; i++) {
            Spot a = outline.get(i);
            Spot b = outline.get(i + 1 == n ? 0 : i + 1);
            if ((a.y() <= y) != (b.y() <= y)) {
                crossings[found++] = a.x() + (b.x() - a.x()) * (y - a.y()) / (b.y() - a.y());
            }
        }
        if (found == 2) {
            if (crossings[0] > crossings[1]) {
                double left = crossings[1];
                crossings[1] = crossings[0];
                crossings[0] = left;
            }
        } else {
            Arrays.sort(crossings, 0, found);
        }
        return found;
    }

    /** Light upon light, each colour to full at most; red and blue go together, with room between them for what runs over. */
    private static int sum(int before, int redBlue, int green) {
        int rb = (before & 0xFF00FF) + redBlue;
        int over = rb & 0x1000100;
        int g = (before & 0xFF00) + green;
        int overGreen = g & 0x10000;
        int both = (rb | (over - (over >>> 8))) & 0xFF00FF;
        return both | ((g | (overGreen - (overGreen >>> 8))) & 0xFF00);
    }

    /** What is under light shows as much less as the light is bright. */
    private static int seen(int light) {
        int most = Math.max((light >> 16) & 0xFF, Math.max((light >> 8) & 0xFF, light & 0xFF));
        return (most << 24) | light;
    }

    /** The outline around spots. */
    static List<Spot> hull(List<Spot> spots) {
        List<Spot> sorted = new ArrayList<>(spots);
        sorted.sort(Comparator.comparingDouble(Spot::x).thenComparingDouble(Spot::y));
        List<Spot> hull = new ArrayList<>();
        for (int pass = 0; pass < 2; pass++) {
            int from = hull.size();
            for (Spot each : sorted) {
                while (hull.size() >= from + 2
                        && cross(hull.get(hull.size() - 2), hull.get(hull.size() - 1), each) <= 0) {
                    hull.remove(hull.size() - 1);
                }
                hull.add(each);
            }
            hull.remove(hull.size() - 1);
            Collections.reverse(sorted);
        }
        return hull;
    }

    private static double cross(Spot a, Spot b, Spot c) {
        return (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    }
}
