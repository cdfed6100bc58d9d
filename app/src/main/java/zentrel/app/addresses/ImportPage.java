package zentrel.app.addresses;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.address.AddressImport;
import zentrel.address.AddressImport.Column;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.plan.HostId;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** A table of addresses taken over: pasted or read from a file, with its columns told apart, and what would change. */
final class ImportPage extends ReaddressPage {
    private static final String NOTHING = "—";
    private static final int MOST_SHOWN = 200;

    /** The table is read when nothing has been typed for so long. */
    private final PauseTransition typing = new PauseTransition(Duration.millis(300));

    private final TextArea text = new TextArea();
    private final FlowPane columns = new FlowPane(10, 6);
    private final Plan plan;
    private final OpenDocument document;
    private @Nullable TextTable table;
    private @Nullable Columns<Column> guessed;

    ImportPage(OpenDocument document, Runnable away) {
        super(document, away, "import", "Take over a table of addresses", Where.NOWHERE);
        this.document = document;
        this.plan = document.plan();
        text.setId("import-text");
        text.setPrefRowCount(4);
        text.setMaxHeight(110);
        text.getStyleClass().add("mono");
        text.setPromptText("Paste rows here: host, address, mask …");
        text.setAccessibleText("Rows of the table; Tab leaves it");
        text.addEventFilter(javafx.scene.input.KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.TAB) {
                lookup("#import-file").requestFocus();
                e.consume();
            }
        });
        typing.setOnFinished(e -> {
            String now = text.getText();
            if (!now.isBlank()) {
                take(() -> TextTable.parse(now));
            }
        });
        text.textProperty().addListener(o -> {
            clear();
            typing.playFromStart();
        });
        VBox box = new VBox(6, text, columns);
        build(
                List.of(),
                List.of(action("Read a file …", "import-file", this::file)),
                "Every row is about an adapter of the plan, found by the name of its box or its hardware address. Rows that"
                        + " will not do are left out and said so; nothing changes before you say so.");
        getChildren().add(1, box);
    }

    /** Begins with what is on the clipboard, where it is a table. */
    void start() {
        text.requestFocus();
        String copied = Clipboard.getSystemClipboard().getString();
        if (copied != null && copied.strip().lines().count() > 1) {
            text.setText(copied);
        }
    }

    /** The same with rows that are known already. */
    void start(String rows) {
        text.setText(rows);
    }

    private interface Reading {
        TextTable read() throws IOException;
    }

    private void file() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Read a table");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.txt", "*.tsv", "*.xlsx"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            Path path = chosen.toPath();
            text.clear();
            take(() -> TextTable.read(path));
        }
    }

    /** Reads it off the JavaFX thread, for a table may be long. */
    private void take(Reading reading) {
        clear();
        record Taken(TextTable table, Columns<Column> columns) {}
        var report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        document.derive(
                report,
                r -> {
                    try {
                        TextTable read = reading.read();
                        return Optional.of(new Taken(read, AddressImport.guess(plan, read)));
                    } catch (IOException | IllegalArgumentException e) {
                        javafx.application.Platform.runLater(() -> document.tell(String.valueOf(e.getMessage())));
                        return Optional.<Taken>empty();
                    }
                },
                taken -> taken.ifPresent(t -> {
                    table = t.table();
                    guessed = t.columns();
                    showColumns();
                    work();
                }));
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
    Function<Plan, Worked> asked(@Nullable Segment segment, Optional<HostId> mine) {
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
            taken.leftOut().stream().limit(MOST_SHOWN).map(LeftOut::text).forEach(head::add);
            if (taken.leftOut().size() > MOST_SHOWN) {
                head.add("… and " + (taken.leftOut().size() - MOST_SHOWN) + " more.");
            }
            return new Worked(taken.readdressing(), head, taken.facts() > 0);
        };
    }

    @Override
    String nothing() {
        return "No address changes.";
    }
}
