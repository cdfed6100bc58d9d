package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.StageView;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.gear.Changing;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.Verdict;
import zentrel.plan.Adapter;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.HostId;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Segment;
import zentrel.plan.SegmentId;

/** Addresses: a ruler for each segment, drawn to the real numbers, and a list that edits in place. */
public final class AddressesStage implements StageView {
    private static final double WIDTH = 800;
    private static final double LEVEL = 13;
    private static final int MOST_LEVELS = 14;
    private static final int FEWEST_LEVELS = 3;
    private static final double CHARACTER = 6.4;

    private record Row(Host host, Adapter adapter, int at) {}

    /** How far an arrow goes along a ruler, in parts of what is seen. */
    private static final double STEP = 0.25;

    private final OpenDocument document;
    private final Map<SegmentId, Ruler.View> views = new HashMap<>();
    private final VBox rulers = new VBox(6);
    private final ListView<Row> list = new ListView<>();
    private final Label summary = Texts.of("", "soft", "small");
    private final VBox pane;
    private final List<Node> chart;
    private boolean refreshing;

    public AddressesStage(OpenDocument document) {
        this.document = document;
        ScrollPane scroll = new ScrollPane(rulers);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setPrefHeight(352);
        scroll.setMinHeight(340);
        HBox head = new HBox(
                Texts.column("Host", 180),
                Texts.column("Adapter", 110),
                Texts.column("Address", 150),
                Texts.column("Mask", 140),
                Texts.column("Segment", 90),
                Texts.column("State", 110));
        list.setId("address-list");
        list.setPrefHeight(180);
        list.setAccessibleText(
                "Adapters; F2 or Enter edits the address, Enter sets it, Shift Enter plans it for later");
        list.setCellFactory(v -> new Cell());
        VBox.setVgrow(list, Priority.ALWAYS);
        Button move = new Button("Move a segment …");
        move.getStyleClass().add("quiet");
        move.setId("address-move");
        move.setOnAction(e -> move());
        Button give = new Button("Give out addresses …");
        give.getStyleClass().add("quiet");
        give.setId("address-give");
        give.setOnAction(e -> giveOut(false));
        Button advice = new Button("Which range? …");
        advice.getStyleClass().add("quiet");
        advice.setId("address-advice");
        advice.setOnAction(e -> advise());
        Button here = new Button("This computer …");
        here.getStyleClass().add("quiet");
        here.setId("address-here");
        here.setOnAction(e -> here());
        for (Button button : List.of(move, give, advice, here)) {
            button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        }
        HBox below = new HBox(8, summary, Mark.gap(), here, advice, give, move);
        below.setAlignment(Pos.CENTER_LEFT);
        chart = List.of(scroll, head, list, below);
        pane = new VBox();
        pane.getChildren().setAll(chart);
        pane.getStyleClass().add("stage-pane");
        list.getSelectionModel().selectedItemProperty().addListener((o, old, row) -> {
            if (row != null && !refreshing) {
                document.select(row.adapter().id());
            }
        });
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.F2 || e.getCode() == KeyCode.ENTER) {
                editSelected();
                e.consume();
            } else if (e.getCode() == KeyCode.P && !e.isShortcutDown()) {
                pinSelected();
                e.consume();
            }
        });
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> refresh());
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        refresh();
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report == null || pane.getScene() == null) {
            return; // what nobody sees is drawn when it is shown
        }
        drawRulers(report);
        List<Row> rows = new ArrayList<>();
        for (Host host : report.plan().hosts()) {
            for (Adapter adapter : host.adapters()) {
                for (int i = 0; i < Math.max(1, adapter.addresses().size()); i++) {
                    rows.add(new Row(host, adapter, i));
                }
            }
        }
        refreshing = true;
        list.getItems().setAll(rows);
        rows.stream().filter(r -> isChosen(r.adapter())).findFirst().ifPresent(r -> {
            list.getSelectionModel().select(r);
            list.scrollTo(r);
        });
        refreshing = false;
        long unsettled = report.findings().stream()
                .filter(f -> f.rule().startsWith("address."))
                .count();
        summary.setText(rows.size() + " addresses · "
                + (unsettled == 0 ? "no collision, every mask fits" : unsettled + " to settle")
                + " · F2 edits · P pins");
    }

    private void drawRulers(Report report) {
        PlanIndex index = report.plan().index();
        rulers.getChildren().clear();
        for (Segment segment : report.plan().segments()) {
            Ruler ruler = Ruler.of(index, segment, Optional.ofNullable(views.get(segment.id())));
            if (ruler.before()
                            + ruler.after()
                            + ruler.pins().size()
                            + ruler.off().size()
                    > 0) {
                boolean zoomed = views.containsKey(segment.id());
                rulers.getChildren()
                        .add(draw(report, ruler, zoomed ? Ruler.of(index, segment, Optional.empty()) : ruler));
            }
        }
        if (rulers.getChildren().isEmpty()) {
            rulers.getChildren()
                    .add(Texts.wrapped(
                            "Each segment has a ruler here, with a pin for every adapter. Open a plan to begin.",
                            "soft"));
        }
    }

    private boolean isChosen(Adapter adapter) {
        Id selected = document.selectionProperty().get();
        if (selected == null) {
            return false;
        }
        HostId owner = document.plan().index().hostOf(adapter.id()).id();
        return selected.equals(adapter.id()) || selected.equals(owner) || isOn(selected, owner);
    }

    private boolean isOn(Id selected, HostId owner) {
        PlanIndex index = document.plan().index();
        Object found = index.find(selected).orElse(null);
        if (found instanceof zentrel.plan.Receiver receiver) {
            return index.application(receiver.application()).host().equals(owner);
        }
        return found instanceof zentrel.plan.Application application
                && application.host().equals(owner);
    }

    private static @Nullable Severity severity(Report report, Id adapter) {
        return report.findings().stream()
                .filter(f -> (f.rule().startsWith("address.") || f.rule().startsWith("adapter."))
                        && f.subjects().contains(adapter)
                        && isAbout(f, adapter))
                .map(Finding::severity)
                .max(java.util.Comparator.naturalOrder())
                .orElse(null);
    }

    /** A collision is about all who have the address; anything else about its cause. */
    private static boolean isAbout(Finding finding, Id adapter) {
        return finding.cause().equals(adapter)
                || (finding.rule().equals("address.duplicate")
                        && finding.subjects().contains(adapter));
    }

    /** Draws one; it stays as high as it is when all is shown, so that nothing moves away under the pointer. */
    private Node draw(Report report, Ruler ruler, Ruler all) {
        Pane pane = new Pane();
        Segment segment = ruler.segment();
        HBox head = new HBox(
                10,
                Texts.of(segment.name(), "strong"),
                Texts.mono(segment.subnet().map(Object::toString).orElse(""), "soft"),
                Texts.of(
                        (segment.wayOut() ? "a way out" : "no way out")
                                + (segment.guests() ? " · guests" : "")
                                + (views.containsKey(segment.id())
                                        ? " · zoomed; 0 on a pin shows all"
                                        : " · Ctrl wheel zooms"),
                        "soft",
                        "small"));
        head.setAlignment(Pos.CENTER_LEFT);
        pane.getChildren().add(head);
        int[] levels = levels(ruler);
        int highest = FEWEST_LEVELS - 1;
        for (int[] each : List.of(levels, levels(all))) {
            for (int level : each) {
                highest = Math.max(highest, level);
            }
        }
        double base = 30 + (highest + 1) * LEVEL;
        pane.setPrefSize(WIDTH, base + 30);
        pane.setMinHeight(base + 30);
        Line axis = new Line(0, base, WIDTH, base);
        axis.getStyleClass().add("axis");
        pane.getChildren().add(axis);
        ticks(pane, ruler, base);
        edges(pane, ruler, base);
        zooms(pane, ruler);
        Ipv4Address last = new Ipv4Address(0);
        for (int i = 0; i < ruler.pins().size(); i++) {
            Ruler.Pin pin = ruler.pins().get(i);
            boolean collides = pin.address().address().equals(last);
            last = pin.address().address();
            pin(pane, report, ruler, pin, base, levels[i], collides);
        }
        if (!ruler.off().isEmpty()) {
            Label off = Texts.of(
                    "off this subnet: "
                            + String.join(
                                    ", ",
                                    ruler.off().stream()
                                            .map(p -> p.name() + " " + p.address())
                                            .toList()),
                    "broken",
                    "small");
            off.relocate(WIDTH / 3, 2);
            pane.getChildren().add(off);
        }
        return pane;
    }

    /** How many pins are beyond the edges of the stretch. */
    private static void edges(Pane pane, Ruler ruler, double base) {
        if (ruler.before() > 0) {
            Label left = Texts.of("‹ " + ruler.before(), "heather", "small");
            left.relocate(0, base - 18);
            pane.getChildren().add(left);
        }
        if (ruler.after() > 0) {
            Label right = Texts.of(ruler.after() + " ›", "heather", "small");
            right.relocate(WIDTH - 24, base - 18);
            pane.getChildren().add(right);
        }
    }

    /** The wheel zooms where the pointer is; with a pin in focus + and − zoom there, arrows go along, 0 shows all again. */
    private void zooms(Pane pane, Ruler ruler) {
        pane.setOnScroll(e -> {
            if (e.isShortcutDown() && e.getDeltaY() != 0) {
                zoom(ruler, ruler.zoomed(Math.max(0, Math.min(1, e.getX() / WIDTH)), e.getDeltaY() > 0 ? 1 : -1));
                e.consume();
            }
        });
        pane.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            double place =
                    e.getTarget() instanceof Node n ? n.getBoundsInParent().getMinX() / WIDTH : 0.5;
            switch (e.getCode()) {
                case PLUS, ADD, EQUALS -> zoom(ruler, ruler.zoomed(place, 1));
                case MINUS, SUBTRACT -> zoom(ruler, ruler.zoomed(place, -1));
                case LEFT -> zoom(ruler, ruler.moved(-STEP));
                case RIGHT -> zoom(ruler, ruler.moved(STEP));
                case DIGIT0, NUMPAD0 -> zoom(ruler, null);
                default -> {
                    return;
                }
            }
            e.consume();
        });
    }

    private void zoom(Ruler ruler, Ruler.@Nullable View view) {
        Id focused = pane.getScene() != null
                        && pane.getScene().getFocusOwner() instanceof Label label
                        && label.getUserData() instanceof Id id
                ? id
                : null;
        if (view == null) {
            views.remove(ruler.segment().id());
        } else {
            views.put(ruler.segment().id(), view);
        }
        Report report = document.reportProperty().get();
        if (report != null) {
            drawRulers(report);
        }
        if (focused != null) {
            rulers.lookupAll(".pin").stream()
                    .filter(n -> focused.equals(n.getUserData()))
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
    }

    /**
     * On which level the name of each pin stands: above every pin that its name passes over, so that no line crosses a name
     * as long as there are levels.
     */
    private static int[] levels(Ruler ruler) {
        int count = ruler.pins().size();
        int[] levels = new int[count];
        for (int i = count - 1; i >= 0; i--) {
            double x = ruler.place(ruler.pins().get(i).address().address()) * WIDTH;
            double end = x + 12 + ruler.pins().get(i).name().length() * CHARACTER;
            for (int right = i + 1; right < count; right++) {
                double other = ruler.place(ruler.pins().get(right).address().address()) * WIDTH;
                if (other <= end) {
                    levels[i] = Math.min(MOST_LEVELS - 1, Math.max(levels[i], levels[right] + 1));
                }
            }
        }
        return levels;
    }

    private static void ticks(Pane pane, Ruler ruler, double base) {
        int step = ruler.tickBits();
        int count = 1 << (ruler.bits() - step);
        for (int i = 0; i <= count; i++) {
            double x = i * WIDTH / count;
            boolean named = i % 2 == 0 && i < count;
            Line tick = new Line(x, base, x, base + (named ? 6 : 3));
            tick.getStyleClass().add("axis-tick");
            pane.getChildren().add(tick);
            if (named) {
                Label label = Texts.mono(ruler.tickName(ruler.first().plus(i << step)), "soft", "small");
                label.relocate(x - 2, base + 7);
                pane.getChildren().add(label);
            }
        }
    }

    private void pin(Pane pane, Report report, Ruler ruler, Ruler.Pin pin, double base, int level, boolean collides) {
        double x = ruler.place(pin.address().address()) * WIDTH;
        Severity severity = severity(report, pin.adapter().id());
        double top = base - 10 - (level + 0.2) * LEVEL;
        Line line = new Line(x, base, x, top + 4);
        line.getStyleClass().add("pin-line");
        Label label = Texts.of(pin.name() + (collides ? " too" : ""), "small");
        if (severity != null && severity != Severity.NOTE) {
            line.getStyleClass().add(severity.word());
            label.getStyleClass().add(severity.word());
        }
        if (isChosen(pin.adapter())) {
            line.getStyleClass().add("chosen");
            label.getStyleClass().add("heather");
        }
        label.getStyleClass().add("pin");
        label.setFocusTraversable(true);
        label.setUserData(pin.adapter().id());
        label.setAccessibleText(pin.name() + " at " + pin.address());
        Hint.on(label, () -> pin.name() + ", " + pin.adapter().name() + "  " + pin.address());
        double width = pin.name().length() * CHARACTER;
        label.relocate(x + 3 + width > WIDTH ? x - 6 - width : x + 3, top - 6);
        Id id = pin.adapter().id();
        label.setOnMouseClicked(e -> document.select(id));
        label.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                document.select(id);
                e.consume();
            }
        });
        line.setOnMouseClicked(e -> document.select(id));
        pane.getChildren().addAll(line, label);
    }

    // --- pages ---

    /** Moves a segment to another range, on a page in place of the rulers. */
    public void move() {
        move("");
    }

    /** The same with a range typed in already. */
    public void move(String range) {
        move("", range);
    }

    private void move(String segment, String range) {
        MovePage page = new MovePage(document, this::leavePage);
        show(page);
        page.start(segment, range);
    }

    /**
     * Gives out addresses by a scheme, on a page in place of the rulers.
     *
     * @param anew whether those that have one are to get another
     */
    public void giveOut(boolean anew) {
        GiveOutPage page = new GiveOutPage(document, this::leavePage);
        show(page);
        page.start(anew);
    }

    /** Says which range each segment should use, and why. */
    public void advise() {
        show(new AdvicePage(document, this::leavePage, this::move));
    }

    /** Shows the adapters of this computer beside those of the plan. */
    public void here() {
        HerePage page = new HerePage(document, this::leavePage);
        show(page);
        page.requestFocus();
    }

    private void show(VBox page) {
        VBox.setVgrow(page, Priority.ALWAYS);
        pane.getChildren().setAll(page);
    }

    private void leavePage() {
        pane.getChildren().setAll(chart);
        list.requestFocus();
    }

    // --- the list ---

    private void editSelected() {
        list.lookupAll(".list-cell").forEach(n -> {
            if (n instanceof Cell cell && cell.isSelected()) {
                cell.edit();
            }
        });
    }

    /** Pins what is chosen, so that it keeps its address when others are given out anew; or lets it go. */
    private void pinSelected() {
        Row row = list.getSelectionModel().getSelectedItem();
        if (row != null) {
            boolean pinned = row.adapter().pinned();
            String name = document.plan().index().name(row.adapter().id());
            document.apply(new Edit(
                    (pinned ? "Let go the address of the " : "Pin the address of the ") + name,
                    p -> p.withAdapter(row.adapter().id(), a -> a.withPinned(!pinned))));
        }
    }

    private void set(Row row, String text, boolean later) {
        HostAddress parsed;
        try {
            int length = row.at() < row.adapter().addresses().size()
                    ? row.adapter().addresses().get(row.at()).inForce().prefixLength()
                    : row.adapter()
                            .segment()
                            .flatMap(s -> document.plan().index().segment(s).subnet())
                            .map(s -> s.prefixLength())
                            .orElse(8);
            parsed = text.contains("/") ? HostAddress.parse(text) : new HostAddress(Ipv4Address.parse(text), length);
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
            return;
        }
        document.propose(Changing.address(document.plan(), row.adapter().id(), row.at(), parsed), later);
    }

    private final class Cell extends ListCell<Row> {
        @Override
        protected void updateItem(@Nullable Row row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            setGraphic(empty || row == null ? null : graphic(row));
        }

        private HBox graphic(Row row) {
            Report report = document.reportProperty().get();
            boolean has = row.at() < row.adapter().addresses().size();
            HostAddress address = has ? row.adapter().addresses().get(row.at()).inForce() : null;
            Label number =
                    cell(Texts.mono(address == null ? "none" : address.address().toString()), 150);
            number.setId("address-value");
            number.setOnMouseClicked(e -> {
                if (e.getClickCount() == 2) {
                    edit();
                }
            });
            HBox box = new HBox(
                    cell(Texts.of(row.host().name()), 180),
                    cell(Texts.of(row.adapter().name(), "soft"), 110),
                    number,
                    cell(Texts.mono(address == null ? "" : address.mask().toString(), "soft"), 140),
                    cell(
                            Texts.of(
                                    row.adapter()
                                            .segment()
                                            .map(s -> document.plan().index().name(s))
                                            .orElse("none"),
                                    "soft"),
                            90));
            Severity severity =
                    report == null ? null : severity(report, row.adapter().id());
            box.getChildren().add(severity == null ? Mark.of(Verdict.PASSES) : Mark.of(severity));
            if (severity != null) {
                Label word = Texts.of(severity.title(), severity.word(), "small");
                word.setPadding(new Insets(0, 8, 0, 5));
                box.getChildren().add(word);
            }
            if (row.adapter().pinned()) {
                Label word = Texts.of("pinned", "soft", "small");
                word.setPadding(new Insets(0, 8, 0, 5));
                box.getChildren().add(word);
            }
            if (has && row.adapter().addresses().get(row.at()).address().isPending()) {
                box.getChildren()
                        .add(Texts.mono(
                                "planned "
                                        + row.adapter()
                                                .addresses()
                                                .get(row.at())
                                                .address()
                                                .planned()
                                                .address(),
                                "soft",
                                "small"));
            }
            box.getStyleClass().add("lane");
            box.setMinHeight(24);
            return box;
        }

        private static Label cell(Label label, double width) {
            label.setPrefWidth(width);
            label.setMinWidth(width);
            label.setMaxWidth(width);
            return label;
        }

        void edit() {
            Row row = getItem();
            if (row == null || !(getGraphic() instanceof HBox box)) {
                return;
            }
            String now = row.at() < row.adapter().addresses().size()
                    ? row.adapter().addresses().get(row.at()).inForce().toString()
                    : "";
            TextField field = new TextField(now);
            field.getStyleClass().add("mono");
            field.setId("address-field");
            field.setPrefWidth(150);
            field.setMaxWidth(150);
            field.setAccessibleText("Address and mask of " + row.host().name());
            box.getChildren().set(2, field);
            field.requestFocus();
            field.selectAll();
            field.setOnKeyPressed(e -> {
                if (e.getCode() == KeyCode.ENTER) {
                    set(row, field.getText().strip(), e.isShiftDown());
                    updateItem(row, false);
                    list.requestFocus();
                    e.consume();
                } else if (e.getCode() == KeyCode.ESCAPE) {
                    updateItem(row, false);
                    list.requestFocus();
                    e.consume();
                }
            });
        }
    }
}
