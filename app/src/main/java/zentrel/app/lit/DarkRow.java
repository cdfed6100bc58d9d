package zentrel.app.lit;

import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.lit.LitPlan.DarkGroup;
import zentrel.path.Verdict;
import zentrel.plan.Fixture;

/** Fixtures that are dark for one cause. */
final class DarkRow extends ListCell<DarkGroup> {
    private static final int MOST_NUMBERS = 5;

    private final Label numbers = Texts.of("", "mono");
    private final Label why = Texts.of("", "soft");
    private final HBox row = new HBox(8, Mark.of(Verdict.BROKEN), numbers, why);

    DarkRow() {
        row.setAlignment(Pos.CENTER_LEFT);
        numbers.setMinWidth(150);
        numbers.setPrefWidth(150);
        why.setMinWidth(0);
        prefWidthProperty().bind(widthProperty());
    }

    @Override
    protected void updateItem(DarkGroup group, boolean empty) {
        super.updateItem(group, empty);
        if (empty || group == null) {
            setGraphic(null);
            return;
        }
        numbers.setText(said(group));
        why.setText(group.dark().text());
        setAccessibleText(numbers.getText() + ": " + why.getText());
        setGraphic(row);
    }

    /** The numbers of its fixtures. */
    static String said(DarkGroup group) {
        String few = group.fixtures().stream()
                .limit(MOST_NUMBERS - 1L)
                .map(f -> f.number().isEmpty() ? f.name() : f.number())
                .collect(Collectors.joining(", "));
        int size = group.fixtures().size();
        if (size <= MOST_NUMBERS - 2) {
            return few;
        }
        Fixture last = group.fixtures().get(size - 1);
        return group.fixtures().get(0).number() + " to " + last.number() + ", " + size;
    }
}
