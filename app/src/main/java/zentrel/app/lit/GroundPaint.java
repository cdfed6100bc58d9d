package zentrel.app.lit;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import zentrel.lit.Camera;
import zentrel.lit.Ray;
import zentrel.lit.Vector;
import zentrel.plan.GroundPicture;
import zentrel.plan.PictureFile;

/**
 * Draws the pictures that lie on the ground: each screen pixel looks through the eye onto the ground. What a row of the screen needs is
 * worked out at its ends and by steps between, for a picture of a million pixels is drawn while somebody turns around.
 */
final class GroundPaint {
    /** Pixels of a screen that are drawn as one while the view moves. */
    private static final int COARSE = 3;

    /** A picture, decoded. */
    static final class Decoded {
        private final int width;
        private final int height;
        private final int[] pixels;

        /** @param pixels row by row from the top; they are kept, not copied */
        Decoded(int width, int height, int[] pixels) {
            this.width = width;
            this.height = height;
            this.pixels = pixels;
        }
    }

    private GroundPaint() {}

    /**
     * Draws them; the later lie on top.
     *
     * @param light how bright, 0 to 1
     * @param coarse whether it may be drawn coarsely
     */
    static void draw(
            List<GroundPicture> pictures,
            Map<PictureFile, Decoded> decoded,
            Camera.View view,
            int[] into,
            int width,
            double light,
            boolean coarse) {
        Arrays.fill(into, 0);
        int step = coarse ? COARSE : 1;
        int height = into.length / width;
        for (GroundPicture picture : pictures) {
            Decoded image = decoded.get(picture.picture());
            if (image != null) {
                for (int y = 0; y < height; y += step) {
                    row(picture, image, view, into, width, y, Math.min(step, height - y), step, light);
                }
            }
        }
    }

    private static void row(
            GroundPicture picture,
            Decoded image,
            Camera.View view,
            int[] into,
            int width,
            int y,
            int rows,
            int step,
            double light) {
        double perPixel = picture.known().metresPerPixel();
        double scaleX = (double) image.width / picture.picture().width() / perPixel;
        double scaleY = (double) image.height / picture.picture().height() / perPixel;
        Vector first = direction(view, 0.5, y + 0.5);
        Vector last = direction(view, width - 0.5, y + 0.5);
        Ray sight = view.ray(0.5, y + 0.5);
        boolean parallel = view.camera().parallel();
        Vector from = sight.from();
        Vector end = view.ray(width - 0.5, y + 0.5).from();
        double sin = Math.sin(Math.toRadians(picture.turn()));
        double cos = Math.cos(Math.toRadians(picture.turn()));
        double level = picture.position().z();
        for (int x = 0; x < width; x += step) {
            double part = width == 1 ? 0 : (double) x / (width - 1);
            double fx = parallel ? from.x() + (end.x() - from.x()) * part : from.x();
            double fy = parallel ? from.y() + (end.y() - from.y()) * part : from.y();
            double fz = parallel ? from.z() + (end.z() - from.z()) * part : from.z();
            double dx = first.x() + (last.x() - first.x()) * part;
            double dy = first.y() + (last.y() - first.y()) * part;
            double dz = first.z() + (last.z() - first.z()) * part;
            double along = (level - fz) / dz;
            if (!(along > 0) || along > 1e6) {
                continue;
            }
            double px = fx + dx * along - picture.position().x();
            double py = fy + dy * along - picture.position().y();
            int u = (int) Math.floor((px * cos - py * sin) * scaleX);
            int v = image.height - 1 - (int) Math.floor((px * sin + py * cos) * scaleY);
            if (u >= 0 && v >= 0 && u < image.width && v < image.height) {
                int colour = dimmed(image.pixels[v * image.width + u], light);
                for (int r = 0; r < rows; r++) {
                    Arrays.fill(into, (y + r) * width + x, (y + r) * width + Math.min(width, x + step), colour);
                }
            }
        }
    }

    /** Not of one length: it is what is between two that is looked for, and that lies on a line. */
    private static Vector direction(Camera.View view, double x, double y) {
        Vector d = view.ray(x, y).direction();
        double ahead = d.dot(view.camera().forward());
        return d.times(1 / ahead);
    }

    private static int dimmed(int argb, double light) {
        int red = (int) ((argb >> 16 & 0xFF) * light);
        int green = (int) ((argb >> 8 & 0xFF) * light);
        int blue = (int) ((argb & 0xFF) * light);
        return 0xFF000000 | red << 16 | green << 8 | blue;
    }
}
