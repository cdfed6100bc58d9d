package zentrel.app;

import java.util.List;
import javafx.application.Application;
import javafx.stage.Stage;
import zentrel.app.document.OpenDocument;

/** The window as it is, with something done to it and timed: {@code PLAN --answers}, {@code --drag} or {@code --flow}. */
public final class MeasuredApp extends ZentrelApp {
    /** Starts it from a class that is no JavaFX application, so that a plain class path will do. */
    public static final class Start {
        private Start() {}

        public static void main(String[] args) {
            begin(List.of(args));
            Application.launch(MeasuredApp.class, args);
        }
    }

    @Override
    protected void prepared(Stage stage, OpenDocument open, MainWindow shown, List<String> arguments) {
        if (arguments.contains("--answers")) {
            stage.setOnShown(e -> new AnswerTimes(open, shown).start());
        } else if (arguments.contains("--drag")) {
            stage.setOnShown(e -> new DragTimes(shown, stage.getScene()).start());
        } else {
            stage.setOnShown(
                    e -> new FlowTimes(open, shown.view(zentrel.app.flow.FlowPage.class), stage.getScene()).start());
        }
    }
}
