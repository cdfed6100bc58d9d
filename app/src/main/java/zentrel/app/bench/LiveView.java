package zentrel.app.bench;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.found.DeviceState;
import zentrel.live.SendPattern;
import zentrel.net.NetAdapter;
import zentrel.net.OutputGuard;
import zentrel.plan.Id;
import zentrel.plan.Kind;

/** The net as it is: who is there, what arrives, what to do about it. */
final class LiveView extends BorderPane {
    private final OpenDocument document;
    private final OutputStatus output;
    private final LiveSession session;
    private final ComboBox<NetAdapter> where = new ComboBox<>();
    private final Button listen = Buttons.action("Listen", "live-listen", this::listen);
    private final Button ask = Buttons.action("Ask", "live-ask", this::ask);
    private final Button arm = Buttons.action("Arm", "live-arm", this::arm);
    private final Button stop = Buttons.action("Stop all output  F12", "live-stop", this::stopAll);
    private final Button record = Buttons.quiet("Record …", "live-record", this::record);
    private final Button open = Buttons.quiet("Open a recording …", "live-open", this::openRecording);
    private final Button seal = Buttons.quiet("Seal …", "live-seal", this::seal);
    private final Button since = Buttons.quiet("What changed since …", "live-since-open", this::openSealed);
    private final ComboBox<Double> speed = new ComboBox<>();
    private final Label status = Texts.wrapped("", "soft", "small");
    private final DeviceColumn devices;
    private final UniverseColumn universes;
    private final SlotGrid grid = new SlotGrid(32, false);
    private final Label gridTitle = Texts.of("", "soft", "small");
    private final DeviceDetail detail;
    private final SendPane send;
    private final LiveFindings findings;
    private final EventList events = new EventList();
    private final Button setAll = Buttons.quiet("", "live-set-all", this::setAll);
    private final Label setAllSaid = Texts.wrapped("", "soft", "small");
    private boolean settingAll;
    private final LevelsView levels;
    private final VBox overview;
    private final Timeline clock = new Timeline(new KeyFrame(Duration.millis(250), e -> tick()));
    private Optional<UniverseKey> gridShows = Optional.empty();
    private @Nullable DeviceRow chosen;
    private final Runnable evidence;
    private long evidenceAt;
    private boolean playing;

    /** @param evidence told every second that something new may have been seen */
    LiveView(PageContext context, LiveSession session, Runnable evidence) {
        this.evidence = evidence;
        document = context.document();
        output = context.output();
        this.session = session;
        output.onStop(this::stopOutput);
        devices = new DeviceColumn(document, this::choose);
        universes = new UniverseColumn(document, this::choose);
        detail = new DeviceDetail(document, session);
        send = new SendPane(document, session);
        findings = new LiveFindings(document);
        levels = new LevelsView(document);
        where.setId("live-where");
        where.setAccessibleText("Adapter to look at");
        where.setPromptText("Choose an adapter");
        where.setPrefWidth(230);
        where.setConverter(
                Named.by(a -> a.loopback() ? "Loopback " + a.address().address() : a.name() + "  " + a.address()));
        where.setOnShowing(e -> adapters());
        speed.getItems().setAll(0.0, 0.25, 1.0, 4.0, 20.0);
        speed.setConverter(Named.by(s -> s == 0 ? "held" : "× " + (s < 1 ? s : Math.round(s))));
        speed.setValue(1.0);
        speed.setId("live-speed");
        speed.setAccessibleText("How fast the recording is played");
        speed.valueProperty().addListener(o -> session.setSpeed(speed.getValue()));
        HBox head = new HBox(8, where, listen, ask, arm, stop);
        head.setAlignment(Pos.CENTER_LEFT);
        head.setStyle("-fx-padding: 6 0 0 0;");
        FlowPane tools = new FlowPane(8, 0, seal, since, record, open, speed);
        tools.setAlignment(Pos.CENTER_LEFT);
        setTop(new VBox(2, head, tools, status));
        overview = new VBox(columns());
        VBox.setVgrow(overview.getChildren().get(0), Priority.ALWAYS);
        setCenter(overview);
        document.selectionProperty().addListener(o -> follow());
        clock.setCycleCount(Timeline.INDEFINITE);
        adapters();
        refresh();
    }

