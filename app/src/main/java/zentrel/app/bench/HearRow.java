package zentrel.app.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.gear.ConfirmedSettings;
import zentrel.gear.Heard;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.net.Guarded;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/**
 * Hears on one adapter what devices send and wait for, and ticks off what is in force as planned. It asks by poll, which sets
 * nothing; the time is bounded and it can be stopped.
 */
final class HearRow extends HBox implements AutoCloseable {
    private static final int MILLIS = 4_000;
    private static final int STEP = 100;
    private static final int ASK_AGAIN = 2_000;

    private final OpenDocument document;
    private final TextField adapter = new TextField("127.0.0.1");
    private final Button hear = new Button("Listen for 4 s");
    private final Button tick = new Button();
    private final Label told = Texts.of("", "soft", "small");
    private final AtomicBoolean running = new AtomicBoolean();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> Daemons.of(r, "hear"));
    private List<ConfirmedSettings> ticking = List.of();

    /**
     * What was heard.
     *
     * @param missed what is not in it, in words after a blank; empty where nothing is missing
     */
    private record Found(List<Heard> heard, String missed) {}

    HearRow(OpenDocument document) {
        super(10);
        this.document = document;
        setAlignment(Pos.CENTER_LEFT);
        String chosen = document.settings().get().adapter();
        if (!chosen.isEmpty()) {
            adapter.setText(chosen);
        }
        adapter.setId("hear-adapter");
        adapter.setPrefWidth(130);
        adapter.setAccessibleText("Address of the adapter to hear on");
        hear.getStyleClass().add("action");
        hear.setId("hear");
        hear.setOnAction(e -> startOrStop());
        adapter.setOnAction(e -> startOrStop());
        tick.getStyleClass().add("action");
        tick.setId("hear-tick");
        tick.setOnAction(e -> tickOff());
        told.setId("hear-told");
        offer(List.of());
        getChildren().addAll(Texts.of("on the adapter", "soft"), adapter, hear, tick, told);
    }

    private void offer(List<ConfirmedSettings> found) {
        ticking = found;
        int count = found.stream().mapToInt(t -> t.seen().size()).sum();
        tick.setText("Tick off " + Counted.of(count, "setting"));
        tick.setVisible(count > 0);
        tick.setManaged(count > 0);
    }

    private void tickOff() {
        ticking.forEach(t -> document.apply(t.edit()));
        told.setText("Ticked off.");
        offer(List.of());
    }

    private void startOrStop() {
        if (running.getAndSet(false)) {
            return; // the run ends at its next step
        }
        Ipv4Address at;
        try {
            at = Ipv4Address.parse(adapter.getText().strip());
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
            return;
        }
        document.settings().change(s -> s.withAdapter(at.toString()));
        running.set(true);
        hear.setText("Stop");
        told.setText("Listening …");
        offer(List.of());
        Plan plan = document.plan();
        thread.execute(() -> {
            try {
                Found all = hear(at, plan);
                List<ConfirmedSettings> found = ConfirmedSettings.of(plan, all.heard());
                Platform.runLater(() -> show(all, found));
            } catch (IOException e) {
                Platform.runLater(() -> {
                    told.setText("");
                    document.tell(String.valueOf(e.getMessage()));
                });
            } finally {
                running.set(false);
                Platform.runLater(() -> hear.setText("Listen for 4 s"));
            }
        });
    }

    private void show(Found all, List<ConfirmedSettings> found) {
        List<Heard> heard = all.heard();
        long from = heard.stream().map(Heard::from).distinct().count();
        String first = found.isEmpty()
                ? "nothing that still waits to be ticked off."
                : found.get(0).seen().get(0);
        told.setText((heard.isEmpty()
                        ? "Nothing was received."
                        : "Received from " + Counted.of(from, "device") + "; " + first)
                + all.missed());
        offer(found);
    }

    private Found hear(Ipv4Address at, Plan plan) throws IOException {
        RealNet net = new RealNet();
        try (NetHost host = new Guarded(net, new OutputGuard(OutputGuard.State.ASK));
                StreamWatch watch =
                        new StreamWatch(host, net.require(at), ConfirmedSettings.addresses(plan)::contains)) {
            watch.start(LiveGroups.of(plan));
            for (int passed = 0; passed < MILLIS && running.get(); passed += STEP) {
                if (passed % ASK_AGAIN == 0) {
                    watch.ask();
                }
                Thread.sleep(STEP);
            }
            StreamWatch.Found found = watch.found();
            String notListed = found.notListed() == 0
                    ? ""
                    : " " + Counted.of(found.notListed(), "packet") + " from more sources not listed.";
            return new Found(
                    heard(found),
                    notListed
                            + Stream.concat(found.trouble().stream(), found.remarks().stream())
                                    .map(t -> " " + t)
                                    .collect(Collectors.joining()));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Found(List.of(), "");
        }
    }

    private static List<Heard> heard(StreamWatch.Found found) {
        record Key(Ipv4Address from, Protocol protocol) {}
        Map<Key, Set<Integer>> sends = new HashMap<>();
        for (StreamSeen s : found.streams()) {
            sends.computeIfAbsent(new Key(s.source(), s.protocol()), k -> new HashSet<>())
                    .add(s.universe());
        }
        List<Heard> heard = new ArrayList<>();
        sends.forEach((key, universes) -> heard.add(new Heard(key.from(), key.protocol(), universes, Set.of())));
        found.answers().forEach((from, waits) -> heard.add(new Heard(from, Protocol.ARTNET, Set.of(), waits)));
        return heard;
    }

    @Override
    public void close() {
        running.set(false);
        thread.shutdownNow();
    }
}
