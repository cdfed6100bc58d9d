package zentrel.app.cues;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
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

    private static final double GAP = 8;
    private static final List<Column> COLUMNS = List.of(
            new Column("From", 104, r -> r.from().toString()),
            new Column("Port", 46, r -> String.valueOf(r.port())),
            new Column("OSC address", 220, OscMonitor.Row::address),
            new Column("Acted on by", 80, r -> r.matched() ? "the plan" : "nobody"),
            new Column("Types", 46, OscMonitor.Row::tags),
            new Column("Last", 180, OscMonitor.Row::last),
            new Column("Messages", 70, r -> String.valueOf(r.messages())));

    private final Supplier<Plan> plan;
    private final SeenNow net;
    private final Label said = Texts.wrapped(
            "Nothing is counted yet. While it counts, a program of this computer on the same port may get nothing.",
            "soft",
            "small");
    private final TextField ports = new TextField();
    private final TextField filter = new TextField();
    private final ListView<OscMonitor.Row> table = new ListView<>();
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
        table.setId("osc-table");
        table.setAccessibleText("OSC messages by sender and address");
        table.setPlaceholder(Texts.of("Nothing has come yet.", "soft", "small"));
        table.setCellFactory(l -> new RowCell());
        HBox head = new HBox(GAP);
        head.getStyleClass().add("osc-head");
        COLUMNS.forEach(c -> head.getChildren().add(Texts.column(c.title(), c.width())));
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren().addAll(row, said, head, table);
    }

    /** What stands in a column. */
    private record Column(String title, double width, Function<OscMonitor.Row, String> value) {}

    private static final class RowCell extends ListCell<OscMonitor.Row> {
        RowCell() {
            getStyleClass().add("pick");
        }

        @Override
        protected void updateItem(OscMonitor.@Nullable Row item, boolean empty) {
            super.updateItem(item, empty);
            if (empty || item == null) {
                setGraphic(null);
                return;
            }
            HBox line = new HBox(GAP);
            for (Column column : COLUMNS) {
                Label cell = Texts.mono(column.value().apply(item), "small");
                cell.getStyleClass().add(item.matched() ? "plain" : "at-risk");
                cell.setMinWidth(column.width());
                cell.setPrefWidth(column.width());
                cell.setMaxWidth(column.width());
                line.getChildren().add(cell);
            }
            setGraphic(line);
        }
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
