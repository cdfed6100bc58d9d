package zentrel.app.document;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.Consumer;
import javafx.application.Platform;
import zentrel.app.look.Daemons;
import zentrel.file.PlanFileException;

/** The threads on which a document works, one for each kind of work; what they find is handed over on that of JavaFX. */
final class Workers {
    private static final System.Logger LOG = System.getLogger(Workers.class.getName());

    private final ExecutorService checker = daemon("check");
    private final ExecutorService pictures = daemon("pictures");
    private final ExecutorService trials = daemon("trials");
    private final ScheduledExecutorService disk =
            Executors.newSingleThreadScheduledExecutor(r -> Daemons.of(r, "disk"));
    private final Consumer<String> tell;

    /** @param tell told a sentence, on the thread of JavaFX, where work did not go as it should */
    Workers(Consumer<String> tell) {
        this.tell = tell;
    }

    private static ExecutorService daemon(String name) {
        return Executors.newSingleThreadExecutor(r -> Daemons.of(r, name));
    }

    /** For the findings of the plan. */
    ExecutorService checker() {
        return checker;
    }

    /** For what views draw; an edit does not wait for the pictures of the one before. */
    ExecutorService pictures() {
        return pictures;
    }

    /** For fixes that are tried; an edit does not wait for those of the plan before it. */
    ExecutorService trials() {
        return trials;
    }

    /** For files. */
    ScheduledExecutorService disk() {
        return disk;
    }

    /** Works something out and hands it over. */
    <T> void run(ExecutorService on, Callable<T> work, Consumer<T> then) {
        if (on.isShutdown()) {
            return; // the window is closed, and what was still on its way is for nobody
        }
        on.execute(() -> {
            try {
                T result = work.call();
                Platform.runLater(() -> then.accept(result));
            } catch (PlanFileException e) {
                Platform.runLater(() -> tell.accept(String.valueOf(e.getMessage())));
            } catch (Exception e) {
                LOG.log(System.Logger.Level.ERROR, "Work in the background failed.", e);
                Platform.runLater(() ->
                        tell.accept("That did not work, and nothing was changed. The log of the program says why."));
            }
        });
    }

    /** Ends all of them; what is being written is written. */
    void end() {
        disk.shutdown();
        checker.shutdownNow();
        pictures.shutdownNow();
        trials.shutdownNow();
    }
}
