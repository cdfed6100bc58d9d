package zentrel.app.pixels;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import zentrel.pixel.PixelLook;

/** Reads pictures that are laid over a layout: one, several, or those of a small moving one. */
final class PictureFrames {
    private static final int MOST_FRAMES = 500;
    private static final int MOST_ACROSS = 256;

    private PictureFrames() {}

    /**
     * Reads them; large ones are made smaller, all to the size of the first.
     *
     * @throws IOException with a sentence, where a file is no picture
     */
    static PixelLook.Pictures read(List<Path> files) throws IOException {
        List<int[]> frames = new ArrayList<>();
        int width = 0;
        int height = 0;
        for (Path file : files) {
            try (ImageInputStream in = ImageIO.createImageInputStream(Files.newInputStream(file))) {
                Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
                if (!readers.hasNext()) {
                    throw new IOException(
                            file.getFileName() + " is no picture that can be read here (PNG, JPEG, GIF).");
                }
                ImageReader reader = readers.next();
                try {
                    reader.setInput(in);
                    int count = reader.getNumImages(true);
                    for (int i = 0; i < count && frames.size() < MOST_FRAMES; i++) {
                        BufferedImage each = reader.read(i);
                        if (width == 0) {
                            double smaller =
                                    Math.min(1, (double) MOST_ACROSS / Math.max(each.getWidth(), each.getHeight()));
                            width = (int) Math.max(1, Math.round(each.getWidth() * smaller));
                            height = (int) Math.max(1, Math.round(each.getHeight() * smaller));
                        }
                        frames.add(scaled(each, width, height));
                    }
                } finally {
                    reader.dispose();
                }
            }
        }
        return new PixelLook.Pictures(width, height, frames);
    }

    private static int[] scaled(BufferedImage image, int width, int height) {
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        java.awt.Graphics2D g = small.createGraphics();
        g.setRenderingHint(
                java.awt.RenderingHints.KEY_INTERPOLATION, java.awt.RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        return small.getRGB(0, 0, width, height, null, 0, width);
    }
}
