package zentrel.speed;

import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** The smallest JavaFX program with a window: what the start of Zentrel is compared with. */
public final class TrivialWindow {
    private TrivialWindow() {}

    public static void main(String[] args) {
        java.util.logging.Logger.getLogger("javafx").setLevel(java.util.logging.Level.SEVERE);
        Application.launch(Window.class, args);
    }

    /** The program. */
    public static final class Window extends Application {
        @Override
        public void start(Stage stage) {
            stage.setScene(new Scene(new Label("Hello"), 1280, 800));
            stage.show();
            new AnimationTimer() {
                private int frames;

                @Override
                public void handle(long now) {
                    if (++frames == 3) {
                        System.out.println("ready");
                        Platform.exit();
                    }
                }
            }.start();
        }
    }
}
