package zentrel.app;

import java.util.List;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;

/** Starts the window. It is no JavaFX application itself, so that a plain class path will do. */
public final class Launcher {
    /** Kept, because loggers are forgotten otherwise. It would warn that JavaFX is not on the module path, which is meant. */
    private static final Logger JAVAFX = Logger.getLogger("javafx");

    private Launcher() {}

    public static void main(String[] args) {
        JAVAFX.setLevel(Level.SEVERE);
        ZentrelApp.begin(List.of(args));
        Application.launch(ZentrelApp.class, args);
    }
}
