package zentrel.app.bench;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.FlowPane;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;

/** What is kept of a net: recordings, and states as it worked. */
final class KeptRow extends FlowPane {
    private static final double NANOS = 1e9;

    private final OpenDocument document;
    private final LiveSession session;
    private final Runnable looks;
    private final Button record = Buttons.quiet("Record …", "live-record", this::record);
    private final Button seal = Buttons.quiet("Seal …", "live-seal", this::seal);
    private final ComboBox<Double> speed = new ComboBox<>();
    private final Button step = Buttons.quiet("Step", "live-step", this::step);
    private final Slider time = new Slider();
    private final Label at = Texts.mono("", "small");
    private boolean showing;

    KeptRow(OpenDocument document, LiveSession session, Runnable looks) {
        super(8, 0);
        this.document = document;
        this.session = session;
        this.looks = looks;
        speed.getItems().setAll(0.0, 0.25, 1.0, 4.0, 20.0);
        speed.setConverter(Named.by(s -> s == 0 ? "held" : "× " + (s < 1 ? s : Math.round(s))));
        speed.setValue(1.0);
        speed.setId("live-speed");
        speed.setAccessibleText("How fast the recording is played");
        speed.valueProperty().addListener(o -> session.setSpeed(speed.getValue()));
        time.setId("live-time");
        time.setAccessibleText("Time within the recording");
        time.setPrefWidth(260);
        time.setBlockIncrement(1);
        time.valueProperty().addListener(o -> moved());
        time.valueChangingProperty().addListener(o -> moved());
        setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        seal,
                        Buttons.quiet("What changed since …", "live-since-open", this::openSealed),
                        record,
                        Buttons.quiet("Open a recording …", "live-open", this::openRecording),
                        speed,
                        step,
                        time,
                        at);
    }

    /** Shows what is recorded, and where in a recording one is. */
    void show(LiveSnapshot seen) {
        boolean playing = session.place().filter(p -> !p.takesOutput()).isPresent();
        record.setDisable(playing || session.place().isEmpty());
        seal.setDisable(session.place().isEmpty());
        record.setText(
                seen.recorded().map(n -> "Stop recording, " + n + " packets").orElse("Record …"));
        Optional<PlayedNet.Span> span = seen.span();
        show(speed, playing);
        show(step, playing);
        show(time, span.isPresent());
        show(at, span.isPresent());
        span.ifPresent(s -> {
            showing = true;
            time.setMax(Math.max(0.001, (s.to() - s.from()) / NANOS));
            if (!time.isValueChanging() && !time.isPressed()) {
                time.setValue((seen.now() - s.from()) / NANOS);
            }
            showing = false;
            at.setText(EventTimes.of(Math.min(seen.now(), s.to())) + " of " + EventTimes.of(s.to()));
        });
    }

    private static void show(Node node, boolean value) {
        node.setVisible(value);
        node.setManaged(value);
    }

    /** Goes where the user put the time; while it is dragged, when it is let go. */
    private void moved() {
        if (!showing && !time.isValueChanging()) {
            session.snapshot().span().ifPresent(s -> session.goTo(s.from() + Math.round(time.getValue() * NANOS)));
        }
    }

    /** Holds the recording and goes on by a tenth of a second. */
    private void step() {
        speed.setValue(0.0);
        session.stepBy(100_000_000L);
    }

    private void record() {
        if (session.snapshot().recorded().isPresent()) {
            session.stopRecording();
            return;
        }
        FileChooser chooser = recordings("Record into");
        chooser.setInitialFileName("seen.pcapng");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            session.record(file.toPath(), problem -> problem.ifPresent(document::tell));
        }
    }

    private void seal() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Seal what is seen now");
        chooser.setInitialFileName("as-it-worked.json");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            seal(file.toPath());
        }
    }

    /** Keeps what is seen now in a file, to be compared with when something does not respond. */
    void seal(Path file) {
        session.seal(file, problem -> problem.ifPresent(document::tell));
    }

    private void openSealed() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A sealed state");
        File file = chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            since(file.toPath());
        }
    }

    /** Tells from now on what changed since a state was sealed. */
    void since(Path file) {
        session.since(file, problem -> problem.ifPresent(document::tell));
    }

    private static FileChooser recordings(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Recordings", "*.pcapng", "*.pcap", "*.cap"));
        return chooser;
    }

    private void openRecording() {
        File file = recordings("Open a recording").showOpenDialog(getScene().getWindow());
        if (file != null) {
            play(file.toPath());
        }
    }

    /** Plays a recording in place of an adapter. */
    void play(Path file) {
        session.setSpeed(speed.getValue());
        session.open(new Place.Recorded(file), problem -> {
            problem.ifPresent(document::tell);
            looks.run();
        });
    }
}
