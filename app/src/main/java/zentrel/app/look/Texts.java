package zentrel.app.look;

import javafx.geometry.VPos;
import javafx.scene.control.Label;
import javafx.scene.text.Text;

/** Labels in the few styles there are. */
public final class Texts {
    private Texts() {}

    public static Label of(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    public static Label mono(String text, String... styles) {
        Label label = of(text, styles);
        label.getStyleClass().add("mono");
        return label;
    }

    /** Text that is only drawn: far lighter than a label, for pictures with hundreds of words. */
    public static Text drawn(String text, String... styles) {
        Text drawn = new Text(text);
        drawn.getStyleClass().add("drawn");
        drawn.getStyleClass().addAll(styles);
        drawn.setTextOrigin(VPos.TOP);
        drawn.setMouseTransparent(true);
        return drawn;
    }

    /** Text that breaks into lines. */
    public static Label wrapped(String text, String... styles) {
        Label label = of(text, styles);
        label.setWrapText(true);
        label.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
        return label;
    }

    /** The heading of a column of so many pixels. */
    public static Label column(String title, double width) {
        Label label = heading(title);
        label.setMinWidth(width);
        label.setPrefWidth(width);
        return label;
    }

    public static Label heading(String text) {
        return of(text, "heading");
    }
}
