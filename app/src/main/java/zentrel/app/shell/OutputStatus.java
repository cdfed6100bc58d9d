package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import zentrel.net.OutputGuard;

/** What may leave the computer now, for the whole window, and how to stop it. */
public final class OutputStatus {
    private final ReadOnlyObjectWrapper<OutputGuard.State> state =
            new ReadOnlyObjectWrapper<>(OutputGuard.State.LISTEN);
    private final List<Runnable> stops = new ArrayList<>();

    public ReadOnlyObjectProperty<OutputGuard.State> stateProperty() {
        return state.getReadOnlyProperty();
    }

    public boolean isArmed() {
        return state.get() == OutputGuard.State.ARMED;
    }

    /** Told by what sends, whenever its state changes. */
    public void set(OutputGuard.State now) {
        state.set(now);
    }

    /** Adds what {@link #stop} runs. */
    public void onStop(Runnable stop) {
        stops.add(stop);
    }

    /** Stops all output. */
    public void stop() {
        stops.forEach(Runnable::run);
    }

    /** The state in words, for the top bar. */
    public static String words(OutputGuard.State state) {
        return switch (state) {
            case LISTEN -> "Wire: loopback · listening only";
            case ASK -> "Wire: loopback · asking, no level leaves";
            case ARMED -> "Wire: loopback · ARMED";
        };
    }
}
