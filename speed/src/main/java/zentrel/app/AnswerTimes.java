package zentrel.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.check.Report;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.plan.Plan;
import zentrel.profile.Profile;

/**
 * For measuring: adds boxes to the plan that is open, a fifth of a second apart, on the Gear stage. Meanwhile another thread asks the
 * JavaFX thread every two milliseconds for an answer; how late the answers come is how long the window did not answer. Prints
 * {@code answers P50 P99 MAX findings P50 P99 idle P99} in milliseconds, and ends. The last is what the machine itself takes, with the
 * same window at rest for three seconds.
 */
final class AnswerTimes {
    private static final int WARM = 40;
    private static final int COUNTED = 120;

    /** How long after the findings the window still draws what they changed. */
    private static final int DRAWN_MILLIS = 50;

    /** With that, still faster than anybody types a line. */
    private static final int PAUSE_MILLIS = 150;

    private final OpenDocument document;
    private final MainWindow window;
    private final Lateness lateness = new Lateness();
    private final List<Long> late = new ArrayList<>();
    private final List<Long> findings = new ArrayList<>();
    private final List<Long> idle = new ArrayList<>();
    private @Nullable Profile node;
    private int done;
    private long since;

    AnswerTimes(OpenDocument document, MainWindow window) {
        this.document = document;
        this.window = window;
    }

    void start() {
        node = Library.shipped().find("house/node-4").orElseThrow();
        window.showPage(0);
        lateness.start();
        PauseTransition settle = new PauseTransition(Duration.seconds(3));
        settle.setOnFinished(e -> rest());
        settle.play();
    }

    /** Nothing is done: what comes late now is the machine's. */
    private void rest() {
        lateness.count(true);
        PauseTransition rest = new PauseTransition(Duration.seconds(3));
        rest.setOnFinished(e -> {
            lateness.count(false);
            idle.addAll(lateness.taken());
            document.reportProperty().addListener(o -> Platform.runLater(this::current));
            add();
        });
        rest.play();
    }

    /** Called when findings are there: counts how long they took, and adds the next box. */
    private void current() {
        Report report = document.reportProperty().get();
        if (report == null || !report.plan().equals(document.plan())) {
            return;
        }
        if (done > WARM) {
            findings.add(System.nanoTime() - since);
        }
        if (done == WARM + COUNTED) {
            print();
            Platform.exit();
            return;
        }
        PauseTransition drawn = new PauseTransition(Duration.millis(DRAWN_MILLIS));
        drawn.setOnFinished(e -> {
            lateness.count(false); // at rest it answers at once, which is not to be counted in its favour
            PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
            pause.setOnFinished(x -> add());
            pause.play();
        });
        drawn.play();
    }

    private void add() {
        lateness.count(done++ >= WARM);
        since = System.nanoTime();
        Plan plan = document.plan();
        Profile profile = node;
        if (profile != null) {
            document.make(() -> DeviceFactory.boxes(plan, Library.shipped(), profile, 1, "", "Added"), made -> {});
        }
    }

    private void print() {
        late.addAll(lateness.taken());
        System.out.printf(
                Locale.ROOT,
                "answers %.1f %.1f %.1f findings %.1f %.1f idle %.1f%n",
                Lateness.at(late, 0.5),
                Lateness.at(late, 0.99),
                Lateness.at(late, 1),
                Lateness.at(findings, 0.5),
                Lateness.at(findings, 0.99),
                Lateness.at(idle, 0.99));
    }
}
