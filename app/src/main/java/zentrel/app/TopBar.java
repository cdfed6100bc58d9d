package zentrel.app;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Command;
import zentrel.app.shell.GoToBox;
import zentrel.app.shell.OutputStatus;
import zentrel.path.Verdict;

/** The bar at the top: the plan's name and menu, the box that goes anywhere, what may leave the computer, the colours. */
final class TopBar extends HBox {
    private final OpenDocument document;
    private final PlanFiles files;
    private final OutputStatus output;
    private final Label name = Texts.of("", "strong");
    private final Label savedState = Texts.of("", "soft");
    private final HBox state = new HBox(6);
    private final Button dayNight = new Button("Day");
    private final Menu recent = new Menu("Open recent");
    private final MenuItem undo;
    private final MenuItem redo;

    /**
     * The bar.
     *
     * @param begin begins a new plan
     * @param about shows settings, and what the program is
     * @param offered what the pages put into the plan's menu
     */
    TopBar(
            OpenDocument document,
            PlanFiles files,
            OutputStatus output,
            GoToBox goTo,
            Runnable begin,
            Runnable about,
            List<Command> offered) {
        this.document = document;
        this.files = files;
        this.output = output;
        undo = item("Undo", "Shortcut+Z", document::undo);
        redo = item("Redo", "Shortcut+Shift+Z", document::redo);
        MenuButton menu = new MenuButton("Plan");
        menu.setId("plan-menu");
        menu.getItems()
                .addAll(
                        item("New", "Shortcut+N", begin),
                        item("Open …", "Shortcut+O", files::open),
                        recent,
                        new SeparatorMenuItem(),
                        item("Save", "Shortcut+S", files::save),
                        item("Save as …", "Shortcut+Shift+S", files::saveAs),
                        item("Copy as a new plan", files::copy),
                        new SeparatorMenuItem());
        offered.forEach(c -> menu.getItems().add(item(c.name(), c.action())));
        menu.getItems()
                .addAll(
                        new SeparatorMenuItem(),
                        undo,
                        redo,
                        new SeparatorMenuItem(),
                        item("Overview of all findings", () -> document.select(null)),
                        new SeparatorMenuItem(),
                        item("Settings, and about Zentrel", about));
        menu.setOnShowing(e -> refreshMenu());
        dayNight.getStyleClass().add("quiet");
        dayNight.setOnAction(e -> document.settings()
                .dayProperty()
                .set(!document.settings().dayProperty().get()));
        state.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(name, savedState, menu, Mark.gap(), goTo, Mark.gap(), state, dayNight);
        getStyleClass().add("top-bar");
        refreshOutput();
        output.stateProperty().addListener(o -> refreshOutput());
        output.wordsProperty().addListener(o -> refreshOutput());
        document.settings()
                .dayProperty()
                .addListener(
                        o -> dayNight.setText(document.settings().dayProperty().get() ? "Night" : "Day"));
    }

    private static MenuItem item(String text, String keys, Runnable action) {
        MenuItem item = item(text, action);
        item.setAccelerator(KeyCombination.valueOf(keys));
        return item;
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> action.run());
        return item;
    }

    private void refreshMenu() {
        undo.setText(document.undoText().map(t -> "Undo: " + t).orElse("Undo"));
        undo.setDisable(document.undoText().isEmpty());
        redo.setText(document.redoText().map(t -> "Redo: " + t).orElse("Redo"));
        redo.setDisable(document.redoText().isEmpty());
        document.recent(paths -> recent.getItems()
                .setAll(paths.stream()
                        .map(f -> {
                            MenuItem item = item(f.toString(), () -> files.open(f));
                            item.setMnemonicParsing(false);
                            return item;
                        })
                        .toList()));
    }

    /** Says what the plan is called and whether it is saved. */
    void refreshTitle() {
        name.setText(document.plan().name());
        String file = document.file().map(f -> f.getFileName().toString()).orElse("no file yet");
        savedState.setText(file + (document.unsavedProperty().get() ? " · not saved" : ""));
    }

    private void refreshOutput() {
        boolean armed = output.isArmed();
        Label text = Texts.of(output.wordsProperty().get(), "small");
        text.getStyleClass().add(armed ? "at-risk" : "soft");
        state.getChildren().setAll(Mark.of(armed ? Verdict.AT_RISK : Verdict.NOT_KNOWN), text);
    }

    /** Changes from night to day colours or back. */
    void changeColours() {
        dayNight.fire();
    }
}
