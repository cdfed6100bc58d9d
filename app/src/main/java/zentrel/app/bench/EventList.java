package zentrel.app.bench;

import java.util.List;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Texts;
import zentrel.live.LiveEvent;

/** What happened on the net, the newest first. */
final class EventList extends ListView<LiveEvent> {
    EventList() {
        setId("live-events");
        setAccessibleText("What happened, the newest first");
        setPlaceholder(Texts.of("Nothing happened yet.", "soft", "small"));
        setCellFactory(v -> new Cell());
        setPrefHeight(120);
        setMinHeight(60);
    }

    void show(List<LiveEvent> events) {
        if (!events.equals(getItems())) {
            getItems().setAll(events);
        }
    }

    private static final class Cell extends ListCell<LiveEvent> {
        @Override
        protected void updateItem(@Nullable LiveEvent event, boolean empty) {
            super.updateItem(event, empty);
            setGraphic(null);
            if (event == null || empty) {
                setText(null);
                return;
            }
            setText(EventTimes.of(event.time()) + "  " + event.text());
            setWrapText(true);
            setPrefWidth(0);
            setStyle("-fx-font-size: 11px; -fx-text-fill: " + (event.grave() ? "-z-copper" : "-z-ink-soft") + ";");
        }
    }
}
