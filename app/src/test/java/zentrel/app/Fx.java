package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.awaitility.Awaitility.await;

import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;

/** The JavaFX thread, for tests: do something on it, wait until something is so on it. */
public final class Fx {
    private Fx() {}

    /** What {@code work} gives on the JavaFX thread; a failure there is a failure here. */
    public static <T> T fx(Callable<T> work) {
        CompletableFuture<T> result = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                result.complete(work.call());
            } catch (Exception e) {
                result.completeExceptionally(e);
            }
        });
        return result.orTimeout(20, SECONDS).join();
    }

    /** Waits until a condition holds on the JavaFX thread. */
    public static void settled(Callable<Boolean> condition) {
        await().atMost(30, SECONDS).until(() -> fx(condition));
    }
}
