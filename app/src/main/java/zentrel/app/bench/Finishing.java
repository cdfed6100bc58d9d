package zentrel.app.bench;

import java.io.IOException;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;

/** Work that may go wrong with files and nets, and who is told how it went. */
final class Finishing {
    private Finishing() {}

    /** What is done. */
    interface Work {
        void run() throws IOException;
    }

    /** Does it here; {@code done} is told on the JavaFX thread what went wrong. */
    static void of(Consumer<Optional<String>> done, Work work) {
        Optional<String> problem = Optional.empty();
        try {
            work.run();
        } catch (IOException e) {
            problem = Optional.of(String.valueOf(e.getMessage()));
        }
        Optional<String> said = problem;
        Platform.runLater(() -> done.accept(said));
    }
}
