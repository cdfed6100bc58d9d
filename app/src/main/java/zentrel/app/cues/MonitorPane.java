package zentrel.app.cues;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.SimpleStringProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Buttons;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.app.shell.SeenNow;
import zentrel.gear.OscAddresses;
import zentrel.live.OscMonitor;
import zentrel.plan.Plan;
import zentrel.standin.StandinSite;

/** What comes by OSC at the ports of the plan, on the net that is looked at: counted exactly, shown twice in a second. */
final class MonitorPane extends VBox implements AutoCloseable {
    private static final int EVERY_MILLIS = 500;
    private static final int MOST_ROWS = 500;

    private final Supplier<Plan> plan;
    private final SeenNow net;
    private final Label said = Texts.wrapped(
            "Nothing is counted yet. While it counts, a program of this computer on the same port may get nothing.",
            "soft",
            "small");
    private final TextField ports = new TextField();
    private final TextField filter = new TextField();
    private final TableView<OscMonitor.Row> table = new TableView<>();
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(r -> Daemons.of(r, "osc monitor"));
    private @Nullable OscMonitor monitor;
    private @Nullable ScheduledFuture<?> looking;

    MonitorPane(Supplier<Plan> plan, SeenNow net) {
        super(8);
        this.plan = plan;
        this.net = net;
        ports.setId("osc-ports");
        ports.setPromptText("ports");
        ports.setPrefWidth(160);
        ports.setAccessibleText("UDP ports that are listened to");
        filter.setId("osc-filter");
        filter.setPromptText("only addresses with …");
        filter.setAccessibleText("Only addresses with this text");
        HBox row = new HBox(
                10,
                Texts.of("Ports", "soft"),
                ports,
                Buttons.action("Count what comes", "osc-count", this::begin),
                Buttons.quiet("Stop", "osc-stop", this::stop),
                filter);
        row.setAlignment(Pos.CENTER_LEFT);
        column("From", 130, r -> r.from().toString());
        column("Port", 64, r -> String.valueOf(r.port()));
        column("OSC address", 230, OscMonitor.Row::address);
        column("Acted on", 84, r -> r.matched() ? "known" : "nobody");
        column("Types", 60, OscMonitor.Row::tags);
        column("Last", 210, OscMonitor.Row::last);
        column("Messages", 84, r -> String.valueOf(r.messages()));
        table.setId("osc-table");
        table.setAccessibleText("OSC messages by sender and address");
        table.setPlaceholder(Texts.of("Nothing has come yet.", "soft"));
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren().addAll(row, said, table);
    }

    private void column(String title, double width, java.util.function.Function<OscMonitor.Row, String> value) {
        TableColumn<OscMonitor.Row, String> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setSortable(false);
        column.setCellValueFactory(c -> new SimpleStringProperty(value.apply(c.getValue())));
        table.getColumns().add(column);
    }

    /** Fills in the ports of the plan, as long as nobody has typed others. */
    void offer() {
        if (ports.getText().isBlank()) {
            ports.setText(String.join(
                    ", ",
                    OscAddresses.of(plan.get()).ports().stream()
                            .map(String::valueOf)
                            .toList()));
        }
    }

    private void begin() {
        Optional<StandinSite> site = net.site();
        if (site.isEmpty()) {
            said.setText("No net is looked at. Choose one on the Bench first.");
            return;
        }
        List<Integer> wanted;
        try {
            wanted = List.of(ports.getText().strip().split("[,;\\s]+")).stream()
                    .map(p -> {
                        if (!p.matches("[0-9]{1,5}") || Integer.parseInt(p) < 1 || Integer.parseInt(p) > 65_535) {
                            throw new IllegalArgumentException(
                                    "\"" + p + "\" is no UDP port; they go from 1 to 65535.");
                        }
                        return Integer.parseInt(p);
                    })
                    .toList();
        } catch (IllegalArgumentException e) {
            said.setText(String.valueOf(e.getMessage()));
            return;
        }
        stop();
        OscMonitor begun = new OscMonitor(site.get().host(), OscAddresses.of(plan.get())::has);
        monitor = begun;
        said.setText("listening …");
        looking = worker.scheduleWithFixedDelay(
                new Look(begun, site.get(), wanted), 0, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** On the worker: opens the ports at first, then looks what came. */
    private final class Look implements Runnable {
        private final OscMonitor of;
        private final StandinSite site;
        private final List<Integer> wanted;
        private boolean open;

        Look(OscMonitor of, StandinSite site, List<Integer> wanted) {
            this.of = of;
            this.site = site;
            this.wanted = wanted;
        }

        @Override
        public void run() {
            try {
                if (!open) {
                    open = true;
                    for (int port : wanted) {
                        of.listen(site.adapter(), port);
                    }
                }
                OscMonitor.Seen seen = of.seen(MOST_ROWS);
                Platform.runLater(() -> show(of, seen));
            } catch (IOException e) {
                Platform.runLater(() -> {
                    said.setText("It cannot be counted: " + e.getMessage());
                    stop();
                });
            }
        }
    }

    private void show(OscMonitor of, OscMonitor.Seen seen) {
        if (monitor != of) {
            return;
        }
        String only = filter.getText().strip();
        int chosen = table.getSelectionModel().getSelectedIndex();
        table.getItems()
                .setAll(seen.rows().stream()
                        .filter(r -> only.isEmpty() || r.address().contains(only))
                        .toList());
        table.getSelectionModel().select(chosen);
        said.setText(seen.messages() + " messages in " + seen.packets() + " packets, " + seen.unreadable()
                + " unreadable"
                + (seen.notListed() > 0 ? ", " + seen.notListed() + " of too many addresses" : "")
                + (seen.faults().isEmpty()
                        ? ""
                        : "; the last " + seen.faults().get(seen.faults().size() - 1))
                + seen.trouble().stream().findFirst().map(t -> ". " + t).orElse(""));
    }

    private void stop() {
        Optional.ofNullable(looking).ifPresent(l -> l.cancel(false));
        Optional.ofNullable(monitor).ifPresent(OscMonitor::close);
        looking = null;
        monitor = null;
    }

    @Override
    public void close() {
        stop();
        worker.shutdownNow();
    }
}
