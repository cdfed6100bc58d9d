package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.command.Addition;
import zentrel.entry.Format;
import zentrel.gear.GearEdit;
import zentrel.plan.Plan;

/** A form that adds something: a few questions, Enter adds, Escape leaves it. */
final class AddBox extends VBox {
    private static final double LABELS = 112;

    private final OpenDocument document;
    private final Addition addition;
    private final Runnable done;
    private final List<Supplier<String>> answers = new ArrayList<>();
    private final Label wrong = Texts.wrapped("", "broken", "small");
    private final GridPane grid = new GridPane();

    /**
     * A form.
     *
     * @param done run when something was added, or nothing is to be
     */
    AddBox(OpenDocument document, Addition addition, Runnable done) {
        super(6);
        this.document = document;
        this.addition = addition;
        this.done = done;
        getStyleClass().add("add-box");
        grid.setHgap(8);
        grid.setVgap(5);
        Plan plan = document.plan();
        for (int i = 0; i < addition.asks().size(); i++) {
            ask(plan, addition.asks().get(i), i);
        }
        wrong.setId("add-wrong");
        wrong.setManaged(false);
        Button add = new Button("Add");
        add.getStyleClass().add("action");
        add.setId("add-now");
        add.setOnAction(e -> add());
        HBox buttons = new HBox(8, add, MarginPane.quiet("Cancel", done));
        buttons.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        Texts.wrapped("Add: " + addition.title().toLowerCase(Locale.ROOT), "strong"),
                        grid,
                        wrong,
                        buttons);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                done.run();
                e.consume();
            } else if (e.getCode() == KeyCode.ENTER) {
                add();
                e.consume();
            }
        });
    }

    private void ask(Plan plan, Addition.Ask<?> ask, int line) {
        Node control = ask.format().control() == Format.Control.TEXT ? text(ask) : choice(plan, ask);
        control.setId("add-" + line);
        control.setAccessibleText(addition.title() + ": " + ask.title());
        Label label = Texts.wrapped(ask.title(), "soft");
        label.setMinWidth(LABELS);
        label.setMaxWidth(LABELS);
        GridPane.setHgrow(control, Priority.ALWAYS);
        grid.add(label, 0, line);
        grid.add(control, 1, line);
    }

    private Node text(Addition.Ask<?> ask) {
        TextField box = new TextField(ask.usual().strip());
        if (!ask.format().hint().isEmpty()) {
            box.setPromptText(ask.format().hint());
            box.getStyleClass().add("mono");
        }
        answers.add(box::getText);
        return box;
    }

    private Node choice(Plan plan, Addition.Ask<?> ask) {
        ComboBox<String> box = new ComboBox<>();
        box.setMaxWidth(Double.MAX_VALUE);
        box.setEditable(true); // a large plan has thousands to choose from, so a name may be typed
        box.setValue(ask.usual());
        box.setOnShowing(e -> box.getItems().setAll(ask.format().choices(plan)));
        answers.add(() -> box.getEditor().getText());
        return box;
    }

    /** Puts the focus on the first question. */
    void begin() {
        Node first = lookup("#add-0");
        if (first != null) {
            first.requestFocus();
        }
    }

    private void add() {
        Plan before = document.plan();
        List<String> entered = answers.stream().map(Supplier::get).toList();
        document.make(() -> addition.made(before, entered), made -> added(before, made), why -> {
            wrong.setText(why);
            wrong.setManaged(true);
        });
    }

    /** What was added is selected, so that the rest of it can be entered. */
    private void added(Plan before, GearEdit made) {
        done.run();
        Addition.added(before, document.plan()).ifPresent(document::select);
        document.tell(made.edit().text() + ".");
    }
}
