package zentrel.app;

import java.util.List;
import javafx.application.Application;

/** Starts the window. It is no JavaFX application itself, so that a plain class path will do. */
public final class Launcher {
    private Launcher() {}

    public static void main(String[] args) {
        ZentrelApp.begin(List.of(args)); // first, for it goes on beside all that follows
        Application.launch(ZentrelApp.class, args);
    }
}
