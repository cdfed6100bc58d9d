package zentrel.app.shell;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.check.Report;
import zentrel.table.TextTable;

/** Where a table is pasted or read from a file; read off the JavaFX thread, when nothing has been typed for a while. */
public final class TableInput extends VBox {
    private static final Duration TYPED = Duration.millis(300);

    private interface Reading {
        TextTable read() throws IOException;
    }

    private final OpenDocument document;
    private final Consumer<TextTable> then;
    private final TextArea text = new TextArea();
    private final Button file;

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
                take(() -> TextTable.parse(typed));
            }
        });
        text.textProperty().addListener(o -> {
            changed.run();
            typing.playFromStart();
        });
        getChildren().add(text);
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
                        return Optional.of(reading.read());
                    } catch (IOException | IllegalArgumentException e) {
                        Platform.runLater(() -> document.tell(String.valueOf(e.getMessage())));
                        return Optional.<TextTable>empty();
                    }
                },
                read -> read.ifPresent(then));
    }
}
