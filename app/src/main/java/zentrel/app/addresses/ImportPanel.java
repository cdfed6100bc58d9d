package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.address.AddressImport;
import zentrel.address.AddressImport.Column;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.app.shell.TableInput;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** A table of addresses taken over: pasted or read from a file, with its columns told apart, and what would change. */
final class ImportPanel extends ReaddressPanel {
    private static final String NOTHING = "—";

    private final TableInput input;
    private final FlowPane columns = new FlowPane(10, 6);
    private final Plan plan;
    private @Nullable TextTable table;
    private @Nullable Columns<Column> guessed;

    ImportPanel(OpenDocument document, Runnable away) {
        super(document, away, "import", "Import a table of addresses", Where.NOWHERE);
        this.plan = document.plan();
        input = new TableInput(document, "import", "Paste rows here: host, address, mask …", this::clear, this::read);
        VBox box = new VBox(6, input, columns);
        build(
                List.of(),
                List.of(input.file()),
                "Every row is about an adapter of the plan, found by the name of its device or its hardware address. Rows that"
                        + " will not do are left out and said so; nothing changes before you say so.");
        getChildren().add(1, box);
    }

    /** Begins with what is on the clipboard, where it is a table. */
    void start() {
        input.requestFocus();
        String copied = Clipboard.getSystemClipboard().getString();
        if (copied != null && copied.strip().lines().count() > 1) {
            input.setText(copied);
        }
    }

    /** The same with rows that are known already. */
    void start(String rows) {
        input.setText(rows);
    }

    private void read(TextTable read) {
        table = read;
        guessed = AddressImport.guess(plan, read);
        showColumns();
        work();
    }

    private void showColumns() {
        columns.getChildren().clear();
        TextTable read = table;
        Columns<Column> told = guessed;
        if (read == null || told == null) {
            return;
        }
        for (int i = 0; i < read.width(); i++) {
            int at = i;
            ComboBox<String> kind = new ComboBox<>();
            kind.getItems().add(NOTHING);
            for (Column column : Column.values()) {
                kind.getItems().add(column.title());
            }
            kind.setValue(told.at().entrySet().stream()
                    .filter(e -> e.getValue() == at)
                    .map(e -> e.getKey().title())
                    .findFirst()
                    .orElse(NOTHING));
            String heading = told.first() > 0 ? read.cell(told.first() - 1, i) : "";
            kind.setId("import-column-" + (i + 1));
            kind.setAccessibleText("What column " + (i + 1) + " is, " + heading);
            kind.setOnAction(e -> {
                clear();
                work();
            });
            columns.getChildren()
                    .add(new VBox(
                            2, Texts.of(heading.isEmpty() ? "column " + (i + 1) : heading, "soft", "small"), kind));
        }
    }

    private Columns<Column> chosen(Columns<Column> told) {
        Map<Column, Integer> at = new LinkedHashMap<>();
        for (int i = 0; i < columns.getChildren().size(); i++) {
            if (columns.getChildren().get(i) instanceof VBox box
                    && box.getChildren().get(1) instanceof ComboBox<?> kind) {
                for (Column column : Column.values()) {
                    if (column.title().equals(kind.getValue())) {
                        at.putIfAbsent(column, i);
                    }
                }
            }
        }
        return new Columns<>(at, told.first());
    }

    @Override
    Function<Plan, Worked> asked(@Nullable Segment segment, Optional<Id<Host>> mine) {
        TextTable read = table;
        Columns<Column> told = guessed;
        if (read == null || told == null) {
            throw new IllegalArgumentException("Paste rows first, or read a file.");
        }
        Columns<Column> chosen = chosen(told);
        return p -> {
            AddressImport taken = AddressImport.of(p, read, chosen, mine);
            List<String> head = new ArrayList<>();
            head.add("Addresses that change: " + taken.readdressing().changes().size() + " · other facts: "
                    + taken.facts() + " · rows as in the plan: " + taken.same() + " · rows left out: "
                    + taken.leftOut().size());
            head.addAll(LeftOut.lines(taken.leftOut()));
            return new Worked(taken.readdressing(), head, taken.facts() > 0);
        };
    }

    @Override
    String nothing() {
        return "No address changes.";
    }
}
