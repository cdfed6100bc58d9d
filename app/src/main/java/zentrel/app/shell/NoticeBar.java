package zentrel.app.shell;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import zentrel.app.document.Notice;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;

/** What the document tells the user, until it is dismissed; not there while it tells nothing. */
public final class NoticeBar extends HBox {
    private final OpenDocument document;

    public NoticeBar(OpenDocument document) {
        this.document = document;
        refresh();
        document.noticeProperty().addListener(o -> refresh());
    }

    private void refresh() {
        Notice now = document.noticeProperty().get();
        getChildren().clear();
        setVisible(now != null);
        setManaged(now != null);
        if (now == null) {
            return;
        }
        getStyleClass().setAll("notice");
        Label text = Texts.wrapped(now.text());
        text.setId("notice");
        getChildren().add(text);
        now.action().ifPresent(words -> {
            Button button = new Button(words);
            button.getStyleClass().add("action");
            button.setId("notice-action");
            button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            button.setOnAction(e -> {
                document.noticeProperty().set(null);
                now.onAction().run();
            });
            getChildren().add(button);
        });
        Button away = new Button("Dismiss");
        away.getStyleClass().add("quiet");
        away.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        away.setOnAction(e -> document.noticeProperty().set(null));
        getChildren().addAll(Mark.gap(), away);
    }
}
