package zentrel.app.gear;

import java.util.List;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.SelectionMode;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Hint;
import zentrel.app.look.Lists;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.plan.*;
import zentrel.text.Counted;

/** The gear by place, one row a device: its networks as joints on lanes, its ports with what they carry, and how it stands. */
final class LedgerList extends ListView<Ledger.Row> {
    private static final double ROW = 26;
    private static final double NAME_X = 12;
    private static final double LANE = 44;
    private static final int MOST_LANES = 4;
    private static final double PORT = 8;
    private static final double LETTER = 6.6;
    private static final int ROWS_ABOVE = 6;

    /** Where the columns begin, in pixels. */
    private record Places(double profile, double lanes, double ports, double state, double width) {
        /** The narrow ones keep their width, names and what ports carry share the rest. */
        static Places of(double width, int lanes) {
            double room = Math.max(560, width - 24);
            double middle = lanes * LANE + 26;
            double rest = room - NAME_X - middle - 32;
            double name = Math.min(260, rest * 0.34);
            double kind = Math.min(220, rest * 0.28);
            double first = NAME_X + name + kind;
            return new Places(NAME_X + name, first, first + middle, room - 32, room);
        }
    }

    private final Pane head = new Pane();
    private List<Segment> lanes = List.of();
    private Places at = Places.of(824, MOST_LANES);

    LedgerList() {
        setId("gear-list");
        Lists.keepInSight(this);
        setAccessibleText(
                "The gear by place. Enter changes, F2 renames, Delete removes, Ctrl D duplicates, Ctrl V pastes rows");
        setFixedCellSize(ROW);
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        setCellFactory(v -> new Cell());
        heightProperty().addListener(o -> reveal());
        widthProperty().addListener(o -> place());
        head.setMinHeight(16);
    }

    /** The titles of the columns. */
    Pane head() {
        return head;
    }

    /** Shows what is in a ledger. */
    void show(Ledger ledger) {
        lanes = ledger.segments().stream().limit(MOST_LANES).toList();
        place();
        replace(getItems(), ledger.rows());
    }

    private void place() {
        Places next = Places.of(getWidth() > 0 ? getWidth() : 824, Math.max(1, lanes.size()));
        boolean moved = !next.equals(at);
        at = next;
        head.getChildren().clear();
        heading("Device", NAME_X);
        heading("Kind", at.profile());
        for (int i = 0; i < lanes.size(); i++) {
            Text name = Texts.drawn(shortened(lanes.get(i).name()), "heading");
            name.relocate(at.lanes() + i * LANE - name.getLayoutBounds().getWidth() / 2 + 8, 0);
            head.getChildren().add(name);
        }
        heading("Ports and what they carry", at.ports());
        if (moved) {
            refresh();
        }
    }

    /** Makes one list like another by replacing only what differs between their common beginning and end. */
    private static <T> void replace(List<T> list, List<T> wanted) {
        int most = Math.min(list.size(), wanted.size());
        int start = 0;
        while (start < most && list.get(start).equals(wanted.get(start))) {
            start++;
        }
        int end = 0;
        while (end < most - start && list.get(list.size() - 1 - end).equals(wanted.get(wanted.size() - 1 - end))) {
            end++;
        }
        list.subList(start, list.size() - end).clear();
        list.addAll(start, wanted.subList(start, wanted.size() - end));
    }

    private static String shortened(String name) {
        return name.length() > 8 ? name.substring(0, 7) + "…" : name;
    }

    private void heading(String text, double x) {
        Text heading = Texts.drawn(text, "heading");
        heading.relocate(x, 0);
        head.getChildren().add(heading);
    }

    /** Brings the chosen row into view, once the list knows how far it reaches. */
    void reveal() {
        javafx.application.Platform.runLater(() -> {
            int chosen = getSelectionModel().getSelectedIndex();
            if (chosen >= 0) {
                layout();
                scrollTo(Math.max(0, chosen - ROWS_ABOVE));
            }
        });
    }

    private final class Cell extends ListCell<Ledger.Row> {
        private Ledger.@Nullable Row drawnRow;
        private List<Segment> drawnLanes = List.of();
        private @Nullable Places drawnAt;
        private @Nullable Pane picture;

