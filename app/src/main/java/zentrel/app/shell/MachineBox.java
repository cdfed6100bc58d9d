package zentrel.app.shell;

import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Clip;
import zentrel.app.look.Texts;
import zentrel.machine.MachineSheet;
import zentrel.machine.MachineStep;

/** What to type on a computer so that it is as planned, and what takes it back: shown when asked for, and copied. Nothing is run. */
final class MachineBox extends VBox {
    private final OpenDocument document;
    private final String name;
    private final VBox steps = new VBox(4);
    private final Button show = MarginPane.quiet("Show what to type on it", this::showOrHide);

    MachineBox(OpenDocument document, String name, MachineSheet sheet) {
        super(4);
        this.document = document;
        this.name = name;
        show.setId("machine-show");
        Button copy = MarginPane.quiet("Copy it", () -> copy("what to type", sheet.text(name)));
        copy.setId("machine-copy");
        Button back = MarginPane.quiet("Copy the way back", () -> copy("what takes it back", sheet.backText(name)));
        back.setId("machine-back");
        for (MachineStep step : sheet.steps()) {
            steps.getChildren().add(Texts.wrapped(step.title(), "small"));
            Label line = step.typed()
                    ? Texts.mono(step.command(), "soft", "small")
                    : Texts.of(step.command(), "soft", "small");
            line.setWrapText(true);
            line.setMinHeight(USE_PREF_SIZE);
            steps.getChildren().add(line);
        }
        getChildren().addAll(Texts.heading("On the computer, " + system(sheet)), show, new HBox(8, copy, back));
    }

    private static String system(MachineSheet sheet) {
        return Map.of("windows", "Windows", "macos", "macOS", "linux", "Linux")
                .getOrDefault(sheet.system().word(), sheet.system().word());
    }

    private void showOrHide() {
        if (!getChildren().remove(steps)) {
            getChildren().add(2, steps);
            show.setText("Hide it");
        } else {
            show.setText("Show what to type on it");
        }
    }

    private void copy(String what, String text) {
        Clip.put(text);
        document.tell("Copied: " + what + " on " + name + ". Read it before you run it.");
    }
}
