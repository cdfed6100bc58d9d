package zentrel.app.lit;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import zentrel.app.lit.GroundPaint.Decoded;
import zentrel.plan.PictureFile;

/** Pictures of files into a plan, and out of it onto the ground. In the background. */
final class PictureReader {
    private static final int WANTED = 1600;
    private static final float QUALITY = 0.85f;
    private static final long MOST_BYTES = 200_000_000;

    private PictureReader() {}

    /**
     * Reads a file; a large picture is reduced, and what then still is too large loses quality.
     *
     * @throws IOException with a sentence, where it is no picture
     */
    static PictureFile read(Path file) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw new IOException(file.getFileName() + " has more than 200 MB; make it smaller first.");
        }
        BufferedImage image;
        try (InputStream in = Files.newInputStream(file)) {
            image = decoded(in, file.getFileName() + " is no picture that can be read here (PNG, JPEG, GIF, BMP).");
        }
        double smaller = Math.min(1, (double) WANTED / Math.max(image.getWidth(), image.getHeight()));
        BufferedImage small = scaled(image, (int) Math.max(1, Math.round(image.getWidth() * smaller)), (int)
                Math.max(1, Math.round(image.getHeight() * smaller)));
        for (float quality = QUALITY; quality > 0.2f; quality -= 0.15f) {
            byte[] bytes = jpeg(small, quality);
            if (bytes.length <= PictureFile.MOST_BYTES) {
                return PictureFile.of(small.getWidth(), small.getHeight(), bytes);
            }
        }
        BufferedImage half = scaled(small, Math.max(1, small.getWidth() / 2), Math.max(1, small.getHeight() / 2));
        return PictureFile.of(half.getWidth(), half.getHeight(), jpeg(half, 0.5f));
    }

    /** The pixels of a picture of a plan. */
    static Decoded decode(PictureFile file) throws IOException {
        BufferedImage image =
                decoded(new ByteArrayInputStream(file.bytes()), "The picture in the plan is damaged; choose it anew.");
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        return new Decoded(image.getWidth(), image.getHeight(), pixels);
    }

    /** Reads every second, third … pixel of a very large one, so that it fits into memory. */
    private static BufferedImage decoded(InputStream from, String wrong) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(from)) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new IOException(wrong);
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                int most = Math.max(reader.getWidth(0), reader.getHeight(0));
                ImageReadParam param = reader.getDefaultReadParam();
                int every = Math.max(1, most / (2 * WANTED));
                param.setSourceSubsampling(every, every, 0, 0);
                return reader.read(0, param);
            } catch (IndexOutOfBoundsException | IllegalArgumentException e) {
                throw new IOException(wrong, e);
            } finally {
                reader.dispose();
            }
        }
    }

    private static BufferedImage scaled(BufferedImage image, int width, int height) {
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        return small;
    }

    private static byte[] jpeg(BufferedImage image, float quality) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
