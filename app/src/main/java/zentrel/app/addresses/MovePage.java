package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.address.Moving;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.check.Report;
import zentrel.ipv4.Subnet;
import zentrel.plan.Host;
import zentrel.plan.HostId;
import zentrel.plan.HostKind;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

/** A segment moved to another range: shown before it is done, with before and after of each address and the order of the steps. */
final class MovePage extends VBox {
    private static final String NONE = "another one, or none of these";

    private final OpenDocument document;
    private final Runnable away;
    private final Plan plan;
    private final ComboBox<String> segments = new ComboBox<>();
    private final TextField range = new TextField();
    private final ComboBox<String> mine = new ComboBox<>();
    private final VBox preview = new VBox(8);
    private final Button set = new Button("Set it all");
    private final Button later = new Button("Plan it for later");
    private @Nullable Moving moving;

    private record Worked(Optional<Moving> moving, String problem) {}

    MovePage(OpenDocument document, Runnable away) {
        super(10);
        this.document = document;
        this.away = away;
        this.plan = document.plan();
        plan.segments().forEach(s -> segments.getItems().add(s.name()));
        segments.getSelectionModel().selectFirst();
        segments.setId("move-segment");
        segments.setAccessibleText("Segment to move");
        segments.setOnAction(e -> clear());
        range.setId("move-range");
        range.setPromptText("10.99.0.0/16");
        range.setPrefWidth(170);
        range.setAccessibleText("New range of the segment");
        range.textProperty().addListener(o -> clear());
        range.setOnAction(e -> work());
        mine.getItems().add(NONE);
        plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.COMPUTER)
                .forEach(h -> mine.getItems().add(h.name()));
        mine.getSelectionModel().selectFirst();
        mine.setId("move-mine");
        mine.setAccessibleText("The computer you sit at");
        mine.setOnAction(e -> clear());
        Button show = action(new Button("Show what changes"), "move-show", this::work);
        action(set, "move-set", () -> done(false));
        action(later, "move-later", () -> done(true));
        Button leave = new Button("Leave it as it was");
        leave.getStyleClass().add("quiet");
        leave.setId("move-leave");
        leave.setOnAction(e -> away.run());
        ScrollPane scroll = new ScrollPane(preview);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Texts.of("Move a segment to another range", "title"),
                        row(
                                Texts.of("Segment", "soft"),
                                segments,
                                Texts.of("to", "soft"),
                                range,
                                Texts.of("from the computer", "soft"),
                                mine),
                        row(show, set, later, leave),
                        scroll);
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                away.run();
                e.consume();
            }
        });
        clear();
        preview.getChildren()
                .add(Texts.wrapped(
                        "Host parts stay as they are where they fit. Every place that keeps an address typed in follows."
                                + " Nothing changes before you say so.",
                        "soft"));
    }

    void start(String to) {
        range.requestFocus();
        if (!to.isEmpty()) {
            range.setText(to);
            work();
        }
    }

    private static HBox row(javafx.scene.Node... nodes) {
        HBox row = new HBox(10, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Button action(Button button, String id, Runnable work) {
        button.getStyleClass().add("action");
        button.setId(id);
        button.setOnAction(e -> work.run());
        return button;
    }

    private void clear() {
        moving = null;
        preview.getChildren().clear();
        set.setDisable(true);
        later.setDisable(true);
    }

    private void done(boolean forLater) {
        Moving worked = moving;
        if (worked != null) {
            document.apply(forLater ? worked.later() : worked.edit());
            away.run();
        }
    }

    private void work() {
        clear();
        Report report = document.reportProperty().get();
        Optional<Segment> segment = plan.segments().stream()
                .filter(s -> s.name().equals(segments.getValue()))
                .findFirst();
        if (report == null || segment.isEmpty()) {
            document.tell("There is no segment yet that could move.");
            return;
        }
        Optional<HostId> computer = plan.hosts().stream()
                .filter(h -> h.name().equals(mine.getValue()))
                .map(Host::id)
                .findFirst();
        String typed = range.getText().strip();
        document.derive(
                report,
                r -> {
                    try {
                        return new Worked(
                                Optional.of(Moving.of(r.plan(), segment.get().id(), Subnet.parse(typed), computer)),
                                "");
                    } catch (IllegalArgumentException e) {
                        return new Worked(Optional.empty(), String.valueOf(e.getMessage()));
                    }
                },
                worked -> worked.moving().ifPresentOrElse(this::show, () -> document.tell(worked.problem())));
    }

    private void show(Moving worked) {
        clear();
        moving = worked;
        set.setDisable(false);
        later.setDisable(worked.changes().isEmpty());
        worked.warnings().forEach(w -> preview.getChildren().add(Texts.wrapped(w, "at-risk")));
        if (worked.changes().isEmpty()) {
            preview.getChildren()
                    .add(Texts.wrapped("Every address is in that range already; only the segment is told its range."));
        }
        int number = 1;
        for (Moving.Step step : worked.steps()) {
            preview.getChildren().add(Texts.wrapped(number++ + "  " + step.title(), "strong"));
            preview.getChildren().add(table(step));
            preview.getChildren()
                    .add(Texts.wrapped(
                            step.dark() == 0
                                    ? "Then all signals that arrived before arrive again."
                                    : step.dark() + (step.dark() == 1 ? " signal is" : " signals are")
                                            + " dark until the next step. " + step.back(),
                            step.dark() == 0 ? "passes" : "at-risk",
                            "small"));
        }
    }

    private static GridPane table(Moving.Step step) {
        GridPane grid = new GridPane();
        grid.setHgap(20);
        grid.setVgap(3);
        List<Label> cells = new ArrayList<>();
        int line = 0;
        for (Moving.Change change : step.changes()) {
            cells.clear();
            cells.add(Texts.of(change.name()));
            cells.add(Texts.mono(change.before().toString(), "soft"));
            cells.add(Texts.mono("→ " + change.after()));
            cells.add(Texts.of(change.kept() ? "" : "a new host part", "at-risk", "small"));
            grid.addRow(line++, cells.toArray(Label[]::new));
        }
        return grid;
    }
}
