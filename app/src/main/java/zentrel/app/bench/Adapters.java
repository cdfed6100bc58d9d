package zentrel.app.bench;

import java.util.List;
import java.util.function.Consumer;
import javafx.application.Platform;
import zentrel.net.NetAdapter;
import zentrel.net.real.RealNet;

/** Which adapters this computer has now; asking takes the system a moment. */
final class Adapters {
    private Adapters() {}

    /** Whether an adapter is as it was when it was chosen. */
    static boolean isThere(NetAdapter adapter) {
        return new RealNet()
                .adapterAt(adapter.address().address())
                .filter(a -> a.name().equals(adapter.name()) && a.up())
                .isPresent();
    }

    static String gone(NetAdapter adapter) {
        return adapter
                + " is gone: no cable, switched off, or another address. Output was stopped; connect it again, or"
                + " choose another.";
    }

    /** All of them, told on the JavaFX thread. */
    static void all(Consumer<List<NetAdapter>> told) {
        List<NetAdapter> all = new RealNet().adapters();
        Platform.runLater(() -> told.accept(all));
    }
}
