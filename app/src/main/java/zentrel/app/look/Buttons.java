package zentrel.app.look;

import javafx.scene.control.Button;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.Region;

/** Buttons in the two styles there are, and items of menus. What stands beside a button gives way before its words do. */
public final class Buttons {
    private Buttons() {}

    /** One that changes something. */
    public static Button action(String text, String id, Runnable work) {
        return button(text, id, "action", work);
    }

    /** One that leads elsewhere. */
    public static Button quiet(String text, String id, Runnable work) {
        return button(text, id, "quiet", work);
    }

    private static Button button(String text, String id, String style, Runnable work) {
        Button button = new Button(text);
        button.getStyleClass().add(style);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(e -> work.run());
        return button;
    }

    public static MenuItem item(String text, String id, Runnable work) {
        MenuItem item = new MenuItem(text);
        item.setId(id);
        item.setOnAction(e -> work.run());
        return item;
    }
}
