package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Texts;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.entry.Format;
import zentrel.gear.SettingChange;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** Everything that can be entered of one thing, each field entered by itself; what belongs to it is a step away. */
final class EntryBox<E> extends VBox {
    private static final double LABELS = 112;
    private static final KeyCombination UNDO = KeyCombination.valueOf("Shortcut+Z");

    private final OpenDocument document;
    private final Plan plan;
    private final Id<E> id;
    private final Consumer<String> entered;
    private final GridPane grid = new GridPane();
    private int line;

    /**
     * A box for one thing.
     *
     * @param entered told the key of a field when it was entered
     */
    EntryBox(OpenDocument document, Plan plan, Id<E> id, Consumer<String> entered) {
        super(6);
        this.document = document;
        this.plan = plan;
        this.id = id;
        this.entered = entered;
        grid.setHgap(8);
        grid.setVgap(5);
        String group = "";
        for (Field<E> field : Entries.of(id.kind())) {
            if (!field.group().equals(group)) {
                group = field.group();
                grid.add(Texts.wrapped(group, "strong"), 0, line++, 2, 1);
            }
            add(field);
        }
        getChildren().addAll(grid, belongings());
    }

    /** Puts the focus on a field, where it was before the change that made this box anew. */
    void focus(@Nullable String key) {
        if (key != null) {
            Node field = lookup("#entry-" + key);
            if (field != null) {
                Platform.runLater(field::requestFocus);
            }
        }
    }

    private void add(Field<E> field) {
        Field.Shown shown = field.shown(plan, id);
        Label wrong = Texts.wrapped("", "broken", "small");
        wrong.setId("entry-" + field.key() + "-wrong");
        wrong.setManaged(false);
        VBox cell = new VBox(2, control(field, shown, wrong));
        shown.planned().ifPresent(p -> cell.getChildren().add(Texts.wrapped("planned " + p, "at-risk", "small")));
        cell.getChildren().add(wrong);
        GridPane.setHgrow(cell, Priority.ALWAYS);
        Label label = Texts.wrapped(field.title(), "soft");
        label.setMinWidth(LABELS);
        label.setMaxWidth(LABELS);
        grid.add(label, 0, line);
        grid.add(cell, 1, line++);
    }

    private Node control(Field<E> field, Field.Shown shown, Label wrong) {
        Node control = field.control() == Format.Control.TEXT
                ? text(field, shown, wrong)
                : field.control() == Format.Control.FLAG ? flag(field, shown, wrong) : choice(field, shown, wrong);
        control.setId("entry-" + field.key());
        control.setAccessibleText(field.title() + " of " + plan.index().name(id));
        return control;
    }

    private Node text(Field<E> field, Field.Shown shown, Label wrong) {
        TextField box = new TextField(shown.inForce());
        if (!field.hint().isEmpty()) {
            box.getStyleClass().add("mono"); // addresses, numbers and what else must line up; names are words
            box.setPromptText(field.hint());
            Hint.on(box, field::hint);
        }
        box.setOnAction(e -> enter(field, box.getText(), wrong, false));
        box.focusedProperty().addListener((o, was, is) -> {
            if (was && !is && !box.getText().equals(shown.inForce())) {
                enter(field, box.getText(), wrong, false);
            }
        });
        // nothing is typed that the field itself could take back, so the change before is meant
        box.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (UNDO.match(e) && box.getText().equals(shown.inForce())) {
                document.undo();
                e.consume();
            } else if (e.getCode() == KeyCode.ENTER && e.isShiftDown()) {
                enter(field, box.getText(), wrong, true);
                e.consume();
            }
        });
        box.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE && !box.getText().equals(shown.inForce())) {
                box.setText(shown.inForce());
                e.consume();
            }
        });
        return box;
    }

    private Node flag(Field<E> field, Field.Shown shown, Label wrong) {
        List<String> words = field.choices(plan);
        CheckBox box = new CheckBox();
        box.setSelected(shown.inForce().equals(words.get(0)));
        box.setOnAction(e -> enter(field, words.get(box.isSelected() ? 0 : 1), wrong, false));
        return box;
    }

    private Node choice(Field<E> field, Field.Shown shown, Label wrong) {
        ComboBox<String> box = new ComboBox<>();
        box.setValue(shown.inForce());
        box.setMaxWidth(Double.MAX_VALUE);
        // a large plan has thousands to choose from, so they are listed when somebody looks
        box.setOnShowing(e -> box.getItems().setAll(field.choices(plan)));
        box.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
                box.show();
                e.consume();
            }
        });
        box.setOnAction(e -> {
            if (box.getValue() != null && !box.getValue().equals(shown.inForce())) {
                enter(field, box.getValue(), wrong, false);
            }
        });
        return box;
    }

    /**
     * Enters a value, or says under the field why it is none; what was typed stays.
     *
     * @param later whether it is only planned, to be set on the device later
     */
    private void enter(Field<E> field, String value, Label wrong, boolean later) {
        try {
            Optional<SettingChange> change = SettingChange.entered(document.plan(), id, field, value);
            if (later) {
                change.ifPresent(c -> requireLater(field, c));
            }
            wrong.setManaged(false);
            wrong.setText("");
            change.ifPresent(c -> {
                entered.accept(field.key());
                document.propose(c, later);
            });
        } catch (IllegalArgumentException e) {
            wrong.setText(String.valueOf(e.getMessage()));
            wrong.setManaged(true);
        }
    }

    private void requireLater(Field<E> field, SettingChange change) {
        Plan now = document.plan();
        boolean stays = field.shown(change.later().applyTo(now), id)
                .inForce()
                .equals(field.shown(now, id).inForce());
        if (!stays) {
            throw new IllegalArgumentException(
                    field.title() + " is not a setting of the device, so it cannot be planned for later.");
        }
    }

    /** What belongs to it, to go there. */
    private Node belongings() {
        List<Button> buttons = new ArrayList<>();
        for (Id<?> part : Belongings.of(plan, id)) {
            buttons.add(MarginPane.quiet(plan.index().name(part), () -> document.select(part)));
        }
        FlowPane all = new FlowPane(6, 2);
        all.getChildren().addAll(buttons);
        return buttons.isEmpty() ? new VBox() : new VBox(2, Texts.of("Belongs to it", "soft", "small"), all);
    }
}
