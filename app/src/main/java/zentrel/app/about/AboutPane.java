package zentrel.app.about;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Screen;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserSettings;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Report;
import zentrel.file.PlainFile;
import zentrel.file.Settings;
import zentrel.file.UserFolders;
import zentrel.text.Version;
import zentrel.text.Word;

/** Settings and about: what the user may choose, version and licences, where things are kept, and a report of a fault. */
public final class AboutPane extends Panel {
    private final OpenDocument document;
    private final Consumer<Settings.TextSize> chooseText;
    private final VBox reporting = new VBox(8);

    /**
     * The page.
     *
     * @param chooseText changes how large the text is, where the screen has room for it
     * @param away closes it
     */
    public AboutPane(OpenDocument document, Consumer<Settings.TextSize> chooseText, Runnable away) {
        super("Settings, and about Zentrel", away);
        this.document = document;
        this.chooseText = chooseText;
        setId("about");
        getStyleClass().add("main-page");
        VBox all = new VBox(10);
        all.setPadding(new Insets(4, 24, 24, 0));
        all.getChildren().add(Texts.heading("Settings"));
        all.getChildren().addAll(settings());
        all.getChildren().add(Texts.heading("About"));
        all.getChildren().addAll(about());
        all.getChildren().addAll(Texts.heading("Something is wrong with Zentrel?"), reporting);
        all.getChildren().addAll(Texts.heading("What it ships, and the licences"), notices());
        reporting
                .getChildren()
                .setAll(
                        Texts.wrapped(
                                "A report holds versions, counts of what the plan has, and the log: no names, no"
                                        + " addresses. You read it before it is saved, and nothing is sent.",
                                "soft"),
                        Buttons.action("Put a report together", "report-make", this::report));
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(row(back("about-leave", "Back to the plan (Esc)")), scroll);
    }

    // --- settings ---

    private List<Node> settings() {
        UserSettings settings = document.settings();
        CheckBox day = new CheckBox("Day colours");
        day.setId("setting-day");
        day.selectedProperty().bindBidirectional(settings.dayProperty());
        CheckBox addresses = new CheckBox("Logs may hold addresses (IP and MAC)");
        addresses.setId("setting-addresses");
        addresses.setSelected(settings.get().addressesInLogs());
        addresses.selectedProperty().addListener((o, was, is) -> settings.change(s -> s.withAddressesInLogs(is)));
        ComboBox<Settings.Levels> levels = new ComboBox<>();
        levels.setId("setting-levels");
        levels.setAccessibleText("Unit of levels");
        levels.getItems().setAll(Settings.Levels.values());
        levels.setConverter(Named.by(Word::word));
        levels.setValue(settings.get().levels());
        levels.valueProperty().addListener((o, was, is) -> settings.change(s -> s.withLevels(is)));
        ComboBox<Settings.TextSize> text = new ComboBox<>();
        text.setId("setting-text");
        text.setAccessibleText("Size of the text");
        text.getItems().setAll(Settings.TextSize.values());
        text.setConverter(Named.by(Word::word));
        text.setValue(settings.get().text());
        text.valueProperty().addListener((o, was, is) -> {
            chooseText.accept(is);
            Platform.runLater(() -> text.setValue(settings.get().text())); // it may have been refused
        });
        return List.of(
                day,
                row(Texts.of("Levels are shown and typed in", "soft"), levels),
                row(
                        Texts.of("Text is", "soft"),
                        text,
                        Texts.of("Ctrl + and Ctrl − change it, too; Ctrl 0 is as usual.", "soft")),
                addresses);
    }

    // --- about ---

    private List<Node> about() {
        UserFolders folders = document.folders();
        return List.of(
                Texts.of("Zentrel " + Version.current() + ", commit " + Version.commit(), "strong"),
                fact("Settings", folders.settingsFile()),
                fact("Your own profiles", folders.profiles()),
                fact("Unsaved work", folders.journals()),
                fact("Logs", folders.logs()));
    }

    private static Node fact(String name, Path path) {
        Label where = Texts.of(path.toString(), "mono");
        Label label = Texts.column(name, 140);
        return row(label, where);
    }

    private static Node notices() {
        Label text = Texts.wrapped(
                resource("NOTICE.md")
                        .replaceAll("(?m)^# .*\n", "")
                        .replace("\n- ", "\n")
                        .strip(),
                "soft",
                "small");
        text.setId("about-notices");
        return text;
    }

    private static String resource(String name) {
        try (InputStream in = AboutPane.class.getResourceAsStream("/zentrel/app/docs/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is in the jar of this class
        }
    }

    // --- a report ---

    private void report() {
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        Settings settings = document.settings().get();
        String screens = Screen.getScreens().stream()
                .map(s -> Math.round(s.getBounds().getWidth()) + " by "
                        + Math.round(s.getBounds().getHeight()) + " at " + s.getOutputScaleX())
                .collect(Collectors.joining(", "));
        document.work(() -> FaultReport.of(report, settings, document.folders(), screens), this::show);
    }

    private void show(String text) {
        TextArea area = new TextArea(text);
        area.setId("report-text");
        area.setAccessibleText("The report, to be read before it is saved");
        area.setPrefRowCount(18);
        area.getStyleClass().add("mono");
        reporting
                .getChildren()
                .setAll(
                        Texts.wrapped("Read it; what you take out here is not saved.", "soft"),
                        area,
                        row(Buttons.action("Save it …", "report-save", () -> save(area.getText()))));
        area.requestFocus();
    }

    private void save(String text) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the report");
        chooser.setInitialFileName("zentrel-report.txt");
        File chosen = chooser.showSaveDialog(getScene().getWindow());
        if (chosen != null) {
            write(chosen.toPath(), text);
        }
    }

    /** Writes the report, and tells where it is or why not. */
    void write(Path path, String text) {
        document.work(
                () -> {
                    PlainFile.write(text.getBytes(StandardCharsets.UTF_8), path);
                    return path;
                },
                written -> document.tell("The report is in " + written + "."));
    }
}
