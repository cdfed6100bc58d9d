package zentrel.app.shell;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A page's picture, or a panel that was opened in its place. */
public final class MainPane extends VBox {
    private final List<Node> picture;

    /** A pane that shows a picture, from top to bottom. */
    public MainPane(Node... picture) {
        this.picture = List.of(picture);
        getStyleClass().add("main-page");
        setMinWidth(0);
        showPicture();
    }

    /** Puts a panel in the place of the picture. */
    public void show(Node panel) {
        VBox.setVgrow(panel, Priority.ALWAYS);
        getChildren().setAll(panel);
    }

    /** Puts the picture back. */
    public void showPicture() {
        getChildren().setAll(picture);
    }
}
