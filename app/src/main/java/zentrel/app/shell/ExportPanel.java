package zentrel.app.shell;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Clip;
import zentrel.app.look.Texts;
import zentrel.machine.AddressTable;
import zentrel.machine.HostsFile;
import zentrel.machine.Reservations;
import zentrel.plan.Plan;
import zentrel.routing.RoutingTable;

/** Something of the plan in a form that another program takes: seen first, then copied or saved. */
public final class ExportPanel extends Panel {
    /**
     * A form in which something is written.
     *
     * @param file the name that is offered for it
     * @param text what is shown, and written unless it is a workbook
     * @param workbook the bytes of a workbook, where it is one
     */
    public record Form(
            String title, String file, Function<Plan, String> text, Optional<Function<Plan, byte[]>> workbook) {
        @Override
        public String toString() {
            return title;
        }

        private byte[] bytes(Plan plan) {
            return workbook.map(w -> w.apply(plan))
                    .orElseGet(() -> text.apply(plan).getBytes(StandardCharsets.UTF_8));
        }
    }

    /** The forms of the addresses. */
    public static List<Form> ofAddresses() {
        return List.of(
                new Form(
                        "Table with commas (CSV)",
                        "addresses.csv",
                        p -> AddressTable.of(p).csv(),
                        Optional.empty()),
                new Form(
                        "Workbook (XLSX)",
                        "addresses.xlsx",
                        p -> AddressTable.of(p).csv(),
                        Optional.of(p -> AddressTable.of(p).workbook("Addresses"))),
                new Form(
                        "DHCP reservations for dnsmasq",
                        "dnsmasq.conf",
                        p -> Reservations.of(p).dnsmasq(),
                        Optional.empty()),
                new Form(
                        "DHCP reservations for Kea",
                        "kea-dhcp4.json",
                        p -> Reservations.of(p).kea(),
                        Optional.empty()),
                new Form("Hosts file", "hosts", HostsFile::of, Optional.empty()));
    }

    /** The forms of the routes. */
    public static List<Form> ofRoutes() {
        return List.of(
                new Form(
                        "Table with commas (CSV)",
                        "routes.csv",
                        p -> RoutingTable.of(p).csv(),
                        Optional.empty()),
                new Form(
                        "Workbook (XLSX)",
                        "routes.xlsx",
                        p -> RoutingTable.of(p).csv(),
                        Optional.of(p -> RoutingTable.of(p).workbook("Routes"))));
    }

    private final OpenDocument document;
    private final ComboBox<Form> forms = new ComboBox<>();
    private final TextArea preview = new TextArea();

    /**
     * The page.
     *
     * @param forms what may be chosen, the first one first
     */
    public ExportPanel(OpenDocument document, Runnable away, String title, List<Form> forms) {
        super(title, away);
        this.document = document;
        this.forms.getItems().setAll(forms);
        this.forms.setId("export-form");
        this.forms.setAccessibleText("Form");
        this.forms.setOnAction(e -> show());
        preview.setId("export-text");
        preview.setEditable(false);
        preview.getStyleClass().add("mono");
        preview.setAccessibleText("What is written");
        VBox.setVgrow(preview, Priority.ALWAYS);
        getChildren()
                .addAll(
                        row(
                                Texts.of("As", "soft"),
                                this.forms,
                                Buttons.action("Copy it", "export-copy", this::copy),
                                Buttons.action("Save it …", "export-save", this::save),
                                back("export-leave", "Back")),
                        preview);
        this.forms.getSelectionModel().selectFirst();
        show();
    }

    private void show() {
        var report = document.reportProperty().get();
        Form form = forms.getValue();
        if (report != null && form != null) {
            document.derive(report, r -> form.text().apply(r.plan()), text -> {
                if (form.equals(forms.getValue())) {
                    preview.setText(text);
                }
            });
        }
    }

    private void copy() {
        Clip.put(preview.getText());
        document.tell("Copied: " + forms.getValue() + ".");
    }

    private void save() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save it");
        chooser.setInitialFileName(forms.getValue().file());
        File chosen = chooser.showSaveDialog(getScene().getWindow());
        if (chosen != null) {
            save(chosen.toPath(), forms.getValue());
        }
    }

    private void save(Path path, Form form) {
        var report = document.reportProperty().get();
        if (report != null) {
            document.derive(
                    report,
                    r -> {
                        try {
                            Files.write(path, form.bytes(r.plan()));
                            return Optional.<String>empty();
                        } catch (IOException e) {
                            return Optional.of(String.valueOf(e.getMessage()));
                        }
                    },
                    problem -> document.tell(problem.map(p -> path + " could not be written: " + p + ".")
                            .orElse("Written: " + path + ".")));
        }
    }
}
