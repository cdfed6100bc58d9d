package zentrel.app.pixels;

import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.MenuButton;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.sheet.PdfSheet;
import zentrel.app.sheet.SvgSheet;
import zentrel.file.PlainFile;
import zentrel.file.PlanFileException;
import zentrel.gear.GearEdit;
import zentrel.pixel.PixelTables;
import zentrel.plan.PixelRun;
import zentrel.table.TextTable;

/** Pixels into files and out of them: tables, drawings, places; written and read in the background. */
final class LayoutFiles {
    private final OpenDocument document;
    private final Supplier<PixelSight> sight;
    private final MenuButton menu = new MenuButton("Files");

    LayoutFiles(OpenDocument document, Supplier<PixelSight> sight) {
        this.document = document;
        this.sight = sight;
        menu.setId("pixel-files");
        menu.getStyleClass().add("quiet");
    }

    /** What can be written and read. */
    MenuButton menu(Supplier<List<PixelRun>> chosen) {
        menu.getItems()
                .setAll(
                        Buttons.item("Table of the controllers …", "pixel-tables", this::writeTables),
                        Buttons.item("Map of universes …", "pixel-map", () -> writeTable(PixelTables.Form.UNIVERSES)),
                        Buttons.item("Labels …", "pixel-labels", () -> writeTable(PixelTables.Form.LABELS)),
                        Buttons.item(
                                "Places of all pixels …", "pixel-places", () -> writeTable(PixelTables.Form.PLACES)),
                        Buttons.item("Drawing, SVG or PDF …", "pixel-drawing", this::writeDrawing),
                        Buttons.item("Read places from a table …", "pixel-read", () -> readPlaces(chosen.get())));
        return menu;
    }

    void writeTables() {
        writeTable(PixelTables.Form.CONTROLLERS);
    }

    private void writeTable(PixelTables.Form form) {
        save("Write pixels: " + form.word(), form.word() + ".csv", "*.csv", "*.xlsx")
                .ifPresent(f -> write(f, form));
    }

    void writeDrawing() {
        save("Write the layout", "pixels.pdf", "*.pdf", "*.svg").ifPresent(this::write);
    }

    private Optional<Path> save(String title, String name, String... kinds) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.setInitialFileName(name);
        for (String kind : kinds) {
            chooser.getExtensionFilters()
                    .add(new FileChooser.ExtensionFilter(kind.substring(2).toUpperCase(Locale.ROOT), kind));
        }
        return Optional.ofNullable(chooser.showSaveDialog(menu.getScene().getWindow()))
                .map(File::toPath);
    }

    /** Writes a drawing, or the table of the controllers, by the end of the file's name. */
    void write(Path file) {
        String lower = file.toString().toLowerCase(Locale.ROOT);
        if (!lower.endsWith(".svg") && !lower.endsWith(".pdf")) {
            write(file, PixelTables.Form.CONTROLLERS);
            return;
        }
        PixelSight now = sight.get();
        String title = "Pixels of " + now.plan().name();
        document.work(
                () -> {
                    double wide = LayoutDrawing.WIDTH;
                    double high = LayoutDrawing.HEIGHT;
                    byte[] bytes = LayoutDrawing.on(
                            lower.endsWith(".svg") ? new SvgSheet(wide, high, title) : new PdfSheet(wide, high, title),
                            now,
                            title);
                    return written(file, bytes);
                },
                document::tell);
    }

    private void write(Path file, PixelTables.Form form) {
        PixelSight now = sight.get();
        document.work(
                () -> {
                    TextTable table = PixelTables.of(now.plan(), form);
                    return written(
                            file,
                            file.toString().toLowerCase(Locale.ROOT).endsWith(".xlsx")
                                    ? table.workbook("Pixels")
                                    : table.csv().getBytes(StandardCharsets.UTF_8));
                },
                document::tell);
    }

    private static String written(Path file, byte[] bytes) throws PlanFileException {
        PlainFile.write(bytes, file);
        return "Written: " + file.getFileName() + ".";
    }

    /** Reads where pixels are. */
    void readPlaces(List<PixelRun> chosen) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A table with the places of pixels");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.tsv", "*.txt", "*.xlsx"));
        File file = chooser.showOpenDialog(menu.getScene().getWindow());
        if (file != null) {
            readPlaces(file.toPath(), chosen);
        }
    }

    void readPlaces(Path file, List<PixelRun> chosen) {
        document.work(
                () -> PixelTables.read(TextTable.read(file)),
                places -> document.make(
                        () -> new GearEdit(
                                PixelTables.placed(
                                        document.plan(), places, chosen.stream().findFirst()),
                                List.of()),
                        made -> {}));
    }
}
