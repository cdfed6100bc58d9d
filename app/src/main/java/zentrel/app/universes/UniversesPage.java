package zentrel.app.universes;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.collections.ListChangeListener;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SelectionMode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Columns;
import zentrel.app.look.Columns.Column;
import zentrel.app.look.Lists;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.app.shell.ExportPanel;
import zentrel.app.shell.MainPane;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.Panel;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.path.PathReport;
import zentrel.path.Verdict;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Stream;
import zentrel.plan.Universe;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.text.Counted;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;

/** Universes: one lane each, with its number in every dress, who sends, who takes, and how full it is. */
public final class UniversesPage implements PageView {
    private static final int NAME = 0;
    private static final int ARTNET = 1;
    private static final int SACN = 2;
    private static final int STATE = 3;
    private static final int SENT = 4;
    private static final int TAKEN = 5;
    private static final int SLOTS = 6;
    /** Frame of the list and its bar. */
    private static final double BESIDE = 18;

    private final OpenDocument document;
    private final ListView<Universe> list = new ListView<>();
    private final Columns columns = new Columns(List.of(
            new Column("Universe", 130, 168, 2, 0),
            new Column("Art-Net", 80, 88, 0, 0),
            new Column("sACN", 98, 104, 0, 0),
            new Column("", 24, 24, 0, 0),
            new Column("Sent by", 110, 128, 3, 0),
            new Column("Received by", 116, 140, 4, 0),
            new Column("Filled, 512 slots", 110, 138, 3, 1)));
    private final Label summary = Texts.of("", "soft", "small");
    private final SwitchMenu switches;
    private final MainPane pane;
    private boolean refreshing;

