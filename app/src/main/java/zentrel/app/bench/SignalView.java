package zentrel.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.EmptyPageHint;
import zentrel.app.shell.Evidence;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageView;
import zentrel.check.Report;
import zentrel.file.Settings;
import zentrel.net.OutputGuard;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Stream;
import zentrel.profile.PortKind;
import zentrel.standin.PlanRun;
import zentrel.text.Counted;

/**
 * One signal of the plan's stand-ins on loopback. Raise one slot at the console and see at each place on the way what arrived;
 * send one cue and see it arrive. Nothing leaves before it is armed.
 */
final class SignalView implements PageView {
    private static final int LEVEL_MOST = 255;

    private final OpenDocument document;
    private final BenchRun bench = new BenchRun();
    private final Consumer<Evidence> onEvidence;
    private final OutputStatus output;
    private final Button start = Buttons.action("Start the stand-ins", "bench-start", this::startOrStop);
    private final Button arm = Buttons.action("Arm loopback", "bench-arm", this::arm);
    private final Button stopOutput = Buttons.action("Stop all output  F12", "bench-stop", this::stopOutput);
    private final Label state = Texts.wrapped("", "soft");
    private final ComboBox<Stream> streams = new ComboBox<>();
    private final TextField slot = number("1", "Slot", "bench-slot");
    private final TextField level = number("255", "Level", "bench-level");
    private final Stations stations = new Stations();
    private final Lamps lamps;
    private final Label lampsTitle = Texts.heading("What it lights");
    private final CueRow cues;
    private final News log = new News();
    private final VBox pane;
    private final Timeline clock = new Timeline(new KeyFrame(Duration.millis(200), e -> tick()));
    private final HearRow hearing;
    private @Nullable Plan runningPlan;
    private boolean awake;
    private Optional<SignalPath> path = Optional.empty();

    /** @param live what is seen of the live network; what is seen here stands before it */
    SignalView(PageContext context, LiveEvidence live) {
        document = context.document();
        bench.tellIn(levels());
        document.settings().property().addListener(o -> bench.tellIn(levels()));
        lamps = new Lamps(document);
        cues = new CueRow(document, bench, this::wake);
        onEvidence = e -> context.evidence().accept(live.and(e));
        output = context.output();
        output.onStop(this::stopOutput);
        hearing = new HearRow(document);
        arm.setDisable(true);
        stopOutput.setDisable(true);
        streams.setId("bench-stream");
        streams.setPrefWidth(290);
        streams.setConverter(Named.by(s -> plan().index().name(s.application()) + "  "
                + plan().index().universe(s.universe()).label() + "  "
                + s.protocol().title() + " "
                + plan().index().wireOf(s).map(String::valueOf).orElse("–")));
        streams.setAccessibleText("Source and universe");
        streams.valueProperty().addListener(o -> choosePath());
        Button raise = Buttons.action(
                "Raise",
                "bench-raise",
                () -> set(levels().parse(level.getText()).orElse(-1)));
        Button zero = Buttons.action("To zero", "bench-zero", () -> set(0));
        slot.setOnAction(e -> raise.fire());
        level.setOnAction(e -> raise.fire());
        HBox wire = row(start, arm, stopOutput);
        HBox raising = row(streams, Texts.of("slot", "soft"), slot, Texts.of("level", "soft"), level, raise, zero);
        VBox.setVgrow(log, Priority.ALWAYS);
        pane = new VBox(
                wire,
                state,
                rule(),
                Texts.heading("Raise one slot at the source"),
                raising,
                stations,
                lampsTitle,
                lamps,
                rule(),
                Texts.heading("Send one cue"),
                cues,
                rule(),
                Texts.heading("Listen to what devices really send and wait for"),
                hearing,
                rule(),
                Texts.heading("What happened"),
                log);
        FirewallQuestion.words(System.getProperty("os.name"))
                .ifPresent(words -> pane.getChildren()
                        .add(pane.getChildren().indexOf(hearing) + 1, Texts.wrapped(words, "soft", "small")));
        pane.getStyleClass().add("bench-signal");
        document.reportProperty().addListener(o -> planChanged());
        document.selectionProperty().addListener(o -> follow());
        clock.setCycleCount(Timeline.INDEFINITE);
        refreshState();
    }

    private Plan plan() {
        return document.plan();
    }

    private static Region rule() {
        Region region = new Region();
        region.getStyleClass().add("rule-line");
        return region;
    }

