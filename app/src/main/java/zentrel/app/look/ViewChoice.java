package zentrel.app.look;

import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;

/** The views of a page to choose from; one of them always is. */
public final class ViewChoice extends HBox {
    private final ToggleGroup group = new ToggleGroup();
    private final Runnable changed;

    /** @param changed told whenever another view is chosen */
    public ViewChoice(Runnable changed) {
        super(4);
        this.changed = changed;
        group.selectedToggleProperty().addListener((o, was, is) -> {
            if (is == null && was != null) {
                was.setSelected(true);
            } else {
                this.changed.run();
            }
        });
    }

    /** Adds a view; it is chosen by selecting its button. */
    public ToggleButton add(String title, String id) {
        ToggleButton button = new ToggleButton(title);
        button.setId(id);
        button.getStyleClass().add("view-choice");
        button.setToggleGroup(group);
        getChildren().add(button);
        return button;
    }
}