    private UniversesPage(OpenDocument document) {
        this.document = document;
        this.switches = new SwitchMenu(document);
        list.setId("universe-list");
        list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        list.addEventFilter(KeyEvent.KEY_PRESSED, switches::key);
        Lists.keepInSight(list);
        list.setFixedCellSize(40);
        list.widthProperty().addListener(o -> {
            if (columns.fit(list.getWidth() - BESIDE)) {
                list.refresh();
            }
        });
        list.setAccessibleText("Universes");
        list.setCellFactory(v -> new Cell());
        VBox.setVgrow(list, Priority.ALWAYS);
        MenuButton more = new MenuButton("More");
        more.setId("universes-more");
        more.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        more.getItems()
                .addAll(
                        Buttons.item("Route a run of universes …", "universes-range", this::range),
                        Buttons.item("Import a table of routes …", "universes-import", this::importRoutes),
                        Buttons.item("Write routes as a table …", "universes-export", this::exportRoutes));
        FlowPane below = new FlowPane(
                8,
                2,
                summary,
                Buttons.quiet("Load …", "universes-load", this::load),
                Buttons.quiet("Who wins …", "universes-wins", this::whoWins),
                Buttons.quiet("Which protocol? …", "universes-protocol", this::protocols),
                Buttons.quiet("Renumber, route …", "universes-numbers", this::numbers),
                switches,
                more);
        below.setMinWidth(0);
        pane = new MainPane(columns.head(), list, below);
        list.getSelectionModel().selectedItemProperty().addListener((o, old, universe) -> {
            if (universe != null && !refreshing) {
                document.select(universe.id());
            }
        });
        list.getSelectionModel().getSelectedItems().addListener((ListChangeListener<Universe>) c -> {
            if (!refreshing) {
                switches.showFor(chosen());
            }
        });
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> follow());
    }

    /** The page, as the window lists it. */
    public static PageEntry<UniversesPage> entry(PageContext context) {
        return new PageEntry<>(
                        UniversesPage.class,
                        "Universes",
                        EnumSet.of(Area.UNIVERSES),
                        () -> new UniversesPage(context.document()))
                .explainedBy("concept-universe-numbers")
                .offers("Load on each cable", UniversesPage::load)
                .offers("Which protocol should each source use?", UniversesPage::protocols)
                .offers("Who wins, and what if one stops", UniversesPage::whoWins)
                .offers("Route a run of universes to a run of ports", UniversesPage::range)
                .offers("Renumber universes, find free ports", UniversesPage::numbers);
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        refresh();
    }

    private void importRoutes() {
        show(new RoutesPanel(document, this::leavePage));
    }

    private void exportRoutes() {
        show(new ExportPanel(document, this::leavePage, "Write the routes as a table", ExportPanel.ofRoutes()));
    }

    private void show(Panel panel) {
        pane.show(panel);
        panel.requestFocus();
    }

    private void leavePage() {
        pane.showPicture();
        list.requestFocus();
    }

    /** Shows the load on each cable. */
    public void load() {
        show(new LoadPanel(document, this::leavePage));
    }

    /** Shows who is heard at each port. */
    public void whoWins() {
        show(new WhoWinsPanel(document, this::leavePage, Optional.empty()));
    }

    /** Shows who is heard at a port of one universe, and asks who is meant to win there. */
    public void whoWins(Id<Universe> universe) {
        show(new WhoWinsPanel(document, this::leavePage, Optional.of(universe)));
    }

    /** Says by which protocol each source should send. */
    public void protocols() {
        show(new ProtocolPanel(document, this::leavePage));
    }

    /** Moves numbers, and gives universes to free ports. */
    public void numbers() {
        show(new NumbersPanel(document, this::leavePage));
    }

    /** Routes a run of universes to a run of ports. */
    public void range() {
        show(new RangePanel(document, this::leavePage));
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report == null || pane.getScene() == null) {
            return; // what nobody sees is drawn when it is shown
        }
        List<Id<Universe>> kept = chosen().stream().map(Universe::id).toList();
        refreshing = true;
        list.getItems().setAll(report.plan().universes());
        if (kept.size() > 1) {
            chooseAgain(kept);
        }
        refreshing = false;
        if (kept.size() <= 1) {
            follow();
        }
        switches.showFor(chosen());
        PlanIndex index = report.plan().index();
        long unused = report.plan().universes().stream()
                .filter(u -> index.fixturesIn(u.id()).isEmpty())
                .count();
        summary.setText(
                Counted.of(report.plan().universes().size(), "universe") + " · " + unused + " without fixtures");
    }

    private List<Universe> chosen() {
        return list.getSelectionModel().getSelectedItems().stream()
                .filter(java.util.Objects::nonNull)
                .toList();
    }

    /** Several that were chosen stay so when the plan is drawn anew. */
    private void chooseAgain(List<Id<Universe>> kept) {
        list.getSelectionModel().clearSelection();
        for (int i = 0; i < list.getItems().size(); i++) {
            if (kept.contains(list.getItems().get(i).id())) {
                list.getSelectionModel().select(i);
            }
        }
    }

    /** Shows the universe of whatever is selected. */
    private void follow() {
        Id<?> selected = document.selectionProperty().get();
        if (selected == null) {
            return;
        }
        PlanIndex index = document.plan().index();
        Object found = index.find(selected).orElse(null);
        Optional<Id<Universe>> shown = found instanceof Fixture f
                ? Optional.of(f.breaks().get(0).universe())
                : found instanceof Port p
                        ? index.universesOf(p.id()).stream().findFirst()
                        : found instanceof Stream s ? Optional.of(s.universe()) : Optional.empty();
        Id<?> universe = shown.isPresent() ? shown.get() : selected;
        refreshing = true;
        list.getItems().stream()
                .filter(u -> u.id().equals(universe))
                .findFirst()
                .ifPresent(u -> {
                    if (!list.getSelectionModel().getSelectedItems().contains(u)) {
                        list.getSelectionModel().clearAndSelect(list.getItems().indexOf(u));
                    }
                    Lists.reveal(list, list.getItems().indexOf(u));
                });
        refreshing = false;
    }

    private final class Cell extends ListCell<Universe> {
        @Override
        protected void updateItem(@Nullable Universe universe, boolean empty) {
            super.updateItem(universe, empty);
            setText(null);
            Report report = document.reportProperty().get();
            setGraphic(empty || universe == null || report == null ? null : lane(report, universe));
        }

        private HBox lane(Report report, Universe u) {
            PlanIndex index = report.plan().index();
            PathReport paths = report.signalPaths().ofUniverse(u.id());
            HBox lane = new HBox();
            lane.getStyleClass().add("lane");
            Rectangle hue = new Rectangle(5, 24, Color.web(UniverseHue.of(u)));
            Label label = Texts.mono(u.label(), "strong");
            label.setMinWidth(40);
            HBox name = new HBox(7, hue, label, Texts.of(u.name()));
            name.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            fix(name, NAME);
            Set<Integer> artnet = wires(index, u, Protocol.ARTNET);
            Set<Integer> sacn = wires(index, u, Protocol.SACN);
            lane.getChildren()
                    .addAll(
                            name,
                            numbers(
                                    artnet,
                                    ARTNET,
                                    w -> w >= 0 && w <= PortAddress.LAST
                                            ? new PortAddress(w).toString()
                                            : "does not exist"),
                            numbers(
                                    sacn,
                                    SACN,
                                    w -> w >= 1 && w <= SacnUniverse.LAST
                                            ? SacnUniverse.group(w).toString()
                                            : "does not exist"));
            Verdict verdict = paths.paths().isEmpty() ? Verdict.NOT_APPLICABLE : paths.verdict();
            VBox mark = new VBox(Mark.of(verdict));
            fix(mark, STATE);
            mark.setPadding(new Insets(6, 0, 0, 0));
            lane.getChildren()
                    .addAll(
                            mark,
                            words(sentBy(index, u), SENT, "nobody"),
                            words(takenBy(index, u), TAKEN, "nobody"),
                            slots(index, u));
            lane.setAccessibleText(u.label() + " " + u.name() + ", " + verdict.title());
            return lane;
        }

        private static Set<Integer> wires(PlanIndex index, Universe u, Protocol protocol) {
            Set<Integer> wires = new TreeSet<>();
            index.streamsOf(u.id()).stream()
                    .filter(s -> s.protocol() == protocol)
                    .forEach(s -> index.wireOf(s).ifPresent(wires::add));
            return wires;
        }

        private Node numbers(Set<Integer> wires, int column, java.util.function.IntFunction<String> dress) {
            VBox box = new VBox(-1);
            fix(box, column);
            if (wires.isEmpty()) {
                box.getChildren().add(Texts.of("–", "soft"));
            }
            for (int wire : wires) {
                box.getChildren()
                        .addAll(Texts.mono(String.valueOf(wire)), Texts.mono(dress.apply(wire), "soft", "small"));
            }
            box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            return box;
        }

        private static List<String> sentBy(PlanIndex index, Universe u) {
            List<String> names = new ArrayList<>();
            for (Stream s : index.streamsOf(u.id())) {
                String how = !s.enabled().inForce()
                        ? " off"
                        : s.standby()
                                ? " stands by"
                                : s.protocol() == Protocol.SACN
                                        ? " " + s.priority().inForce()
                                        : "";
                names.add(index.name(s.application()) + how);
            }
            return names;
        }

        private static List<String> takenBy(PlanIndex index, Universe u) {
            List<String> names = new ArrayList<>();
            for (Port p : index.portsOf(u.id())) {
                if (p.kind() == PortKind.DMX) {
                    names.add(index.receiverOf(p.id()).name() + " " + p.name().replaceAll("^\\D+", ""));
                }
            }
            for (Port p : index.portsOf(u.id())) {
                if (p.kind() == PortKind.INTERNAL) {
                    names.add(index.receiverOf(p.id()).name());
                }
            }
            return names;
        }

        private Node words(List<String> names, int column, String none) {
            VBox box = new VBox(-2);
            fix(box, column);
            box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            if (names.isEmpty()) {
                box.getChildren().add(Texts.of(none, "soft"));
            }
            names.stream()
                    .limit(2)
                    .forEach(n ->
                            box.getChildren().add(Texts.of(n, names.indexOf(n) == 0 ? "label" : "soft", "small")));
            return box;
        }

        private Node slots(PlanIndex index, Universe u) {
            Pane pane = new Pane();
            fix(pane, SLOTS);
            if (columns.width(SLOTS) <= 0) {
                return pane;
            }
            pane.setMaxHeight(16);
            Rectangle frame = new Rectangle(0.5, 0.5, columns.width(SLOTS) - 6, 13);
            frame.getStyleClass().add("slots");
            pane.getChildren().add(frame);
            double scale = (columns.width(SLOTS) - 6) / Universe.SLOTS;
            Color hue = Color.web(UniverseHue.of(u));
            for (Fixture f : index.fixturesIn(u.id())) {
                for (Break b : f.breaks()) {
                    if (b.universe().equals(u.id())) {
                        double from = Math.min(b.start() - 1, Universe.SLOTS) * scale;
                        double to = Math.min(b.end(), Universe.SLOTS) * scale;
                        Rectangle used = new Rectangle(from + 0.5, 1, Math.max(0.6, to - from - 0.4), 12.5);
                        used.setFill(hue);
                        pane.getChildren().add(used);
                    }
                }
            }
            hatch(pane, u);
            return pane;
        }

        /** Neighbouring universes differ by hatch as well as by hue. */
        private void hatch(Pane pane, Universe u) {
            int kind = UniverseHue.hatch(u);
            for (double x = 6; kind > 0 && x < columns.width(SLOTS) - 6; x += 8) {
                Line line = kind == 1
                        ? new Line(x, 13, x + 5, 1)
                        : kind == 2 ? new Line(x, 1, x + 5, 13) : new Line(x, 7, x + 5, 7);
                line.setStyle("-fx-stroke: -z-ground;");
                line.setOpacity(0.4);
                pane.getChildren().add(line);
            }
        }

        private void fix(javafx.scene.layout.Region region, int column) {
            double width = columns.width(column);
            region.setVisible(width > 0);
            region.setManaged(width > 0);
            region.setMinWidth(width);
            region.setPrefWidth(width);
            region.setMaxWidth(width);
        }
    }
}
