package zentrel.app.pixels;

import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;

/**
 * Pixels by keys: Left and Right choose, with Shift more; Alt and arrows move by a decimetre, with Shift by a centimetre; T turns, with
 * Shift back; M mirrors; Plus and Minus zoom, Home shows all, End what is chosen; Delete removes.
 */
final class PixelKeys {
    private static final double COARSE = 0.1;
    private static final double FINE = 0.01;

    private final PixelsPage page;

    PixelKeys(PixelsPage page) {
        this.page = page;
    }

    void pressed(KeyEvent e) {
        KeyCode code = e.getCode();
        if (e.isShortcutDown()) {
            return;
        }
        if (e.isAltDown() && code.isArrowKey()) {
            double by = e.isShiftDown() ? FINE : COARSE;
            page.acts()
                    .move(
                            code == KeyCode.RIGHT ? by : code == KeyCode.LEFT ? -by : 0,
                            code == KeyCode.UP ? by : code == KeyCode.DOWN ? -by : 0);
        } else {
            switch (code) {
                case LEFT -> step(-1, e.isShiftDown());
                case RIGHT -> step(1, e.isShiftDown());
                case T -> page.acts().turn(e.isShiftDown() ? 270 : 90);
                case M -> page.acts().mirror();
                case PLUS, ADD, EQUALS -> page.canvas().zoom(true);
                case MINUS, SUBTRACT -> page.canvas().zoom(false);
                case END -> page.canvas().fitChosen();
                case HOME -> page.canvas().fit();
                case DELETE -> page.acts().remove();
                default -> {
                    return;
                }
            }
        }
        e.consume();
    }

    private void step(int by, boolean more) {
        List<PixelRun> all = page.sight().map().runs();
        if (all.isEmpty()) {
            return;
        }
        List<PixelRun> chosen = page.chosenRuns();
        int at = chosen.isEmpty()
                ? (by > 0 ? -1 : all.size())
                : all.indexOf(by > 0 ? chosen.get(chosen.size() - 1) : chosen.get(0));
        Id<PixelRun> next = all.get(Math.floorMod(at + by, all.size())).id();
        if (!more || chosen.stream().noneMatch(r -> r.id().equals(next))) {
            page.choose(List.of(next), more);
        }
    }
}
