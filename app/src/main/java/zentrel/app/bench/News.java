package zentrel.app.bench;

import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import org.jspecify.annotations.Nullable;

/** What happened on the bench, the newest first. */
final class News extends ListView<String> {
    News() {
        setAccessibleText("What happened, the newest first");
        setFocusTraversable(true);
        setMinHeight(60);
        setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(@Nullable String item, boolean empty) {
                super.updateItem(item, empty);
                setText(empty ? null : item);
                setStyle("-fx-font-family: 'IBM Plex Mono'; -fx-font-size: 11px; -fx-text-fill: -z-ink-soft;");
            }
        });
    }
}
