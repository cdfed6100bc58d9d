package zentrel.app.flow;

import java.io.File;
import java.nio.file.Path;
import javafx.scene.Group;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.sheet.PdfSheet;
import zentrel.app.sheet.Picture;
import zentrel.app.sheet.SvgSheet;
import zentrel.app.shell.Panel;
import zentrel.file.PlainFile;

/** The flow as it is shown, on paper: seen first in the colours of paper, then saved as SVG or PDF. */
final class FlowExportPanel extends Panel {
    private static final double EDGE = 24;

    private final OpenDocument document;
    private final Pane chart = new Pane();
    private final FlowDrawing drawing;

    FlowExportPanel(OpenDocument document, FlowModel model, FlowDrawing.Stage stage, Runnable away) {
        super("The flow on paper", away);
        this.document = document;
        this.drawing = new FlowDrawing(model, stage, chart, FlowColumns.USUAL, 0, false);
        chart.setPrefSize(drawing.width(), drawing.height() + 4);
        drawing.draw(-Double.MAX_VALUE, Double.MAX_VALUE);
        chart.setMouseTransparent(true);
        chart.setFocusTraversable(false);
        StackPane paper = new StackPane(new Group(chart));
        paper.getStyleClass().addAll("root", "day", "paper");
        ScrollPane scroll = new ScrollPane(paper);
        scroll.setId("flow-paper");
        scroll.setAccessibleText("What is written");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        row(
                                Buttons.action(
                                        "Save as SVG …", "flow-svg", () -> save("flow.svg", FlowExportPanel::svg)),
                                Buttons.action(
                                        "Save as PDF …", "flow-pdf", () -> save("flow.pdf", FlowExportPanel::pdf)),
                                back("flow-export-leave", "Back to the flow")),
                        Texts.wrapped(
                                "As it is shown: filtered, folded and opened. One page, letters as letters.", "soft"),
                        scroll);
    }

    /** What stands on the paper. */
    Picture picture() {
        chart.applyCss();
        chart.layout();
        return Picture.of(chart, drawing.width(), drawing.height()).framed(EDGE);
    }

    static byte[] svg(String title, Picture picture) {
        return picture.on(new SvgSheet(picture.width(), picture.height(), title));
    }

    static byte[] pdf(String title, Picture picture) {
        return picture.on(new PdfSheet(picture.width(), picture.height(), title));
    }

    private void save(String file, java.util.function.BiFunction<String, Picture, byte[]> form) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save it");
        chooser.setInitialFileName(file);
        File chosen = chooser.showSaveDialog(getScene().getWindow());
        if (chosen != null) {
            write(chosen.toPath(), form);
        }
    }

    private void write(Path path, java.util.function.BiFunction<String, Picture, byte[]> form) {
        Picture picture = picture();
        String name = document.plan().name();
        document.work(
                () -> {
                    PlainFile.write(form.apply(name, picture), path);
                    return path;
                },
                written -> document.tell("Written: " + written + "."));
    }
}
