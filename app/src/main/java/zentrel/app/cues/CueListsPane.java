package zentrel.app.cues;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.SeenNow;
import zentrel.control.Cue;
import zentrel.control.CueComparison;
import zentrel.control.CueDifference;
import zentrel.control.CueMerge;
import zentrel.control.CueMerge.Side;
import zentrel.control.CueTable;
import zentrel.control.MessageSet;
import zentrel.control.MessageSet.Use;
import zentrel.control.MessageTemplate;
import zentrel.text.Counted;

/** One cue list in two programs: what differs, which of the two is right, and what comes of it. */
final class CueListsPane extends VBox implements AutoCloseable {
    private final OpenDocument document;
    private final CueSide left;
    private final CueSide right;
    private final Label summary = Texts.of("", "soft");
    private final CheckBox only = new CheckBox("only what differs");
    private final HBox doing = new HBox(10);
    private final ListView<CueRow.Item> rows = new ListView<>();
    private final Map<Integer, Side> chosen = new HashMap<>();
    private CueComparison comparison = new CueComparison(List.of());

    CueListsPane(OpenDocument document, SeenNow net) {
        super(8);
        this.document = document;
        left = new CueSide("Left", "left", net, document::tell, this::compare);
        right = new CueSide("Right", "right", net, document::tell, this::compare);
        HBox sources = new HBox(20, left, right);
        HBox.setHgrow(left, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        only.setId("cues-only");
        only.setOnAction(e -> show());
        rows.setId("cues-rows");
        rows.setAccessibleText("Cues of both lists");
        rows.setCellFactory(l -> new CueRow(this::choose));
        only.setMinWidth(USE_PREF_SIZE);
        rows.setPlaceholder(Texts.of("Read both lists; they are compared by list and cue number.", "soft", "small"));
        doing.getChildren()
                .addAll(
                        summary,
                        only,
                        Buttons.quiet("All as left", "cues-all-left", () -> all(Side.A)),
                        Buttons.quiet("All as right", "cues-all-right", () -> all(Side.B)),
                        Buttons.action("Save the agreed list …", "cues-save", this::save),
                        Buttons.quiet("Send labels to the desk", "cues-send-labels", this::sendLabels));
        doing.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(rows, Priority.ALWAYS);
        getChildren().addAll(sources, doing, rows);
        show();
    }

    CueSide left() {
        return left;
    }

    CueSide right() {
        return right;
    }

    private void compare() {
        CueTable a = left.table();
        CueTable b = right.table();
        document.work(() -> CueComparison.of(a, b), c -> {
            if (!c.equals(comparison)) {
                comparison = c;
                chosen.clear();
            }
            show();
        });
    }

    private void choose(int place, Side side) {
        chosen.put(place, side);
        show();
    }

    private void all(Side side) {
        for (int i = 0; i < comparison.rows().size(); i++) {
            if (!comparison.rows().get(i).differences().isEmpty()) {
                chosen.put(i, side);
            }
        }
        show();
    }

    private void show() {
        List<CueRow.Item> items = new ArrayList<>();
        int differ = 0;
        for (int i = 0; i < comparison.rows().size(); i++) {
            CueComparison.Row row = comparison.rows().get(i);
            differ += row.differences().isEmpty() ? 0 : 1;
            if (!only.isSelected() || !row.differences().isEmpty()) {
                String key = row.either().list() + "/" + row.either().number();
                boolean runs =
                        left.running().or(right::running).filter(key::equals).isPresent();
                items.add(new CueRow.Item(i, row, runs, Optional.ofNullable(chosen.get(i))));
            }
        }
        rows.getItems().setAll(items);
        boolean both = left.isRead() && right.isRead();
        doing.setVisible(both);
        doing.setManaged(both);
        summary.setText(
                !both
                        ? ""
                        : differ == 0
                                ? Counted.of(comparison.rows().size(), "cue") + ", the same in both"
                                : differ + " differ of " + comparison.rows().size() + ", " + chosen.size()
                                        + " decided");
    }

    private void save() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the agreed cue list");
        chooser.setInitialFileName("cues.csv");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            save(file.toPath());
        }
    }

    /** Writes the list that comes of the choices, in the background. */
    void save(Path file) {
        List<Cue> agreed = CueMerge.of(comparison, Map.copyOf(chosen));
        int lost = comparison.rows().size() - agreed.size();
        document.work(
                () -> {
                    try {
                        Files.writeString(file, CueTable.table(agreed).csv(), StandardCharsets.UTF_8);
                        return Counted.of(agreed.size(), "cue") + " written to " + file.getFileName()
                                + (lost > 0 ? "; " + lost + " fell away" : "") + ".";
                    } catch (IOException e) {
                        return "The list could not be written: " + e.getMessage();
                    }
                },
                document::tell);
    }

    private void sendLabels() {
        CueSide desk = left.isDesk() ? left : right;
        if (!desk.isDesk()) {
            document.tell("Neither list is of a desk that is followed; ask one for its cues first.");
            return;
        }
        List<Cue> cues = CueMerge.labelsFor(desk == left ? Side.A : Side.B, comparison, chosen);
        if (cues.isEmpty()) {
            long labels = comparison.differences().stream()
                    .filter(d -> d.kind() == CueDifference.Kind.LABEL)
                    .count();
            document.tell(
                    labels == 0
                            ? "No label differs, so there is nothing to send."
                            : "Say first, row by row or for all, that the other list is right.");
            return;
        }
        MessageTemplate label = MessageSet.EXAMPLE.of(Use.LABEL).orElseThrow();
        desk.tell(cues.stream()
                .map(c -> label.fill(List.of(c.list(), c.number().toString(), c.label())))
                .toList());
    }

    @Override
    public void close() {
        left.close();
        right.close();
    }
}