    private Node columns() {
        grid.setMinHeight(130);
        grid.setPrefHeight(130);
        grid.setMaxHeight(130);
        grid.setId("live-grid");
        VBox middle = new VBox(6, universes, gridTitle, grid);
        VBox.setVgrow(universes, Priority.ALWAYS);
        VBox todo = new VBox(10, detail, findings, send);
        ScrollPane scroll = new ScrollPane(todo);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox right = new VBox(4, scroll, Texts.of("What happened", "strong"), events);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        right.setMinWidth(190);
        VBox left = new VBox(4, devices, setAll, setAllSaid);
        VBox.setVgrow(devices, Priority.ALWAYS);
        setAllSaid.setId("live-set-all-said");
        HBox all = new HBox(16, left, middle, right);
        all.setStyle("-fx-padding: 8 0 0 0;");
        left.prefWidthProperty().bind(all.widthProperty().multiply(0.28));
        middle.prefWidthProperty().bind(all.widthProperty().multiply(0.42));
        right.prefWidthProperty().bind(all.widthProperty().multiply(0.30));
        return all;
    }

    /** Shows the levels of one universe in full, or the three columns. */
    void showLevels(boolean value) {
        setCenter(value ? levels : overview);
        if (value) {
            levels.show(session.snapshot());
            universes.chosen().ifPresent(levels::choose);
        }
        tick();
    }

    private void adapters() {
        session.adapters(found -> {
            NetAdapter was = where.getValue();
            List<NetAdapter> all = new ArrayList<>(found);
            all.sort(Comparator.comparing(NetAdapter::loopback));
            if (!all.equals(where.getItems())) {
                where.getItems().setAll(all);
            }
            String wanted = document.settings().get().adapter();
            where.setValue(all.stream()
                    .filter(a -> was != null
                            ? a.equals(was)
                            : a.address().address().toString().equals(wanted))
                    .findFirst()
                    .orElseGet(() -> all.stream()
                            .filter(NetAdapter::loopback)
                            .findFirst()
                            .orElse(null)));
        });
    }

    // --- states ---

    /** Looks at the chosen adapter; nothing but group joins leaves. */
    void listen() {
        NetAdapter adapter = where.getValue();
        if (adapter == null) {
            document.tell("Choose an adapter first.");
            return;
        }
        if (session.adapter().equals(Optional.of(adapter))) {
            session.listenOnly();
            refresh();
            return;
        }
        look(adapter, () -> {});
    }

    private void look(NetAdapter adapter, Runnable then) {
        playing = false;
        document.settings()
                .change(s -> s.withAdapter(adapter.address().address().toString()));
        session.open(adapter, problem -> {
            problem.ifPresent(document::tell);
            if (problem.isEmpty()) {
                clock.play();
                then.run();
            }
            refresh();
        });
    }

    /** Looks at the chosen adapter, and lets questions leave. */
    void ask() {
        NetAdapter adapter = where.getValue();
        Runnable asks = () -> {
            session.ask();
            refresh();
        };
        if (adapter != null && session.adapter().equals(Optional.of(adapter))) {
            asks.run();
        } else if (adapter != null) {
            look(adapter, asks);
        }
    }

    /** Lets levels and settings leave by the adapter that is looked at. */
    void arm() {
        if (!session.arm()) {
            document.tell("Choose an adapter and listen first; then arm it.");
        }
        refresh();
    }

    private void stopAll() {
        output.stop();
    }

    /** Stops what this sends and sets, at once. */
    private void stopOutput() {
        session.stopOutput();
        refresh();
    }

    /** What would make every device that was found be as planned; those on one address with another are left out. */
    private List<DeviceTasks.Wanted> wanted() {
        return session.snapshot().devices().stream()
                .filter(d -> !d.wanted().isNothing() && d.found().state() != DeviceState.DUPLICATE_ADDRESS)
                .map(d -> new DeviceTasks.Wanted(d.found(), d.wanted()))
                .toList();
    }

    private void setAll() {
        if (settingAll) {
            session.tasks().stop();
            return;
        }
        settingAll = true;
        session.tasks().setAll(wanted(), setAllSaid::setText, said -> {
            settingAll = false;
            setAllSaid.setText(said);
        });
    }

