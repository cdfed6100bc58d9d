package zentrel.app;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import org.jspecify.annotations.Nullable;
import zentrel.app.about.AboutPane;
import zentrel.app.document.OpenDocument;
import zentrel.app.help.HelpPages;
import zentrel.app.help.HelpPane;
import zentrel.app.shell.Command;
import zentrel.app.shell.PathStrip;
import zentrel.file.Settings;
import zentrel.path.HopKind;

/** Help in place of the page in front: F1 shows what is said of what is selected, F1 again the keys, Esc the page again. */
final class HelpOverlay {
    private final OpenDocument document;
    private final PathStrip strip;
    private final Supplier<Optional<String>> rule;
    private final StackPane front;
    private @Nullable HelpPane pane;
    private List<Node> covered = List.of();

    /** @param rule the rule of the first finding of what is selected */
    HelpOverlay(OpenDocument document, PathStrip strip, Supplier<Optional<String>> rule, StackPane front) {
        this.document = document;
        this.strip = strip;
        this.rule = rule;
        this.front = front;
    }

    /**
     * F1.
     *
     * @param page the help page of the page in front, if it has one
     */
    void key(Optional<String> page) {
        show(isShown() ? HelpPages.KEYS : about(page));
    }

    /** The page about the hop that was chosen, the first finding of what is selected, or what the page in front is for. */
    private String about(Optional<String> page) {
        Optional<String> hop = strip.chosen().map(HopKind::number).map(n -> "hop-" + n);
        Optional<String> wrong = document.selectionProperty().get() == null
                ? Optional.empty()
                : rule.get().map(r -> "rule-" + r);
        return HelpPages.named(hop.or(() -> wrong).or(() -> page).orElse(HelpPages.INDEX));
    }

    /** Shows a help page, by its name. */
    void show(String name) {
        HelpPane now = pane;
        if (now == null) {
            now = new HelpPane(this::leave);
            pane = now;
        }
        cover(now);
        now.show(HelpPages.named(name));
    }

    /**
     * Shows settings, and what the program is.
     *
     * @param chooseText changes how large the text is
     */
    void about(Consumer<Settings.TextSize> chooseText) {
        AboutPane now = new AboutPane(document, chooseText, this::leave);
        cover(now);
        PageFocus.into(front);
    }

    private void cover(Node pane) {
        if (!covers()) {
            covered = List.copyOf(front.getChildren());
        }
        front.getChildren().setAll(pane);
    }

    private boolean covers() {
        return front.getChildren().stream().anyMatch(n -> n instanceof HelpPane || n instanceof AboutPane);
    }

    boolean isShown() {
        return pane != null && front.getChildren().contains(pane);
    }

    /** Puts what was in front back. */
    void leave() {
        if (covers()) {
            front.getChildren().setAll(covered);
            PageFocus.into(front);
        }
    }

    /** Each page as a command of the box at the top. */
    List<Command> commands() {
        return HelpPages.all().entrySet().stream()
                .map(e -> new Command("Help: " + e.getValue(), () -> show(e.getKey())))
                .toList();
    }
}
