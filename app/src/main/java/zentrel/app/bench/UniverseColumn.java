package zentrel.app.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.live.HealthFinding;
import zentrel.live.StreamSeen;
import zentrel.live.UniverseSeen;
import zentrel.path.Verdict;
import zentrel.plan.Plan;
import zentrel.plan.Universe;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** What arrives: universes by protocol and number, each with its sources and how fast it comes. */
final class UniverseColumn extends VBox {
    private record Row(UniverseKey key, UniverseSeen seen, Optional<Universe> planned, List<HealthFinding> health) {}

    private final OpenDocument document;
    private final Label summary = Texts.of("", "soft", "small");
    private final ListView<Row> list = new ListView<>();
    private boolean showing;

    UniverseColumn(OpenDocument document, Consumer<UniverseKey> chosen) {
        super(4);
        this.document = document;
        Label title = Texts.of("What arrives", "strong");
        title.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(8, title, summary);
        head.setAlignment(Pos.BASELINE_LEFT);
        list.setId("live-universes");
        list.setAccessibleText("What arrives");
        list.setFixedCellSize(24);
        list.setPlaceholder(Texts.wrapped(
                "Nothing arrives here. Unicast between two others cannot be heard: use a mirror port of the switch, a"
                        + " recording made there, or Zentrel there.",
                "soft"));
        list.setCellFactory(v -> new Cell());
        list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (!showing && is != null) {
                chosen.accept(is.key());
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(head, list);
        setMinWidth(190);
    }

    void show(LiveSnapshot seen) {
        Plan plan = document.plan();
        List<Row> rows = seen.universes().stream()
                .map(u -> new Row(
                        new UniverseKey(u.protocol(), u.number()),
                        u,
                        seen.planned(new UniverseKey(u.protocol(), u.number()), plan),
                        seen.health().stream()
                                .filter(h -> h.protocol() == u.protocol() && h.universe() == u.number())
                                .toList()))
                .toList();
        Row was = list.getSelectionModel().getSelectedItem();
        showing = true;
        if (rows.size() == list.getItems().size()) {
            for (int i = 0; i < rows.size(); i++) {
                list.getItems().set(i, rows.get(i)); // in place, so that nothing jumps
            }
        } else {
            list.getItems().setAll(rows);
        }
        if (was != null) {
            rows.stream()
                    .filter(r -> r.key().equals(was.key()))
                    .findFirst()
                    .ifPresent(list.getSelectionModel()::select);
        }
        showing = false;
        long fights = seen.health().stream()
                .filter(h -> h.kind() == HealthFinding.Kind.FIGHT)
                .count();
        long lost = seen.universes().stream()
                .flatMap(u -> u.sources().stream())
                .mapToLong(StreamSeen::lost)
                .sum();
        summary.setText(Counted.of(rows.size(), "universe") + " · " + Counted.of(fights, "fight") + " · " + lost
                + " lost" + (seen.unreadable() > 0 ? " · " + seen.unreadable() + " unreadable" : ""));
    }

    /** The universe that is chosen; the first one where none is. */
    Optional<UniverseKey> chosen() {
        Row row = list.getSelectionModel().getSelectedItem();
        return Optional.ofNullable(row)
                .or(() -> list.getItems().stream().findFirst())
                .map(Row::key);
    }

    /** Chooses a universe, if it is there. */
    void choose(UniverseKey key) {
        list.getItems().stream()
                .filter(r -> r.key().equals(key))
                .findFirst()
                .ifPresent(r -> list.getSelectionModel().select(r));
    }

    private final class Cell extends ListCell<Row> {
        @Override
        protected void updateItem(@Nullable Row row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            setGraphic(row == null || empty ? null : node(row));
            setStyle(isSelected() ? "-fx-background-color: -z-panel;" : "");
        }

        @Override
        public void updateSelected(boolean selected) {
            super.updateSelected(selected);
            setStyle(selected ? "-fx-background-color: -z-panel;" : "");
        }

        /** By priority: "Hut desk 100 › Backup desk 90"; those that mix stand side by side. */
        private static String sources(UniverseSeen seen) {
            StringBuilder text = new StringBuilder();
            StreamSeen last = null;
            List<StreamSeen> inOrder = seen.sources().stream()
                    .sorted(Comparator.comparingInt(StreamSeen::priority).reversed())
                    .limit(4)
                    .toList();
            for (StreamSeen s : inOrder) {
                if (last != null) {
                    text.append(last.priority() > s.priority() ? " › " : " · ");
                }
                text.append(s.title());
                if (seen.protocol() == Protocol.SACN) {
                    text.append(' ').append(s.priority());
                }
                if (s.state() != StreamSeen.State.SENDS) {
                    text.append(' ').append(s.state().word());
                }
                last = s;
            }
            return text.toString();
        }

        private Node node(Row row) {
            Optional<Universe> universe = row.planned();
            Region chip = new Region();
            chip.setMinSize(5, 16);
            chip.setMaxSize(5, 16);
            chip.setStyle(
                    "-fx-background-color: " + universe.map(UniverseHue::of).orElse("-z-rule") + ";");
            Label label = Texts.of(universe.map(Universe::label).orElse("?"), "strong");
            label.setMinWidth(32);
            Label number = Texts.mono(row.key().words(), "soft", "small");
            number.setMinWidth(82);
            number.setPrefWidth(82);
            boolean grave = row.health().stream().anyMatch(h -> h.kind().isGrave());
            String style = grave ? "broken" : row.health().isEmpty() ? "label" : "at-risk";
            String sources = sources(row.seen());
            Label who = Texts.of(sources, "small", style);
            HBox.setHgrow(who, Priority.ALWAYS);
            who.setMaxWidth(Double.MAX_VALUE);
            Label rate = Texts.mono(
                    row.seen().isLive() ? "%.0f/s".formatted(row.seen().rate()) : "–", "small", "soft");
            rate.setMinWidth(USE_PREF_SIZE);
            HBox box = new HBox(6, chip, label, number, who);
            if (!row.health().isEmpty()) {
                box.getChildren().add(Mark.of(grave ? Verdict.BROKEN : Verdict.AT_RISK));
            }
            box.getChildren().add(rate);
            box.setAlignment(Pos.CENTER_LEFT);
            box.setMaxWidth(list.getWidth() - 18);
            box.setPrefWidth(list.getWidth() - 18);
            setAccessibleText(row.key().words() + " from " + sources
                    + row.health().stream().map(h -> ", " + h.text()).collect(Collectors.joining()));
            return box;
        }
    }
}
