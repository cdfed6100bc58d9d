package zentrel.app.help;

import java.util.ArrayDeque;
import java.util.Deque;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.look.Buttons;
import zentrel.app.shell.Panel;

/** A help page in place of the page in front, with the way back; Esc leads back to the plan. */
public final class HelpPane extends Panel {
    private final ScrollPane scroll = new ScrollPane();
    private final Deque<String> before = new ArrayDeque<>();
    private final Button earlier = Buttons.quiet("Back a page", "help-earlier", this::earlier);
    private String shown = "";

    /** @param away closes the help */
    public HelpPane(Runnable away) {
        super("Help", away);
        setId("help");
        getStyleClass().add("main-page");
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox row = row(
                back("help-leave", "Back to the plan (Esc)"),
                earlier,
                Buttons.quiet("All pages", "help-index", () -> show(HelpPages.INDEX)),
                Buttons.quiet("Keys", "help-keys", () -> show(HelpPages.KEYS)));
        getChildren().addAll(row, scroll);
    }

    /** Shows a page, by its name. */
    public void show(String name) {
        if (!shown.isEmpty() && !name.equals(shown)) {
            before.push(shown);
        }
        draw(name);
    }

    /** The name of the page that is shown. */
    public String shown() {
        return shown;
    }

    private void earlier() {
        if (!before.isEmpty()) {
            draw(before.pop());
        }
    }

    private void draw(String name) {
        shown = name;
        earlier.setDisable(before.isEmpty());
        VBox page = HelpText.of(HelpPages.text(name).orElse("# There is no page of this name\n\n" + name), this::show);
        page.setPadding(new Insets(4, 24, 24, 0));
        scroll.setContent(page);
        scroll.setVvalue(0);
        scroll.requestFocus();
    }
}
