package zentrel.app.addresses;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.machine.AddressTable;
import zentrel.machine.HostsFile;
import zentrel.machine.Reservations;
import zentrel.plan.Plan;

/** The addresses of the plan in a form that another program takes: seen first, then copied or saved. */
final class ExportPage extends Page {
    private enum Form {
        CSV("Table with commas (CSV)", "addresses.csv", p -> AddressTable.of(p).csv()),
        XLSX("Workbook (XLSX)", "addresses.xlsx", p -> AddressTable.of(p).csv()),
        DNSMASQ(
                "DHCP reservations for dnsmasq",
                "dnsmasq.conf",
                p -> Reservations.of(p).dnsmasq()),
        KEA(
                "DHCP reservations for Kea",
                "kea-dhcp4.json",
                p -> Reservations.of(p).kea()),
        HOSTS("Hosts file", "hosts", HostsFile::of);

        private final String title;
        private final String file;

        @SuppressWarnings("ImmutableEnumChecker") // functions without state
        private final Function<Plan, String> text;

        Form(String title, String file, Function<Plan, String> text) {
            this.title = title;
            this.file = file;
            this.text = text;
        }

        @Override
        public String toString() {
            return title;
        }

        private byte[] bytes(Plan plan) {
            return this == XLSX
                    ? AddressTable.of(plan).workbook("Addresses")
                    : text.apply(plan).getBytes(StandardCharsets.UTF_8);
        }
    }

    private final OpenDocument document;
    private final ComboBox<Form> forms = new ComboBox<>();
    private final TextArea preview = new TextArea();

    ExportPage(OpenDocument document, Runnable away) {
        super("Write the addresses for another program", away);
        this.document = document;
        forms.getItems().setAll(Form.values());
        forms.setId("export-form");
        forms.setAccessibleText("Form");
        forms.setOnAction(e -> show());
        preview.setId("export-text");
        preview.setEditable(false);
        preview.getStyleClass().add("mono");
        preview.setAccessibleText("What is written");
        VBox.setVgrow(preview, Priority.ALWAYS);
        getChildren()
                .addAll(
                        row(
                                Texts.of("As", "soft"),
                                forms,
                                action("Copy it", "export-copy", this::copy),
                                action("Save it …", "export-save", this::save),
                                back("export-leave", "Back to the rulers")),
                        preview);
        forms.getSelectionModel().selectFirst();
        show();
    }

    private void show() {
        var report = document.reportProperty().get();
        Form form = forms.getValue();
        if (report != null && form != null) {
            document.derive(report, r -> form.text.apply(r.plan()), text -> {
                if (form == forms.getValue()) {
                    preview.setText(text);
                }
            });
        }
    }

    private void copy() {
        ClipboardContent content = new ClipboardContent();
        content.putString(preview.getText());
        Clipboard.getSystemClipboard().setContent(content);
        document.tell("Copied: " + forms.getValue() + ".");
    }

    private void save() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the addresses");
        chooser.setInitialFileName(forms.getValue().file);
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
