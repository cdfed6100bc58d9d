package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import zentrel.address.AddressChange;
import zentrel.app.look.Texts;
import zentrel.ipv4.HostAddress;

/** Many addresses before and after, in the order in which they are changed on the devices. */
final class ChangePreview {
    private static final double[] COLUMNS = {270, 130, 150};

    private ChangePreview() {}

    static List<Node> of(AddressChange worked) {
        List<Node> nodes = new ArrayList<>();
        worked.warnings().forEach(w -> nodes.add(Texts.wrapped(w, "at-risk")));
        int number = 1;
        for (AddressChange.Step step : worked.steps()) {
            nodes.add(Texts.wrapped(number++ + "  " + step.title(), "strong"));
            nodes.add(table(step));
            nodes.add(Texts.wrapped(
                    step.dark() == 0
                            ? "Then all signals that arrived before arrive again."
                            : step.dark() + (step.dark() == 1 ? " signal is" : " signals are")
                                    + " dark until the next step. " + step.back(),
                    step.dark() == 0 ? "passes" : "at-risk",
                    "small"));
        }
        return nodes;
    }

    private static GridPane table(AddressChange.Step step) {
        GridPane grid = new GridPane();
        grid.setHgap(20);
        grid.setVgap(3);
        for (double width : COLUMNS) {
            grid.getColumnConstraints().add(new ColumnConstraints(width)); // the tables of all steps stand in line
        }
        int line = 0;
        for (AddressChange.Change change : step.changes()) {
            grid.addRow(
                    line++,
                    Texts.of(change.name()),
                    Texts.mono(change.before().map(HostAddress::toString).orElse("none yet"), "soft"),
                    Texts.mono("→ " + change.after()),
                    Texts.of(change.same() ? "" : "a new host part", "at-risk", "small"));
        }
        return grid;
    }
}
