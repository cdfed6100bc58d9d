package zentrel.app.bench;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.found.DeviceState;
import zentrel.live.SendPattern;
import zentrel.net.OutputGuard;
import zentrel.plan.Id;
import zentrel.plan.Kind;

/** The net as it is: who is there, what arrives, what to do about it. */
final class LiveView extends BorderPane {
    private final OpenDocument document;
    private final OutputStatus output;
    private final LiveSession session;
    private final PlaceRow place;
    private final KeptRow kept;
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

    /** @param evidence told every second that something new may have been seen */
    LiveView(PageContext context, LiveSession session, Runnable evidence) {
        this.evidence = evidence;
        document = context.document();
        output = context.output();
        this.session = session;
        devices = new DeviceColumn(document, this::choose);
        universes = new UniverseColumn(document, this::choose);
        detail = new DeviceDetail(document, session);
        send = new SendPane(document, session);
        findings = new LiveFindings(document);
        levels = new LevelsView(document);
        place = new PlaceRow(context, session, this::looks);
        kept = new KeptRow(document, session, this::looks);
        output.onStop(this::stopOutput);
        setTop(new VBox(2, place, kept, place.status()));
        overview = new VBox(columns());
        VBox.setVgrow(overview.getChildren().get(0), Priority.ALWAYS);
        setCenter(overview);
        document.selectionProperty().addListener(o -> follow());
        clock.setCycleCount(Timeline.INDEFINITE);
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

    // --- states ---

    private void looks() {
        clock.play();
        tick();
    }

    /** Looks at the chosen place; nothing but group joins leaves. */
    void listen() {
        place.listen();
    }

    /** Looks at the chosen place, and lets questions leave. */
    void ask() {
        place.ask();
    }

    /** Lets levels and settings leave by the adapter that is looked at. */
    void arm() {
        place.arm();
    }

    /** Stops what this sends and sets, at once. */
    private void stopOutput() {
        send.callOff();
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

    /** Keeps what is seen now in a file. */
    void seal(Path file) {
        kept.seal(file);
    }

    /** Tells from now on what changed since a state was sealed. */
    void since(Path file) {
        kept.since(file);
    }

    /** Plays a recording in place of an adapter. */
    void play(Path file) {
        kept.play(file);
    }

    private void refresh() {
        LiveSnapshot seen = session.snapshot();
        place.show(seen);
        kept.show(seen);
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
            id.as(Kind.UNIVERSE)
                    .ifPresent(u -> UniverseKey.of(document.plan(), u).ifPresent(universes::choose));
        }
    }

    void shown() {
        tick();
    }

    void dispose() {
        clock.stop();
        session.close();
    }
}
