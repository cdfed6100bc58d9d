package zentrel.app.addresses;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.address.AddressChange;
import zentrel.app.document.Notice;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Report;
import zentrel.gear.GearEdit;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;

/**
 * Many addresses of a segment changed at once: shown before it is done, with before and after of each and the order of the
 * steps. A subclass says how the new ones are found.
 */
abstract class ReaddressPanel extends Panel {
    /** Which segments a page is about. */
    enum Where {
        ONE,
        ONE_OR_ALL,
        NOWHERE
    }

    private static final String EVERYWHERE = "all that have a range";
    private static final String NONE = "another one, or none of these";

    /**
     * What was worked out.
     *
     * @param head shown above it
     * @param alone whether setting it does something although no address changes
     */
    record Worked(AddressChange change, List<String> head, boolean alone) {}

    private record Outcome(Optional<Worked> worked, String problem) {}

    private final OpenDocument document;
    private final Plan plan;
    private final Where where;
    private final String name;
    private final ComboBox<String> segments = new ComboBox<>();
    private final ComboBox<String> mine = new ComboBox<>();
    private final VBox preview = new VBox(8);
    private final Button set;
    private final Button later;
    private @Nullable AddressChange readdressing;
    private @Nullable Notice told;

    /**
     * The page.
     *
     * @param name begins the ids of its nodes
     * @param where which segments it is about
     */
    ReaddressPanel(OpenDocument document, Runnable away, String name, String title, Where where) {
        super(title, away);
        this.document = document;
        this.where = where;
        set = Buttons.action("Set it all", name + "-set", () -> done(false));
        later = Buttons.action("Plan it for later", name + "-later", () -> done(true));
        this.plan = document.plan();
        this.name = name;
        plan.segments().forEach(s -> segments.getItems().add(s.name()));
        if (where == Where.ONE_OR_ALL && plan.segments().size() > 1) {
            segments.getItems().add(EVERYWHERE);
        }
        segments.getSelectionModel().selectFirst();
        segments.setId(name + "-segment");
        segments.setAccessibleText("Segment");
        segments.setOnAction(e -> clear());
        mine.getItems().add(NONE);
        plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.COMPUTER)
                .forEach(h -> mine.getItems().add(h.name()));
        mine.getSelectionModel().selectFirst();
        mine.setId(name + "-mine");
        mine.setAccessibleText("The computer you sit at");
        mine.setOnAction(e -> clear());
    }

    /** Puts the page together: what is chosen beside the segment, and what has a line of its own. */
    final void build(List<Node> choices, List<Node> more, String hint) {
        Button show = Buttons.action("Show what changes", name + "-show", this::work);
        Button leave = back(name + "-leave", "Discard");
        ScrollPane scroll = new ScrollPane(preview);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        if (where != Where.NOWHERE) {
            HBox first = row(Texts.of("Segment", "soft"), segments);
            first.getChildren().addAll(choices);
            getChildren().add(first);
        }
        if (!more.isEmpty()) {
            getChildren().add(row(more.toArray(Node[]::new)));
        }
        getChildren().addAll(row(Texts.of("You sit at", "soft"), mine), row(show, set, later, leave), scroll);
        clear();
        preview.getChildren().add(Texts.wrapped(hint, "soft"));
    }

    /** How the new addresses are found, as chosen now; what is returned is run in the background, and may refuse. */
    abstract Function<Plan, Worked> asked(@Nullable Segment segment, Optional<Id<Host>> mine);

    /** What to say where nothing changes. */
    abstract String nothing();

    /** Whether all segments are meant. */
    final boolean everywhere() {
        return EVERYWHERE.equals(segments.getValue());
    }

    final void choose(String segment) {
        segments.setValue(segment);
    }

    final void clear() {
        readdressing = null;
        preview.getChildren().clear();
        set.setDisable(true);
        later.setDisable(true);
    }

    @Override
    protected final void leave() {
        mended();
        super.leave();
    }

    private void refuse(String why) {
        document.tell(why);
        told = document.noticeProperty().get();
    }

    /** Takes away what this page said, once it is no longer so. */
    private void mended() {
        if (told != null && told.equals(document.noticeProperty().get())) {
            document.noticeProperty().set(null);
        }
        told = null;
    }

    private void done(boolean forLater) {
        AddressChange worked = readdressing;
        if (worked != null) {
            Edit edit = forLater ? worked.later() : worked.edit();
            document.make(() -> new GearEdit(edit, List.of()), made -> leave());
        }
    }

    final void work() {
        clear();
        Report report = document.reportProperty().get();
        Optional<Segment> segment = plan.segments().stream()
                .filter(s -> everywhere() || s.name().equals(segments.getValue()))
                .findFirst();
        if (report == null || (segment.isEmpty() && where != Where.NOWHERE)) {
            document.tell("There is no segment yet.");
            return;
        }
        Optional<Id<Host>> computer = plan.hosts().stream()
                .filter(h -> h.name().equals(mine.getValue()))
                .map(Host::id)
                .findFirst();
        Function<Plan, Worked> asked;
        try {
            asked = asked(segment.orElse(null), computer);
        } catch (IllegalArgumentException e) {
            refuse(String.valueOf(e.getMessage()));
            return;
        }
        document.derive(
                report,
                r -> {
                    try {
                        return new Outcome(Optional.of(asked.apply(r.plan())), "");
                    } catch (IllegalArgumentException e) {
                        return new Outcome(Optional.empty(), String.valueOf(e.getMessage()));
                    }
                },
                outcome -> outcome.worked().ifPresentOrElse(this::show, () -> refuse(outcome.problem())));
    }

    private void show(Worked worked) {
        clear();
        mended();
        readdressing = worked.change();
        set.setDisable(worked.change().changes().isEmpty() && !worked.alone());
        later.setDisable(worked.change().changes().isEmpty());
        VBox head = new VBox(2);
        worked.head().forEach(line -> head.getChildren().add(Texts.mono(line, "small")));
        if (!worked.head().isEmpty()) {
            preview.getChildren().add(head);
        }
        if (worked.change().changes().isEmpty()) {
            preview.getChildren().add(Texts.wrapped(nothing()));
        }
        preview.getChildren().addAll(ChangePreview.of(worked.change()));
    }
}
