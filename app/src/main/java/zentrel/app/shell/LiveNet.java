package zentrel.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.live.SendJob;
import zentrel.live.UniverseSeen;

/** The net that the Bench looks at, for pages that show levels or send them. On the JavaFX thread. */
public interface LiveNet {
    /** What is looked at, in words; empty where nothing is. */
    Optional<String> place();

    /** Whether levels may leave by it. */
    boolean isArmed();

    /** Asks for what is heard at this moment; told on the JavaFX thread. */
    void heard(Consumer<List<UniverseSeen>> told);

    /** Sends test levels in place of those that are sent; told what went wrong. */
    void send(List<SendJob> jobs, String words, Consumer<Optional<String>> done);

    /** What is sent, in words; empty where nothing is. */
    Optional<String> sending();

    /** Ends what is sent. */
    void stopSending();
}
