package zentrel.app.shell;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;

/** What is opened in place of a page's picture: a title, and Esc leads back. */
public abstract class Panel extends VBox {
    private final Runnable away;

    protected Panel(String title, Runnable away) {
        super(10);
        this.away = away;
        getChildren().add(Texts.of(title, "title"));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                leave();
                e.consume();
            }
        });
    }

    /** Goes back to the picture. A panel that does something until then ends it here. */
    protected void leave() {
        away.run();
    }

    /** The button that leads back. */
    protected final Button back(String id, String text) {
        return Buttons.quiet(text, id, this::leave);
    }

    /** What stands side by side. */
    protected static HBox row(Node... nodes) {
        HBox row = new HBox(10, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