    private void record() {
        if (session.snapshot().recorded().isPresent()) {
            session.stopRecording();
            return;
        }
        FileChooser chooser = chooser("Record into");
        chooser.setInitialFileName("seen.pcapng");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            session.record(file.toPath(), problem -> problem.ifPresent(document::tell));
        }
    }

    /** Keeps what is seen now, to be compared with when something does not respond. */
    private void seal() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Seal what is seen now");
        chooser.setInitialFileName("as-it-worked.json");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            seal(file.toPath());
        }
    }

    /** Keeps what is seen now in a file. */
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

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Recordings", "*.pcapng", "*.pcap", "*.cap"));
        return chooser;
    }

    private void openRecording() {
        File file = chooser("Open a recording").showOpenDialog(getScene().getWindow());
        if (file != null) {
            play(file.toPath());
        }
    }

    /** Plays a recording in place of an adapter. */
    void play(Path file) {
        session.open(file, speed.getValue(), problem -> {
            problem.ifPresent(document::tell);
            playing = problem.isEmpty();
            if (playing) {
                clock.play();
            }
            refresh();
        });
    }

    private void refresh() {
        OutputGuard.State state = session.state();
        Optional<NetAdapter> at = session.adapter();
        boolean looks = at.isPresent();
        boolean armed = state == OutputGuard.State.ARMED;
        output.set(at.map(NetAdapter::toString).orElse("bench"), state);
        arm.setDisable(!looks || armed);
        stop.setDisable(!output.isArmed());
        listen.setDisable(
                looks && state == OutputGuard.State.LISTEN && at.equals(Optional.ofNullable(where.getValue())));
        ask.setDisable(looks && state == OutputGuard.State.ASK && at.equals(Optional.ofNullable(where.getValue())));
        record.setDisable(!looks);
        seal.setDisable(!looks && !playing);
        speed.setVisible(playing);
        speed.setManaged(playing);
        LiveSnapshot seen = session.snapshot();
        record.setText(
                seen.recorded().map(n -> "Stop recording, " + n + " packets").orElse("Record …"));
        String words = playing
                ? "A recording is played; nothing can be sent."
                : at.isEmpty()
                        ? "Nothing is looked at. Choose an adapter, then listen or ask."
                        : at.get()
                                + switch (state) {
                                    case LISTEN -> ": listening. Only group joins leave.";
                                    case ASK -> ": asking. Polls and pings leave; no level, no setting.";
                                    case ARMED -> " is ARMED: levels and settings leave by it, and by no other.";
                                };
        String all = Stream.concat(Stream.of(words), seen.troubles().stream()).collect(Collectors.joining(" "));
        if (!all.equals(status.getText())) {
            status.setText(all);
        }
        status.getStyleClass().removeAll("at-risk", "soft");
        status.getStyleClass().add(armed || !seen.troubles().isEmpty() ? "at-risk" : "soft");
    }

    // --- what is seen ---

    private void tick() {
        if (getScene() == null) {
            return; // drawn when it is shown
        }
        LiveSnapshot seen = session.snapshot();
        refresh();
        if (getCenter() == levels) {
            levels.show(seen);
            return;
        }
        devices.show(seen);
        int differ = wanted().size();
        setAll.setText(settingAll ? "Stop setting" : "Set all " + differ + " that differ, one by one");
        setAll.setDisable(!settingAll && session.state() != OutputGuard.State.ARMED);
        setAll.setVisible(settingAll || differ > 1);
        setAll.setManaged(settingAll || differ > 1);
        universes.show(seen);
        send.show(seen);
        showGrid(seen);
        DeviceRow row = chosen;
        detail.setVisible(row != null);
        detail.setManaged(row != null);
        if (row != null) {
            detail.show(row, seen.now());
        }
        findings.show(seen, universes.chosen());
        if (seen.now() - evidenceAt > 1_000_000_000L) {
            evidenceAt = seen.now();
            evidence.run();
        }
        events.show(seen.events());
    }

    private void showGrid(LiveSnapshot seen) {
        Optional<UniverseKey> key = universes.chosen();
        byte[] now = key.flatMap(seen::universe).map(u -> u.levels().toArray()).orElse(new byte[512]);
        grid.setDay(document.settings().dayProperty().get());
        grid.show(now, !key.equals(gridShows));
        gridShows = key;
        int number = SendPattern.numberIn(now);
        gridTitle.setText(key.map(k -> seen.planned(k, document.plan())
                                .map(u -> u.label() + " " + u.name() + ", ")
                                .orElse("")
                        + k.words()
                        + (number > 0 ? ": as a number it says " + number : ": what changed lately has an edge"))
                .orElse(""));
    }

    private void choose(@Nullable DeviceRow row) {
        chosen = row;
    }

    private void choose(UniverseKey key) {
        send.choose(key);
        session.snapshot().planned(key, document.plan()).ifPresent(u -> document.select(u.id()));
        tick();
    }

    /** Takes what is selected elsewhere. */
    private void follow() {
        Id<?> id = document.selectionProperty().get();
        if (id != null && document.plan().index().find(id).isPresent()) {
            document.plan().index().hostAt(id).ifPresent(h -> devices.choose(h.id()));
            id.as(Kind.UNIVERSE).ifPresent(u -> universeKey(u).ifPresent(universes::choose));
        }
    }

    private Optional<UniverseKey> universeKey(Id<?> universe) {
        return document.plan().streams().stream()
                .filter(s -> s.universe().equals(universe))
                .flatMap(s -> document.plan().index().wireOf(s).stream().map(w -> new UniverseKey(s.protocol(), w)))
                .findFirst();
    }

    void shown() {
        tick();
    }

    void dispose() {
        clock.stop();
        session.close();
    }
}
