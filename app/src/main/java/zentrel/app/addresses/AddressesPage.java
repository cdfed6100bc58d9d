package zentrel.app.addresses;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.EmptyPageHint;
import zentrel.app.shell.ExportPanel;
import zentrel.app.shell.MainPane;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Receiver;
import zentrel.plan.Segment;
import zentrel.text.Counted;

/** Addresses: a ruler for each segment, drawn to the real numbers, a list that edits in place, and pages for what changes many. */
public final class AddressesPage implements PageView {
    private static final double NARROWEST = 560;

    /** Room for the scroll bar and the margins beside the rulers. */
    private static final double BESIDE = 24;

    private final OpenDocument document;
    private final Map<Id<Segment>, Ruler.View> views = new HashMap<>();
    private final VBox rulers = new VBox(6);
    private final AddressList list;
    private final Label summary = Texts.of("", "soft", "small");
    private final MainPane pane;

    private AddressesPage(OpenDocument document) {
        this.document = document;
        list = new AddressList(document);
        ScrollPane scroll = new ScrollPane(rulers);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setPrefHeight(352);
        scroll.setMinHeight(340);
        VBox.setVgrow(list, Priority.ALWAYS);
        MenuButton more = new MenuButton("More");
        more.setId("address-more");
        more.getItems()
                .addAll(
                        Buttons.item("Move a segment to another range …", "address-move", this::move),
                        Buttons.item("Import a table …", "address-import", this::importTable),
                        Buttons.item("Write a table, reservations or hosts …", "address-export", this::export),
                        Buttons.item("Factory-default devices, one at a time …", "address-box", this::outOfTheBox),
                        Buttons.item("Ask who answers …", "address-ask", this::ask));
        FlowPane below = new FlowPane(
                8,
                2,
                summary,
                Buttons.quiet("This computer …", "address-here", this::here),
                Buttons.quiet("Which range? …", "address-advice", this::advise),
                Buttons.quiet("Assign addresses …", "address-give", () -> giveOut(false)),
                more);
        more.setMinWidth(Region.USE_PREF_SIZE);
        below.setMinWidth(0);
        pane = new MainPane(scroll, list.head(), list, below);
        pane.widthProperty().addListener((o, old, now) -> {
            if (across(old.doubleValue()) != across(now.doubleValue())) {
                redraw();
            }
        });
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> refresh());
    }

    /** The page, as the window lists it. */
    public static PageEntry<AddressesPage> entry(PageContext context) {
        return new PageEntry<>(
                        AddressesPage.class,
                        "Addresses",
                        EnumSet.of(Area.ADDRESSES),
                        () -> new AddressesPage(context.document()))
                .explainedBy("concept-subnet-mask")
                .offers("Assign addresses", page -> page.giveOut(false))
                .offers("This computer, as it is", AddressesPage::here)
                .offers("Which range should each segment use?", AddressesPage::advise)
                .offers("Move a segment to another range", AddressesPage::move)
                .offers("Import a table of addresses", AddressesPage::importTable)
                .offers("Write addresses as a table, reservations or hosts", AddressesPage::export)
                .offers("Factory-default devices, one at a time", AddressesPage::outOfTheBox)
                .offers("Ask who answers", AddressesPage::ask);
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
        list.show(report.plan(), this::isChosen);
        long unsettled = report.findings().stream()
                .filter(f -> f.rule().startsWith("address."))
                .count();
        summary.setText(Counted.of(list.getItems().size(), "address", "addresses") + " · "
                + (unsettled == 0 ? "no collision, every mask fits" : unsettled + " to settle")
                + " · F2 edits · P pins");
    }

    private static double across(double width) {
        return Math.max(NARROWEST, Math.floor(width - BESIDE));
    }

    private void redraw() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            drawRulers(report);
        }
    }

    private void drawRulers(Report report) {
        PlanIndex index = report.plan().index();
        rulers.getChildren().clear();
        for (Segment segment : report.plan().segments()) {
            Ruler all = Ruler.of(index, segment, Optional.empty());
            Ruler.View view = views.get(segment.id());
            Ruler ruler = view == null ? all : Ruler.of(index, segment, Optional.of(view));
            if (!all.pins().isEmpty() || !all.off().isEmpty()) {
                rulers.getChildren()
                        .add(new RulerPane(
                                document,
                                report,
                                ruler,
                                all,
                                across(pane.getWidth()),
                                this::isChosen,
                                v -> zoom(segment.id(), v)));
            }
        }
        if (rulers.getChildren().isEmpty()) {
            rulers.getChildren()
                    .add(Texts.wrapped(
                            "Each segment has a ruler here, with a pin for every adapter. "
                                    + EmptyPageHint.of(
                                            document.plan(),
                                            "the plan has no segment. In Gear a line such as \"segment Stream"
                                                    + " 10.41.0.0/16\" makes one."),
                            "soft"));
        }
    }

    private boolean isChosen(Adapter adapter) {
        Id<?> selected = document.selectionProperty().get();
        if (selected == null) {
            return false;
        }
        Id<Host> owner = document.plan().index().hostOf(adapter.id()).id();
        return selected.equals(adapter.id()) || selected.equals(owner) || isOn(selected, owner);
    }

    private boolean isOn(Id<?> selected, Id<Host> owner) {
        PlanIndex index = document.plan().index();
        Object found = index.find(selected).orElse(null);
        if (found instanceof Receiver receiver) {
            return index.application(receiver.application()).host().equals(owner);
        }
        return found instanceof Application application && application.host().equals(owner);
    }

    private void zoom(Id<Segment> segment, Ruler.@Nullable View view) {
        Id<?> focused = pane.getScene() != null
                        && pane.getScene().getFocusOwner() instanceof Label label
                        && label.getUserData() instanceof Id<?> id
                ? id
                : null;
        if (view == null) {
            views.remove(segment);
        } else {
            views.put(segment, view);
        }
        redraw();
        if (focused != null) {
            rulers.lookupAll(".pin").stream()
                    .filter(n -> focused.equals(n.getUserData()))
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
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
        MovePanel page = new MovePanel(document, this::leavePage);
        pane.show(page);
        page.start(segment, range);
    }

    /**
     * Gives out addresses by a scheme, on a page in place of the rulers.
     *
     * @param anew whether those that have one are to get another
     */
    public void giveOut(boolean anew) {
        GiveOutPanel page = new GiveOutPanel(document, this::leavePage);
        pane.show(page);
        page.start(anew);
    }

    /** Says which range each segment should use, and why. */
    public void advise() {
        pane.show(new AdvicePanel(document, this::leavePage, this::move));
    }

    /** Shows the adapters of this computer beside those of the plan. */
    public void here() {
        HerePanel page = new HerePanel(document, this::leavePage);
        pane.show(page);
        page.requestFocus();
    }

    /** Takes over a table of addresses: what is on the clipboard, where it is one. */
    public void importTable() {
        ImportPanel page = new ImportPanel(document, this::leavePage);
        pane.show(page);
        page.start();
    }

    /** The same with rows that are known already. */
    public void importTable(String rows) {
        ImportPanel page = new ImportPanel(document, this::leavePage);
        pane.show(page);
        page.start(rows);
    }

    /** Shows the addresses in another form, to copy or to save. */
    public void export() {
        ExportPanel page = new ExportPanel(
                document, this::leavePage, "Write the addresses for another program", ExportPanel.ofAddresses());
        pane.show(page);
        page.requestFocus();
    }

    /** Leads through boxes that leave the factory with one address. */
    public void outOfTheBox() {
        OutOfTheBoxPanel page = new OutOfTheBoxPanel(document, this::leavePage);
        pane.show(page);
        page.requestFocus();
    }

    /** Asks planned devices whether they answer: those chosen in the list, where several are. */
    public void ask() {
        List<Id<Host>> hosts = list.chosen().size() > 1
                ? list.chosen().stream().map(r -> r.host().id()).distinct().toList()
                : List.of();
        AskPanel page = new AskPanel(document, this::leavePage, hosts);
        pane.show(page);
        page.requestFocus();
    }

    private void leavePage() {
        pane.showPicture();
        list.requestFocus();
    }
}
