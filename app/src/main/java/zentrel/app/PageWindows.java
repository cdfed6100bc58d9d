package zentrel.app;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.WindowRoot;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;

/** Pages that stand in windows of their own, say on a second screen. Each page is there once: here or in the window. */
final class PageWindows {
    static final KeyCombination OPEN =
            new KeyCodeCombination(KeyCode.N, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
    private static final KeyCombination CLOSE = new KeyCodeCombination(KeyCode.W, KeyCombination.SHORTCUT_DOWN);
    private static final double WIDTH = 1000;
    private static final double HEIGHT = 700;

    private final Stage main;
    private final OpenDocument document;
    private final List<PageEntry<?>> pages;
    private final Map<Integer, Stage> open = new HashMap<>();

    PageWindows(Stage main, OpenDocument document, List<PageEntry<?>> pages) {
        this.main = main;
        this.document = document;
        this.pages = pages;
    }

    /** Whether a page stands in a window of its own. */
    boolean isOpen(int page) {
        return open.containsKey(page);
    }

    /** Brings the window of a page to the front. */
    void toFront(int page) {
        Stage stage = open.get(page);
        if (stage != null) {
            stage.setIconified(false);
            stage.toFront();
            stage.requestFocus();
        }
    }

    /** How many pages stand in windows of their own. */
    int count() {
        return open.size();
    }

    /** Moves a page, which nothing else shows any more, into a window of its own. */
    void open(int page) {
        PageEntry<?> entry = pages.get(page);
        PageView view = entry.view();
        Node node = view.node();
        StackPane front = new StackPane(node);
        front.getStyleClass().add("page-window");
        Stage stage = new Stage();
        Scene scene = new Scene(new WindowRoot(front, document.settings().property()), WIDTH, HEIGHT);
        scene.getStylesheets().setAll(main.getScene().getStylesheets());
        scene.addEventHandler(KeyEvent.KEY_PRESSED, e -> pressed(page, e));
        stage.setScene(scene);
        stage.titleProperty().bind(Bindings.concat(entry.title(), " – ", main.titleProperty()));
        stage.setMinWidth(700);
        stage.setMinHeight(400);
        WindowPlaces.keep(stage, entry.title(), document.settings());
        stage.setOnHidden(e -> {
            open.remove(page);
            view.hidden();
            front.getChildren().clear();
        });
        open.put(page, stage);
        stage.show();
        view.shown();
        PageFocus.into(front);
    }

    /** A key is first for the page, then for what is everywhere: the accelerators of the window itself. */
    private void pressed(int page, KeyEvent e) {
        if (CLOSE.match(e)) {
            close(page);
            e.consume();
            return;
        }
        pages.get(page).view().unusedKey(e);
        if (e.isConsumed()) {
            return;
        }
        main.getScene().getAccelerators().entrySet().stream()
                .filter(a -> a.getKey().match(e))
                .findFirst()
                .ifPresent(a -> {
                    e.consume();
                    a.getValue().run();
                });
    }

    /** Gives a page back. */
    void close(int page) {
        Stage stage = open.get(page);
        if (stage != null) {
            stage.close();
        }
    }

    /** Gives all pages back. */
    void closeAll() {
        List.copyOf(open.keySet()).forEach(this::close);
    }
}
