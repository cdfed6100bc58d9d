package zentrel.app.universes;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.app.shell.Page;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.plan.Edit;
import zentrel.routing.RoutingTable;
import zentrel.table.TextTable;

/** A table of ports and their numbers taken over: pasted or read from a file, with what would change and what is left out. */
final class RoutesPage extends Page {
    private static final int MOST_SHOWN = 200;

    private final OpenDocument document;
    private final TextArea text = new TextArea();
    private final VBox lines = new VBox(3);
    private final PauseTransition typing = new PauseTransition(Duration.millis(300));
    private final Button set;
    private @Nullable Edit edit;

    private record Worked(RoutingTable.Taken taken, String effect, String problem) {}

    private interface Reading {
        TextTable read() throws IOException;
    }

    RoutesPage(OpenDocument document, Runnable away) {
        super("Take over a table of routes", away);
        this.document = document;
        text.setId("routes-text");
        text.setPrefRowCount(6);
        text.setMaxHeight(150);
        text.getStyleClass().add("mono");
        text.setPromptText("Receiver;Port;Protocol;Number;On");
        text.setAccessibleText("Rows of the table; Tab leaves it");
        set = action("Set it all", "routes-set", this::set);
        text.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.TAB) {
                lookup("#routes-file").requestFocus();
                e.consume();
            }
        });
        typing.setOnFinished(e -> {
            String typed = text.getText();
            if (!typed.isBlank()) {
                take(() -> TextTable.parse(typed));
            }
        });
        text.textProperty().addListener(o -> {
            clear();
            typing.playFromStart();
        });
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        text,
                        row(
                                action("Read a file …", "routes-file", this::file),
                                set,
                                back("routes-leave", "Leave it as it was")),
                        scroll);
        clear();
    }

    private void clear() {
        edit = null;
        set.setDisable(true);
        lines.getChildren().clear();
    }

    private void file() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Read a table");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.txt", "*.tsv", "*.xlsx"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            Path path = chosen.toPath();
            take(() -> TextTable.read(path));
        }
    }

    private void take(Reading reading) {
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        document.derive(
                report,
                r -> {
                    try {
                        RoutingTable.Taken taken = RoutingTable.take(r.plan(), reading.read());
                        Plans after = new Plans(r, taken.edit());
                        return new Worked(taken, after.words(), "");
                    } catch (IOException | IllegalArgumentException e) {
                        return new Worked(NOTHING, "", String.valueOf(e.getMessage()));
                    }
                },
                this::show);
    }

    private static final RoutingTable.Taken NOTHING =
            new RoutingTable.Taken(new Edit("", p -> p), java.util.List.of(), 0, java.util.List.of());

    /** What an edit does, in words. */
    private record Plans(Report before, Edit edit) {
        String words() {
            return "It " + Effect.of(before, edit.applyTo(before.plan())).words() + ".";
        }
    }

    private void show(Worked worked) {
        clear();
        if (!worked.problem().isEmpty()) {
            lines.getChildren().add(Texts.wrapped(worked.problem(), "at-risk"));
            return;
        }
        RoutingTable.Taken taken = worked.taken();
        lines.getChildren()
                .add(Texts.of("Ports that change: " + taken.changes().size() + " · rows as in the plan: " + taken.same()
                        + " · rows left out: " + taken.leftOut().size()));
        taken.leftOut().stream()
                .limit(MOST_SHOWN)
                .forEach(l -> lines.getChildren().add(Texts.wrapped(l.text(), "at-risk")));
        taken.changes().stream()
                .limit(MOST_SHOWN)
                .forEach(c -> lines.getChildren().add(Texts.wrapped(c)));
        if (!taken.changes().isEmpty()) {
            lines.getChildren().add(Texts.wrapped(worked.effect(), "soft"));
            edit = taken.edit();
            set.setDisable(false);
        }
    }

    private void set() {
        Edit made = edit;
        if (made != null) {
            document.apply(made);
            leave();
        }
    }
}
