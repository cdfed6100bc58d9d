package zentrel.app;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Alert;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.input.TransferMode;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.WindowRoot;
import zentrel.file.LoadedPlan;
import zentrel.plan.Plan;

/** Opens, saves and copies plans, by dialogs of the window or files dropped on it, and asks before unsaved work is lost. */
final class PlanFiles {
    private static final String ENDING = ".zentrel";

    private final Stage stage;
    private final OpenDocument document;

    PlanFiles(Stage stage, OpenDocument document) {
        this.stage = stage;
        this.document = document;
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Zentrel plans", "*" + ENDING, "*.zentrel.json", "*.json"));
        document.file()
                .map(Path::toAbsolutePath)
                .map(Path::getParent)
                .map(Path::toFile)
                .filter(File::isDirectory)
                .ifPresent(chooser::setInitialDirectory);
        return chooser;
    }

    /** Asks for a plan file. */
    Optional<Path> choose(String title) {
        return Optional.ofNullable(chooser(title).showOpenDialog(stage)).map(File::toPath);
    }

    /** Begins an empty plan. */
    void begin() {
        document.show(LoadedPlan.of(Plan.EMPTY));
    }

    void open() {
        choose("Open a plan").ifPresent(this::open);
    }

    /** Opens a file, after asking about unsaved work. */
    void open(Path file) {
        if (mayLose()) {
            document.open(file);
        }
    }

    /** The same rig as a plan of its own, which belongs to no file yet. */
    void copy() {
        if (mayLose()) {
            Plan plan = document.plan();
            document.show(LoadedPlan.of(plan.withName(plan.name() + ", copy")));
        }
    }

    void save() {
        document.file().ifPresentOrElse(document::save, this::saveAs);
    }

    void saveAs() {
        FileChooser chooser = chooser("Save the plan");
        chooser.setInitialFileName(document.file()
                .map(f -> f.getFileName().toString())
                .orElse(document.plan().name().replaceAll("[^\\p{L}\\p{N} _-]", "") + ENDING));
        File file = chooser.showSaveDialog(stage);
        if (file != null) {
            document.save(file.toPath());
        }
    }

    /** Asks before unsaved work is lost. */
    boolean mayLose() {
        if (!document.unsavedProperty().get()) {
            return true;
        }
        ButtonType give = new ButtonType("Discard it", ButtonBar.ButtonData.OTHER);
        ButtonType keep = new ButtonType("Keep working", ButtonBar.ButtonData.CANCEL_CLOSE);
        Alert alert = new Alert(
                Alert.AlertType.NONE, document.plan().name() + " has changes that are not saved.", give, keep);
        WindowRoot.dress(alert, stage);
        alert.setTitle("Not saved");
        // so that Enter, pressed too soon, loses nothing
        if (alert.getDialogPane().lookupButton(keep) instanceof Button button) {
            button.setDefaultButton(true);
        }
        return alert.showAndWait().filter(give::equals).isPresent();
    }

    /** Opens a plan file that is dropped on the window. */
    void takeDrops(Scene scene) {
        scene.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        scene.setOnDragDropped(e -> {
            List<File> files = e.getDragboard().getFiles();
            if (files.size() == 1) {
                open(files.get(0).toPath());
            } else {
                document.tell("Drop one plan file at a time; these are " + files.size() + ".");
            }
            e.setDropCompleted(true);
            e.consume();
        });
    }
}