        @Override
        protected void updateItem(Ledger.@Nullable Row row, boolean empty) {
            super.updateItem(row, empty);
            if (empty || row == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            if (row.equals(drawnRow) && lanes.equals(drawnLanes) && at.equals(drawnAt)) {
                setGraphic(picture); // the same picture again costs nothing
                return;
            }
            Pane drawn = new Pane();
            drawnRow = row;
            drawnLanes = lanes;
            drawnAt = at;
            picture = drawn;
            drawn.getStyleClass().add("lane");
            drawn.setPrefSize(at.width(), ROW);
            for (int i = 0; i < lanes.size(); i++) {
                Line lane = new Line(at.lanes() + i * LANE + 8, 0, at.lanes() + i * LANE + 8, ROW);
                lane.getStyleClass().add("segment-line");
                drawn.getChildren().add(lane);
            }
            Host host = row.host();
            if (host == null) {
                put(drawn, Texts.drawn(row.place(), "strong", "small"), 0);
                put(drawn, Texts.drawn(Counted.of(row.boxes(), "device"), "soft", "small"), at.profile());
                setAccessibleText(row.place() + ", " + Counted.of(row.boxes(), "device"));
            } else {
                box(drawn, row, host);
                setAccessibleText(host.name() + ", " + row.profile() + ", " + row.ports() + " ports"
                        + (row.severity() == null ? "" : ", " + row.severity().title()));
            }
            setGraphic(drawn);
        }

        private void box(Pane drawn, Ledger.Row row, Host host) {
            put(drawn, Texts.drawn(cut(host.name(), at.profile() - NAME_X - 14)), NAME_X);
            put(drawn, Texts.drawn(cut(row.profile(), at.lanes() - at.profile() - 8), "soft", "small"), at.profile());
            double first = -1;
            double last = -1;
            for (int i = 0; i < lanes.size(); i++) {
                if (row.touches().contains(lanes.get(i).id())) {
                    double x = at.lanes() + i * LANE + 8;
                    first = first < 0 ? x : first;
                    last = x;
                    Circle joint = new Circle(x, ROW / 2, 4);
                    joint.getStyleClass().add("joint");
                    drawn.getChildren().add(joint);
                }
            }
            if (last > first) {
                Line across = new Line(first, ROW / 2, last, ROW / 2);
                across.getStyleClass().add("axis");
                drawn.getChildren().add(0, across);
            }
            double x = at.ports();
            for (Ledger.Slot slot : row.slots()) {
                Rectangle cell = new Rectangle(x, ROW / 2 - 6, PORT - 2, 12);
                cell.getStyleClass().add(slot.universe().isPresent() ? "port-cell" : "port-free");
                slot.universe().ifPresent(u -> cell.setFill(Color.web(UniverseHue.of(u))));
                if (!slot.on()) {
                    cell.setOpacity(0.35);
                }
                Hint.on(
                        cell,
                        () -> slot.name() + ": "
                                + slot.universe()
                                        .map(u -> u.label() + " " + u.name())
                                        .orElse("free")
                                + (slot.on() ? "" : ", switched off"));
                drawn.getChildren().add(cell);
                x += PORT;
            }
            String carried = row.ports() > Ledger.MOST_PORTS ? "of " + row.ports() : row.carries();
            Text text = Texts.drawn(row.sends().isEmpty() ? carried : row.sends(), "mono", "soft", "small");
            double after = x > at.ports() ? x + 6 : at.ports();
            if (after + text.getText().length() * LETTER < at.state()) {
                put(drawn, text, after);
            }
            if (row.severity() != null) {
                Mark mark = Mark.of(row.severity());
                mark.relocate(at.state(), ROW / 2 - 7);
                drawn.getChildren().add(mark);
            }
        }

        private void put(Pane drawn, Text text, double x) {
            text.relocate(x, (ROW - text.getLayoutBounds().getHeight()) / 2 - 1);
            drawn.getChildren().add(text);
        }
    }

    /** A text that is no wider than so many pixels, by the usual width of a letter. */
    private static String cut(String text, double wide) {
        int most = (int) (wide / LETTER);
        return text.length() > most ? text.substring(0, Math.max(1, most - 1)) + "…" : text;
    }
}
