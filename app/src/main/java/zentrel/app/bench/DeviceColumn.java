package zentrel.app.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.path.Verdict;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.text.Counted;

/** Who is there: the devices of the plan in its order, found or not, then what is not in the plan. */
final class DeviceColumn extends VBox {
    private final OpenDocument document;
    private Optional<Id<Host>> wanted = Optional.empty();
    private final Label summary = Texts.of("", "soft", "small");
    private final ListView<DeviceRow> list = new ListView<>();
    private final Consumer<@Nullable DeviceRow> chosen;
    private final Map<Id<Host>, Long> lastHeard = new HashMap<>();
    private long now;
    private boolean showing;

    DeviceColumn(OpenDocument document, Consumer<@Nullable DeviceRow> chosen) {
        super(4);
        this.document = document;
        this.chosen = chosen;
        Label title = Texts.of("Who is there", "strong");
        title.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(8, title, summary);
        head.setAlignment(Pos.BASELINE_LEFT);
        list.setId("live-devices");
        list.setAccessibleText("Who is there");
        list.setFixedCellSize(40);
        list.setPlaceholder(Texts.wrapped("Nobody was found yet. Ask, so that devices answer.", "soft"));
        list.setCellFactory(v -> new Cell());
        list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (!showing && is != null && is.heading().isEmpty()) {
                wanted = Optional.empty();
                chosen.accept(is);
                is.host().ifPresent(document::select);
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(head, list);
        setMinWidth(170);
    }

    void show(LiveSnapshot seen) {
        Plan plan = document.plan();
        now = seen.now();
        Map<Id<Host>, DeviceRow> byHost = new HashMap<>();
        List<DeviceRow> others = new ArrayList<>();
        int differ = 0;
        for (LiveDevice device : seen.devices()) {
            Optional<Id<Host>> host =
                    device.match().host().filter(h -> plan.index().find(h).isPresent());
            DeviceRow row = new DeviceRow(host, Optional.of(device), silence(device.found()), "");
            if (host.isEmpty()) {
                others.add(row);
            } else {
                lastHeard.put(host.get(), device.found().lastHeard());
                differ += device.differences().isEmpty() ? 0 : 1;
                byHost.put(host.get(), row);
            }
        }
        seen.missing()
                .forEach(h -> byHost.putIfAbsent(h, new DeviceRow(Optional.of(h), Optional.empty(), missing(h), "")));
        List<DeviceRow> rows = new ArrayList<>();
        plan.hosts().forEach(h -> Optional.ofNullable(byHost.get(h.id())).ifPresent(rows::add));
        if (!others.isEmpty()) {
            rows.add(DeviceRow.heading("Not in the plan"));
            rows.addAll(others);
        }
        put(rows);
        List<String> counts = new ArrayList<>();
        counts.add(seen.devices().size() + " found");
        if (differ > 0) {
            counts.add(differ + " differ");
        }
        if (!seen.missing().isEmpty()) {
            counts.add(seen.missing().size() + " missing");
        }
        summary.setText(String.join(" · ", counts));
    }

    /** Nothing jumps: the rows stay where they are, and so does what is chosen; what looks the same is left alone. */
    private void put(List<DeviceRow> rows) {
        DeviceRow was = list.getSelectionModel().getSelectedItem();
        List<DeviceRow> items = list.getItems();
        boolean inPlace = rows.size() == items.size();
        for (int i = 0; inPlace && i < rows.size(); i++) {
            inPlace = rows.get(i).isSameAs(items.get(i));
        }
        showing = true;
        if (inPlace) {
            for (int i = 0; i < rows.size(); i++) {
                if (!rows.get(i).looksAs(items.get(i))) {
                    items.set(i, rows.get(i));
                }
            }
        } else {
            items.clear();
            items.addAll(rows);
        }
        for (int i = 0; i < rows.size(); i++) {
            boolean isWanted = wanted.isPresent() && rows.get(i).host().equals(wanted);
            if (isWanted || (wanted.isEmpty() && was != null && rows.get(i).isSameAs(was))) {
                list.getSelectionModel().select(i);
                chosen.accept(rows.get(i));
            }
        }
        showing = false;
    }

    /** Chooses the row of a device of the plan, if there is one. */
    void choose(Id<Host> host) {
        wanted = Optional.of(host); // it may be found later
        list.getItems().stream()
                .filter(r -> r.host().filter(h -> h.equals(host)).isPresent())
                .findFirst()
                .ifPresent(list.getSelectionModel()::select);
    }

    private static Verdict verdict(DeviceRow row) {
        if (row.found().isEmpty() || row.found().get().state() == DeviceState.SILENT) {
            return Verdict.NOT_KNOWN;
        }
        DeviceState state = row.found().get().state();
        if (state == DeviceState.DUPLICATE_ADDRESS || state == DeviceState.OUT_OF_REACH) {
            return Verdict.AT_RISK;
        }
        if (!row.differences().isEmpty()) {
            return Verdict.BROKEN;
        }
        return state == DeviceState.FIRMWARE_DIFFERS || row.host().isEmpty() ? Verdict.AT_RISK : Verdict.PASSES;
    }

    private String missing(Id<Host> host) {
        Long heard = lastHeard.get(host);
        return heard == null ? "not heard yet" : "last heard " + ago(now - heard) + " ago";
    }

    private String silence(FoundDevice found) {
        return found.state() == DeviceState.SILENT ? "silent since " + ago(now - found.lastHeard()) : "";
    }

    private static String second(DeviceRow row) {
        if (!row.age().isEmpty() || row.found().isEmpty()) {
            return row.age();
        }
        FoundDevice found = row.found().get();
        String state = found.state() == DeviceState.READY ? "" : found.state().words();
        if (row.differences().isEmpty()) {
            return state.isEmpty() && row.host().isEmpty() ? ports(found) : state;
        }
        String first = row.differences().get(0).text();
        int more = row.differences().size() - 1;
        return first + (more > 0 ? ", and " + more + " more" : "") + (state.isEmpty() ? "" : "; " + state);
    }

    private static String ports(FoundDevice found) {
        return found.ports().isEmpty()
                ? "sends sACN"
                : Counted.of(found.ports().size(), "port") + (found.version().isEmpty() ? "" : ", " + found.version());
    }

    static String ago(long nanos) {
        long seconds = Math.max(0, nanos / 1_000_000_000L);
        return seconds < 120 ? seconds + " s" : seconds / 60 + " min";
    }

    private final class Cell extends ListCell<DeviceRow> {
        @Override
        protected void updateItem(@Nullable DeviceRow row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            setGraphic(row == null || empty ? null : node(row));
            setDisable(row != null && !row.heading().isEmpty());
            setStyle(isSelected() ? "-fx-background-color: -z-panel;" : "");
        }

        @Override
        public void updateSelected(boolean selected) {
            super.updateSelected(selected);
            setStyle(selected ? "-fx-background-color: -z-panel;" : "");
        }

        private Node node(DeviceRow row) {
            if (!row.heading().isEmpty()) {
                HBox head = new HBox(Texts.heading(row.heading()));
                head.setAlignment(Pos.BOTTOM_LEFT);
                return head;
            }
            Verdict verdict = verdict(row);
            String name = row.host()
                    .filter(h -> document.plan().index().find(h).isPresent())
                    .map(h -> document.plan().index().name(h))
                    .orElseGet(() -> "“" + row.found().map(FoundDevice::title).orElse("") + "”");
            Label title = Texts.of(name, row.found().isEmpty() ? "soft" : "label");
            Label address = Texts.mono(
                    row.found().map(f -> f.address().toString()).orElse("–"),
                    "small",
                    row.found().isEmpty() ? "soft" : "label");
            address.setMinWidth(USE_PREF_SIZE);
            HBox first = new HBox(6, Mark.of(verdict), title, Mark.gap(), address);
            first.setAlignment(Pos.CENTER_LEFT);
            String said = second(row);
            Label second = Texts.of(said, "small", said.isEmpty() ? "soft" : colour(verdict));
            HBox below = new HBox(second);
            below.setStyle("-fx-padding: 0 0 0 24;");
            VBox both = said.isEmpty() ? new VBox(first) : new VBox(0, first, below);
            both.setMaxWidth(list.getWidth() - 18);
            both.setPrefWidth(list.getWidth() - 18);
            both.setAlignment(Pos.CENTER_LEFT);
            setAccessibleText(name + ", " + verdict.title() + (said.isEmpty() ? "" : ", " + said));
            return both;
        }

        private static String colour(Verdict verdict) {
            return verdict == Verdict.PASSES || verdict == Verdict.NOT_KNOWN ? "soft" : Mark.styleOf(verdict);
        }
    }
}
