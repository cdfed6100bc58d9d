package zentrel.app;

import java.util.List;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;

/** Starts the window. It is no JavaFX application itself, so that a plain class path will do. */
public final class Launcher {
    private Launcher() {}

    public static void main(String[] args) {
        ZentrelApp.begin(List.of(args)); // first, for it goes on beside all that follows
        Quiet.JAVAFX.setLevel(Level.SEVERE);
        Application.launch(ZentrelApp.class, args);
    }

    /** Of its own, so that loggers, which take their time, are not made before the plan is begun. */
    private static final class Quiet {
        /** Kept, because loggers are forgotten otherwise. It would warn that JavaFX is not on the module path, which is meant. */
        static final Logger JAVAFX = Logger.getLogger("javafx");
    }
}
