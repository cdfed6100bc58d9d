package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import zentrel.net.OutputGuard;

/** What may leave the computer now, for the whole window, and how to stop it. */
public final class OutputStatus {
    private final ReadOnlyObjectWrapper<OutputGuard.State> state =
            new ReadOnlyObjectWrapper<>(OutputGuard.State.LISTEN);
    private final Map<String, OutputGuard.State> wires = new TreeMap<>();
    private final ReadOnlyStringWrapper words = new ReadOnlyStringWrapper("Wire: nothing leaves");
    private final List<Runnable> stops = new ArrayList<>();

    public ReadOnlyObjectProperty<OutputGuard.State> stateProperty() {
        return state.getReadOnlyProperty();
    }

    public boolean isArmed() {
        return state.get() == OutputGuard.State.ARMED;
    }

    /** What may leave, and by what, for the top bar. */
    public ReadOnlyStringProperty wordsProperty() {
        return words.getReadOnlyProperty();
    }

    /**
     * Told by what sends, whenever its state changes.
     *
     * @param wire the adapter, or what stands for one, in words
     */
    public void set(String wire, OutputGuard.State now) {
        if (now == OutputGuard.State.LISTEN) {
            wires.remove(wire);
        } else {
            wires.put(wire, now);
        }
        String leads = wires.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("loopback");
        state.set(wires.getOrDefault(leads, OutputGuard.State.LISTEN));
        words.set("Wire: " + leads + words(state.get()));
    }

    /** Adds what {@link #stop} runs. */
    public void onStop(Runnable stop) {
        stops.add(stop);
    }

    /** Stops all output. */
    public void stop() {
        stops.forEach(Runnable::run);
    }

    private static String words(OutputGuard.State state) {
        return switch (state) {
            case LISTEN -> " · listening only";
            case ASK -> " · asking, nothing set";
            case ARMED -> " · ARMED";
        };
    }
}
