package zentrel.app.look;

import java.util.List;
import javafx.beans.value.ObservableValue;
import javafx.scene.Parent;
import javafx.scene.control.Dialog;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;
import javafx.stage.Window;
import zentrel.file.Settings;

/** What a window stands on: it wears the colours that the user chose, and shows everything as large as was chosen. */
public final class WindowRoot extends Region {
    private static final String DAY = "day";
    private static final String LARGER = "text-larger";
    private static final String LARGEST = "text-largest";

    private final Region content;
    private final Scale scale = new Scale(1, 1);

    /** @param settings what the user chose, now and later */
    public WindowRoot(Region content, ObservableValue<Settings> settings) {
        this.content = content;
        content.getTransforms().add(scale);
        getChildren().add(content);
        setMinSize(0, 0); // else it asks everything in it how small it may get, at each layout
        settings.addListener((o, was, is) -> wear(is));
        wear(settings.getValue());
    }

    private void wear(Settings settings) {
        getStyleClass().removeAll(DAY, LARGER, LARGEST);
        getStyleClass().addAll(settings.day() ? List.of(DAY) : List.of());
        switch (settings.text()) {
            case LARGER -> getStyleClass().add(LARGER);
            case LARGEST -> getStyleClass().add(LARGEST);
            case USUAL -> {}
        }
        if (scale.getX() != settings.text().times()) {
            scale.setX(settings.text().times());
            scale.setY(settings.text().times());
            requestLayout();
        }
    }

    @Override
    protected void layoutChildren() {
        content.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
    }

    /** Lets what is a window of its own wear what the window wears that it belongs to. */
    public static void dress(Parent root, Window owner) {
        List<String> worn = List.of(DAY, LARGER, LARGEST);
        root.getStyleClass().removeAll(worn);
        root.getStylesheets().setAll(owner.getScene().getStylesheets());
        root.getStyleClass()
                .addAll(owner.getScene().getRoot().getStyleClass().stream()
                        .filter(worn::contains)
                        .toList());
    }

    /** Lets a dialog belong to a window, and wear what that wears. */
    public static void dress(Dialog<?> dialog, Window owner) {
        dialog.initOwner(owner);
        dress(dialog.getDialogPane(), owner);
    }
}
