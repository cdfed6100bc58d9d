package zentrel.app;

import java.util.List;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.stage.Screen;
import javafx.stage.Stage;
import zentrel.app.document.OpenDocument;
import zentrel.app.shell.Command;
import zentrel.file.Settings;

/** How large everything in the window is, in three steps. A larger step needs a larger window, and a screen that has room for it. */
final class TextSizes {
    /** The least size of a window in which every page has room, as large as usual. */
    static final double LEAST_WIDTH = 1100;

    static final double LEAST_HEIGHT = 700;

    /** Where plus needs Shift, the key says that it is the one of the equals sign. */
    private static final List<KeyCombination> MORE = List.of(
            new KeyCodeCombination(KeyCode.PLUS, KeyCombination.SHORTCUT_DOWN),
            new KeyCodeCombination(KeyCode.EQUALS, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_ANY),
            new KeyCodeCombination(KeyCode.ADD, KeyCombination.SHORTCUT_DOWN));

    private static final List<KeyCombination> LESS = List.of(
            new KeyCodeCombination(KeyCode.MINUS, KeyCombination.SHORTCUT_DOWN),
            new KeyCodeCombination(KeyCode.SUBTRACT, KeyCombination.SHORTCUT_DOWN));
    private static final List<KeyCombination> USUAL = List.of(
            new KeyCodeCombination(KeyCode.DIGIT0, KeyCombination.SHORTCUT_DOWN),
            new KeyCodeCombination(KeyCode.NUMPAD0, KeyCombination.SHORTCUT_DOWN));

    private final Stage stage;
    private final OpenDocument document;

    TextSizes(Stage stage, OpenDocument document) {
        this.stage = stage;
        this.document = document;
        document.settings().property().addListener((o, was, is) -> makeRoom());
        makeRoom();
    }

    /** The keys, for a scene. */
    void keys(Scene scene) {
        MORE.forEach(k -> scene.getAccelerators().put(k, () -> step(1)));
        LESS.forEach(k -> scene.getAccelerators().put(k, () -> step(-1)));
        USUAL.forEach(k -> scene.getAccelerators().put(k, () -> choose(Settings.TextSize.USUAL)));
    }

    /** The steps as commands of the box at the top. */
    List<Command> commands() {
        return List.of(
                new Command("Larger text (Ctrl +)", () -> step(1)),
                new Command("Smaller text (Ctrl −)", () -> step(-1)),
                new Command("Text as large as usual (Ctrl 0)", () -> choose(Settings.TextSize.USUAL)));
    }

    private void step(int by) {
        List<Settings.TextSize> all = List.of(Settings.TextSize.values());
        int next = all.indexOf(document.settings().get().text()) + by;
        if (next >= 0 && next < all.size()) {
            choose(all.get(next));
        }
    }

    /** Makes the text so large, or says why the screen has no room for it. */
    void choose(Settings.TextSize size) {
        Rectangle2D room = room();
        if (size != Settings.TextSize.USUAL
                && (LEAST_WIDTH * size.times() > room.getWidth() || LEAST_HEIGHT * size.times() > room.getHeight())) {
            document.tell("This screen has no room for text that large: it would need "
                    + Math.round(LEAST_WIDTH * size.times()) + " by " + Math.round(LEAST_HEIGHT * size.times())
                    + " pixels, and has " + Math.round(room.getWidth()) + " by " + Math.round(room.getHeight()) + ".");
            return;
        }
        document.settings().change(s -> s.withText(size));
    }

    private Rectangle2D room() {
        return Screen.getScreensForRectangle(stage.getX(), stage.getY(), 1, 1).stream()
                .findFirst()
                .orElse(Screen.getPrimary())
                .getVisualBounds();
    }

    /** The window may not get smaller than what it shows. */
    private void makeRoom() {
        double times = document.settings().get().text().times();
        stage.setMinWidth(LEAST_WIDTH * times);
        stage.setMinHeight(LEAST_HEIGHT * times);
        if (stage.getWidth() < stage.getMinWidth()) {
            stage.setWidth(stage.getMinWidth());
        }
        if (stage.getHeight() < stage.getMinHeight()) {
            stage.setHeight(stage.getMinHeight());
        }
    }
}
