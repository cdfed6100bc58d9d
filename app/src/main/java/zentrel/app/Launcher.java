package zentrel.app;

import java.util.List;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;

/** Starts the window. It is no JavaFX application itself, so that a plain class path will do. */
public final class Launcher {
    /** Kept, for a logger that nobody holds forgets its level. JavaFX warns at each start that it is no module, which is meant. */
    private static final Logger JAVAFX = Logger.getLogger("javafx");

    private Launcher() {}

    public static void main(String[] args) {
        JAVAFX.setLevel(Level.SEVERE);
        ZentrelApp.begin(List.of(args)); // first, for it goes on beside all that follows
        Application.launch(ZentrelApp.class, args);
    }
}
