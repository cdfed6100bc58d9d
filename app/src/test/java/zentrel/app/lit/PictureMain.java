package zentrel.app.lit;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import javafx.animation.PauseTransition;
import javafx.application.ConditionalFeature;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import zentrel.demo.FernlightTrail;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;

/** Writes a picture of the demo's place by the pipeline with which it was started, and says whether that has 3D. */
final class PictureMain {
    static final int WIDTH = 640;
    static final int HEIGHT = 400;

    private PictureMain() {}

    public static void main(String[] args) {
        Platform.startup(() -> {
            try {
                begin(Path.of(args[0]));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static void begin(Path file) throws IOException {
        Plan plan = FernlightTrail.draft();
        LitPicture picture = new LitPicture(new SignalPaths(plan), WIDTH, HEIGHT);
        picture.look(plan.viewpoints().get(1));
        Stage stage = new Stage();
        stage.setScene(new Scene(new Group(picture.node()), WIDTH, HEIGHT));
        stage.show();
        PauseTransition drawn = new PauseTransition(Duration.seconds(1)); // the ground is drawn finely after a rest
        drawn.setOnFinished(e -> {
            WritableImage shot = stage.getScene().snapshot(null);
            BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
            for (int y = 0; y < HEIGHT; y++) {
                for (int x = 0; x < WIDTH; x++) {
                    image.setRGB(x, y, shot.getPixelReader().getArgb(x, y));
                }
            }
            try {
                ImageIO.write(image, "png", file.toFile());
            } catch (IOException x) {
                throw new UncheckedIOException(x);
            }
            System.out.println("3D " + Platform.isSupported(ConditionalFeature.SCENE3D));
            Platform.exit();
        });
        drawn.play();
    }
}
