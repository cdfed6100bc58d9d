package zentrel.app.lit;

import java.nio.IntBuffer;
import javafx.geometry.Rectangle2D;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import org.jspecify.annotations.Nullable;

/** A layer of the picture that is drawn pixel by pixel. */
final class Layer extends ImageView {
    private @Nullable PixelBuffer<IntBuffer> buffer;
    private int[] pixels = new int[1];
    private int across = 1;

    Layer() {
        setMouseTransparent(true);
    }

    void resize(int width, int height) {
        across = width;
        pixels = new int[width * height];
        buffer = new PixelBuffer<>(width, height, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance());
        setImage(new WritableImage(buffer));
    }

    /** Its colours, row by row from the top. */
    int[] pixels() {
        return pixels;
    }

    int across() {
        return across;
    }

    /** Shows what was put into its colours. */
    void drawn() {
        PixelBuffer<IntBuffer> now = buffer;
        if (now != null) {
            now.updateBuffer(b -> (Rectangle2D) null);
        }
    }
}
