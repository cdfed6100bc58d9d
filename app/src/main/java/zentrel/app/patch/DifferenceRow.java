package zentrel.app.patch;

import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;

/** A fixture that two lists have otherwise: in what, what each says, and whose word is taken. */
final class DifferenceRow extends ListCell<Differing> {
    private static final double NUMBER = 84;
    private static final double WHAT = 156;
    private static final double TAKE = 78;

    /** Whose word is taken. */
    enum Side {
        /** The list is set in its program as the plan is. */
        PLAN,
        /** The plan becomes what the list says. */
        LIST
    }

    private final BiConsumer<Differing, Side> take;

    DifferenceRow(BiConsumer<Differing, Side> take) {
        this.take = take;
    }

    /** What stands above the rows. */
    static HBox head(String list) {
        Label plan = Texts.of("Plan", "soft", "small");
        Label there = Texts.of(list, "soft", "small");
        HBox head = new HBox(
                8,
                width(Texts.of("Number", "soft", "small"), NUMBER),
                width(Texts.of("Differs in", "soft", "small"), WHAT),
                grow(plan),
                grow(there),
                width(new Label(), TAKE),
                width(new Label(), TAKE));
        head.setPadding(new javafx.geometry.Insets(0, 4, 0, 0));
        return head;
    }

    @Override
    protected void updateItem(@Nullable Differing row, boolean empty) {
        super.updateItem(row, empty);
        setText(null);
        if (empty || row == null) {
            setGraphic(null);
            setAccessibleText("");
            return;
        }
        HBox line = new HBox(
                8,
                width(Texts.mono(row.numbers(), "strong"), NUMBER),
                width(Texts.of(row.words(), row.isMissing() ? "broken" : "plain"), WHAT),
                grow(Texts.mono(row.side(true), "small")),
                grow(Texts.mono(row.side(false), "small")),
                take("As the plan", "as-plan-" + row.numbers(), row, Side.PLAN),
                take("As the list", "as-list-" + row.numbers(), row, Side.LIST));
        line.setAlignment(Pos.CENTER_LEFT);
        setGraphic(line);
        setAccessibleText("Fixture " + row.numbers() + ": " + row.words());
    }

    private static Label width(Label label, double width) {
        label.setMinWidth(width);
        label.setPrefWidth(width);
        label.setMaxWidth(width);
        return label;
    }

    private static Label grow(Label label) {
        label.setMinWidth(0);
        label.setPrefWidth(10);
        label.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(label, Priority.ALWAYS);
        return label;
    }

    private Button take(String text, String id, Differing row, Side side) {
        Button button = Buttons.quiet(text, id, () -> take.accept(row, side));
        button.setMinWidth(TAKE);
        button.setPrefWidth(TAKE);
        return button;
    }
}