    private static HBox row(Node... nodes) {
        HBox row = new HBox(10, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static TextField number(String text, String name, String id) {
        TextField field = new TextField(text);
        field.setPrefColumnCount(4);
        field.setId(id);
        field.getStyleClass().add("mono");
        field.setAccessibleText(name);
        return field;
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        wake();
        picture();
    }

    // --- the plan and the selection ---

    /** Follows plan and selection from now on; until the bench is first looked at or used there is no need to. */
    private void wake() {
        if (!awake) {
            awake = true;
            planChanged();
        }
    }

    private void planChanged() {
        Report report = document.reportProperty().get();
        if (report == null || !awake) {
            return;
        }
        Stream stream = streams.getValue();
        streams.getItems()
                .setAll(report.plan().streams().stream()
                        .filter(s ->
                                !report.plan().index().portsOf(s.universe()).isEmpty())
                        .toList());
        cues.show(report.plan());
        streams.setValue(streams.getItems().stream()
                .filter(s -> stream != null && s.id().equals(stream.id()))
                .findFirst()
                .orElse(streams.getItems().stream().findFirst().orElse(null)));
        follow();
        if (bench.isRunning() && (runningPlan == null || !report.plan().equals(runningPlan))) {
            startStandins(); // they behave as the plan says now
        }
    }

    /** Takes source, universe and slot from what is selected elsewhere. */
    private void follow() {
        if (!awake) {
            return;
        }
        Id<?> selected = document.selectionProperty().get();
        if (selected == null) {
            choosePath();
            return;
        }
        Report report = document.reportProperty().get();
        if (report != null && report.plan().index().find(selected).isPresent()) {
            cues.follow(report.plan(), selected);
            if (report.plan().index().find(selected).orElseThrow() instanceof Fixture f) {
                slot.setText(String.valueOf(f.breaks().get(0).start()));
            }
            report.signalPaths().of(selected).paths().stream()
                    .flatMap(p -> p.signal().stream())
                    .flatMap(id -> id.as(Kind.STREAM).stream())
                    .flatMap(id -> streams.getItems().stream().filter(x -> x.id().equals(id)))
                    .filter(x -> !x.standby() && x.enabled().inForce())
                    .findFirst()
                    .ifPresent(streams::setValue);
        }
        choosePath();
    }

    /** The path that the stations show: to the DMX port of the chosen universe. */
    private void choosePath() {
        Report report = document.reportProperty().get();
        Stream stream = streams.getValue();
        path = Optional.empty();
        if (report != null
                && stream != null
                && report.plan().index().find(stream.id()).isPresent()) {
            List<SignalPath> paths = report.signalPaths().of(stream.id()).paths();
            path = paths.stream()
                    .filter(p -> p.receiver()
                            .flatMap(r -> r.as(Kind.PORT))
                            .filter(port -> report.plan().index().port(port).kind() == PortKind.DMX)
                            .isPresent())
                    .findFirst()
                    .or(() ->
                            paths.stream().filter(p -> p.receiver().isPresent()).findFirst());
        }
        picture();
    }

    // --- acting ---

    private void startOrStop() {
        if (bench.isRunning()) {
            clock.stop();
            bench.stop(() -> {
                runningPlan = null;
                refreshState();
                picture();
                onEvidence.accept(Evidence.NONE);
            });
        } else {
            startStandins();
        }
    }

    /** Starts the stand-ins of the plan as it is now. */
    public void startStandins() {
        wake();
        Plan plan = plan();
        runningPlan = plan;
        start.setDisable(true);
        bench.start(plan, problem -> {
            start.setDisable(false);
            problem.ifPresent(document::tell);
            refreshState();
            clock.play();
        });
    }

    /** Arms output for loopback, if stand-ins run. */
    public void arm() {
        if (bench.isRunning()) {
            bench.arm();
            refreshState();
        }
    }

    /** Stops all output at once; bound to a key of its own. */
    public void stopOutput() {
        bench.disarm();
        refreshState();
    }

    /** Raises the chosen slot of the chosen source. */
    public void raise(Id<?> universe, int slotNumber, int value) {
        wake();
        streams.getItems().stream()
                .filter(s -> s.universe().equals(universe)
                        && !s.standby()
                        && s.enabled().inForce())
                .findFirst()
                .ifPresent(streams::setValue);
        slot.setText(String.valueOf(slotNumber));
        level.setText(levels().words(value));
        set(value);
    }

    private Settings.Levels levels() {
        return document.settings().get().levels();
    }

    private static int parse(TextField field) {
        try {
            return Integer.parseInt(field.getText().strip());
        } catch (NumberFormatException e) {
            return -1; // refused below with the range
        }
    }

    private void set(int value) {
        int at = parse(slot);
        Stream stream = streams.getValue();
        if (at < 1 || at > 512 || value < 0 || value > LEVEL_MOST) {
            document.tell("A slot is a number from 1 to 512, and a level "
                    + (levels() == Settings.Levels.PERCENT ? "0 to 100 %." : "0 to 255, or 0 to 100 with a % sign."));
            return;
        }
        Optional<PlanRun> run = bench.run();
        if (run.isEmpty() || stream == null) {
            document.tell("Start the stand-ins first; then arm loopback, and raise the slot.");
            return;
        }
        if (bench.state() != OutputGuard.State.ARMED) {
            document.tell("Output is not armed, so the level is set at the source and does not leave. Arm loopback.");
        }
        try {
            run.get().setSlot(stream, at, value);
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
        }
        choosePath();
    }

    private void refreshState() {
        output.set("loopback", bench.state());
        boolean running = bench.isRunning();
        start.setText(running ? "Stop the stand-ins" : "Start the stand-ins");
        arm.setDisable(!running || output.isArmed());
        stopOutput.setDisable(!output.isArmed());
        state.setText((running
                        ? bench.run()
                                .map(r -> r.standinCount() + " stand-ins run on loopback. ")
                                .orElse("")
                        : "Stand-ins behave as each device of the plan is set now, each on a loopback address of its own. ")
                + "Loopback shows hops 1, 2 and 7 to 10; cables, masks and switches (3 to 6) it cannot show."
                + (running && !output.isArmed() ? " No level leaves before loopback is armed." : ""));
        picture();
    }

    // --- what is seen ---

    private void tick() {
        if (bench.takeNews()) {
            log.getItems().setAll(bench.lines());
            onEvidence.accept(bench);
        }
        picture();
        cues.seen();
    }

    private void picture() {
        if (pane.getScene() == null) {
            return; // drawn when it is shown
        }
        stations.begin(bench.isRunning());
        lamps.getChildren().clear();
        Stream stream = streams.getValue();
        Report report = document.reportProperty().get();
        if (stream == null
                || report == null
                || report.plan().index().find(stream.id()).isEmpty()) {
            stations.getChildren()
                    .add(Texts.wrapped(
                            EmptyPageHint.of(
                                    document.plan(),
                                    "no port receives what a program sends. In Gear a line such as \"route desk to"
                                            + " node\" lets one."),
                            "soft"));
            return;
        }
        PlanIndex index = report.plan().index();
        Map<HopKind, Evidence.Sight> sights = path.map(bench::of).orElse(Map.of());
        String to = path.flatMap(SignalPath::receiver).map(index::name).orElse("nobody");
        byte[] levels = portLevels(index);
        int at = Math.max(1, Math.min(512, parse(slot)));
        stations.station("1 · 2  " + index.name(stream.application()), "slot " + at, sights.get(HopKind.MEANS));
        stations.gap("3–6", "not on loopback");
        stations.station(
                "7  let in",
                to.contains(" of ") ? to.substring(to.indexOf(" of ") + 4) : to,
                sights.get(HopKind.LET_IN));
        stations.station(
                "8  number", index.wireOf(stream).map(String::valueOf).orElse("–"), sights.get(HopKind.AGREES));
        stations.station(
                "9  " + (to.contains(" of ") ? to.substring(0, to.indexOf(" of ")) : "port"),
                "slot " + at + " = " + levels().words(levels[at - 1] & 0xFF),
                sights.get(HopKind.WINS));
        List<Fixture> fixtures = Lamps.lit(path, index, stream);
        lampsTitle.setText("10  What it lights: " + Counted.of(fixtures.size(), "fixture"));
        for (Fixture fixture : fixtures) {
            lamps.show(fixture, stream, levels);
        }
    }

    private byte[] portLevels(PlanIndex index) {
        Optional<Id<Port>> port = path.flatMap(SignalPath::receiver).flatMap(r -> r.as(Kind.PORT));
        Optional<PlanRun> run = bench.run();
        if (port.isEmpty() || run.isEmpty() || index.find(port.get()).isEmpty()) {
            return new byte[512];
        }
        return run.get().levels(index.port(port.get()));
    }

    BenchRun bench() {
        return bench;
    }

    /** Ends all stand-ins. */
    @Override
    public void dispose() {
        clock.stop();
        hearing.close();
        bench.close();
    }
}
