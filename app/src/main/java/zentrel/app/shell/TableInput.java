package zentrel.app.shell;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.check.Report;
import zentrel.table.ReadProgress;
import zentrel.table.ReadStoppedException;
import zentrel.table.TextTable;

/** Where a table is pasted or read from a file; read off the JavaFX thread, when nothing has been typed for a while. */
public final class TableInput extends VBox {
    private static final Duration TYPED = Duration.millis(300);

    /** What is read sooner shows no progress. */
    private static final long SHOWN_AFTER_NANOS = 400_000_000L;

    private interface Reading {
        TextTable read(ReadProgress progress) throws IOException;
    }

    /** What is being read; a newer one takes its place, and then this one stops by itself. */
    private final AtomicReference<Object> current = new AtomicReference<>(new Object());

    private final OpenDocument document;
    private final Consumer<TextTable> then;
    private final TextArea text = new TextArea();
    private final Button file;
    private final Label progress = Texts.of("", "soft");
    private final HBox running;

    /**
     * The input.
     *
     * @param name begins the ids of its nodes
     * @param prompt what to paste
     * @param changed is run when what was read no longer counts
     * @param then gets each table that was read; what is none is told in its own sentence
     */
    public TableInput(OpenDocument document, String name, String prompt, Runnable changed, Consumer<TextTable> then) {
        super(6);
        this.document = document;
        this.then = then;
        file = Buttons.action("Read a file …", name + "-file", this::choose);
        progress.setId(name + "-progress");
        running = new HBox(8, progress, Buttons.action("Stop", name + "-stop", this::stop));
        running.setAlignment(Pos.CENTER_LEFT);
        running.setVisible(false);
        running.managedProperty().bind(running.visibleProperty());
        text.setId(name + "-text");
        text.setPrefRowCount(5);
        text.setMaxHeight(130);
        text.getStyleClass().add("mono");
        text.setPromptText(prompt);
        text.setAccessibleText("Rows of the table; Tab leaves it");
        text.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.TAB) {
                file.requestFocus();
                e.consume();
            }
        });
        PauseTransition typing = new PauseTransition(TYPED);
        typing.setOnFinished(e -> {
            String typed = text.getText();
            if (!typed.isBlank()) {
                take(progress -> TextTable.parse(typed, progress));
            }
        });
        text.textProperty().addListener(o -> {
            changed.run();
            typing.playFromStart();
        });
        getChildren().addAll(text, running);
    }

    /** The button that reads a file, to be put where it belongs. */
    public Button file() {
        return file;
    }

    /** Begins with rows that are known already. */
    public void setText(String rows) {
        text.setText(rows);
    }

    @Override
    public void requestFocus() {
        text.requestFocus();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Read a table");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.txt", "*.tsv", "*.xlsx"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            Path path = chosen.toPath();
            text.clear();
            take(progress -> TextTable.read(path, progress));
        }
    }

    private void stop() {
        current.set(new Object());
        running.setVisible(false);
        document.tell("Reading was stopped. Nothing was imported.");
    }

    private void take(Reading reading) {
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        Object mine = new Object();
        current.set(mine);
        long began = System.nanoTime();
        AtomicInteger shown = new AtomicInteger(-1);
        ReadProgress watching = share -> {
            int percent = (int) (share * 100);
            if (System.nanoTime() - began > SHOWN_AFTER_NANOS && shown.getAndSet(percent) != percent) {
                Platform.runLater(() -> show(mine, percent));
            }
            return current.get() == mine;
        };
        document.derive(report, r -> read(reading, watching), read -> {
            if (current.get() == mine) {
                running.setVisible(false);
                read.ifPresent(then);
            }
        });
    }

    private Optional<TextTable> read(Reading reading, ReadProgress watching) {
        try {
            return Optional.of(reading.read(watching));
        } catch (ReadStoppedException e) {
            return Optional.empty(); // somebody stopped it, who knows, or typed on
        } catch (IOException | IllegalArgumentException e) {
            Platform.runLater(() -> document.tell(String.valueOf(e.getMessage())));
            return Optional.empty();
        }
    }

    private void show(Object reading, int percent) {
        if (current.get() == reading) {
            progress.setText("Reading … " + percent + " %");
            running.setVisible(true);
        }
    }
}
