package zentrel.app.cues;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.app.look.ViewChoice;
import zentrel.app.shell.EmptyPageHint;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.plan.ControlLink;
import zentrel.plan.Id;

/** Cues &amp; OSC: the links as sockets face to face; below them the message of one, two cue lists, or what comes. */
public final class CuesPage implements PageView {
    private static final double NARROWEST = 640;
    private static final double BESIDE = 30;
    private static final double MOST_OF_LINKS = 0.5;

    private final OpenDocument document;
    private final BorderPane pane = new BorderPane();
    private final VBox links = new VBox(4);
    private final ScrollPane scroll = new ScrollPane(links);
    private final BorderPane below = new BorderPane();
    private final MessagePane message;
    private final CueListsPane lists;
    private final MonitorPane monitor;
    private final SurfacePane surface;
    private final ViewChoice choice = new ViewChoice(this::draw);
    private final ToggleButton messageButton = choice.add("Message", "cues-message");
    private final ToggleButton surfaceButton = choice.add("Surface", "cues-surface");
    private final ToggleButton listsButton = choice.add("Cue lists", "cues-lists");
    private final ToggleButton monitorButton = choice.add("What comes", "cues-monitor");
    private List<LinkFace> faces = List.of();
    private @Nullable Id<ControlLink> shown;

    private CuesPage(PageContext context) {
        document = context.document();
        message = new MessagePane(document, context.seen());
        lists = new CueListsPane(document, context.seen());
        surface = new SurfacePane(document, context.seen());
        monitor = new MonitorPane(document::plan, context.seen());
        scroll.setFitToWidth(true);
        below.setTop(choice);
        below.getStyleClass().add("desk-below");
        pane.getStyleClass().add("main-page");
        pane.setTop(scroll);
        pane.setCenter(below);
        messageButton.setSelected(true);
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> draw());
        pane.widthProperty().addListener((o, was, is) -> draw());
        pane.heightProperty().addListener((o, was, is) -> draw());
    }

    /** The page, as the window lists it. */
    public static PageEntry<CuesPage> entry(PageContext context) {
        return new PageEntry<>(CuesPage.class, "Cues & OSC", EnumSet.of(Area.CONTROL), () -> new CuesPage(context))
                .explainedBy("concept-control-link")
                .offers("Map the controls of a surface", page -> page.surfaceButton.setSelected(true))
                .offers("Compare two cue lists", page -> page.listsButton.setSelected(true))
                .offers("Count what comes by OSC", page -> page.monitorButton.setSelected(true))
                .offers("Write the message of a control link", page -> page.messageButton.setSelected(true));
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        refresh();
    }

    @Override
    public void dispose() {
        lists.close();
        monitor.close();
    }

    /** Shows the two cue lists, for pictures and tests: both read from files. */
    public void compare(java.nio.file.Path left, java.nio.file.Path right) {
        listsButton.setSelected(true);
        lists.left().read(left);
        lists.right().read(right);
    }

    /** The same with a list that stands right of the one that is there. */
    public void compare(java.nio.file.Path right) {
        lists.right().read(right);
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            document.derive(report, LinkFace::of, all -> {
                faces = all;
                draw();
            });
        }
    }

    /** The link that is selected, else the one that was shown, else the first. */
    private Optional<LinkFace> chosen() {
        Id<?> selected = document.selectionProperty().get();
        return faces.stream()
                .filter(f -> f.link().id().equals(selected))
                .findFirst()
                .or(() ->
                        faces.stream().filter(f -> f.link().id().equals(shown)).findFirst())
                .or(() -> faces.stream().findFirst());
    }

    private void draw() {
        if (pane.getScene() == null) {
            return; // drawn when it is shown
        }
        Optional<LinkFace> chosen = chosen();
        shown = chosen.map(f -> f.link().id()).orElse(null);
        drawLinks(chosen);
        @Nullable ControlLink link = chosen.map(LinkFace::link)
                .flatMap(l -> document.plan().index().find(l.id()))
                .orElse(null);
        if (messageButton.isSelected()) {
            message.show(link);
            below.setCenter(message);
        } else if (surfaceButton.isSelected()) {
            surface.show(link);
            below.setCenter(surface);
        } else if (listsButton.isSelected()) {
            below.setCenter(lists);
        } else {
            monitor.offer();
            below.setCenter(monitor);
        }
    }

    private void drawLinks(Optional<LinkFace> chosen) {
        boolean had = pane.getScene().getFocusOwner() instanceof LinkRow;
        double across = Math.max(NARROWEST, pane.getWidth() - BESIDE);
        links.getChildren().clear();
        if (faces.isEmpty()) {
            links.getChildren()
                    .add(Texts.wrapped(
                            "Who sends OSC to whom stands here, socket facing socket. "
                                    + EmptyPageHint.of(
                                            document.plan(),
                                            "the plan has no control link. In Gear a line such as \"link cue player to"
                                                    + " desk /show/next\" makes one."),
                            "soft"));
        }
        for (LinkFace face : faces) {
            boolean is = chosen.filter(face::equals).isPresent();
            LinkRow row = new LinkRow(face, is, across, document::select);
            links.getChildren().add(row);
            if (is && had) {
                row.requestFocus();
            }
        }
        double height = Math.max(40, faces.size() * (LinkRow.HEIGHT + 4) + 8);
        scroll.setPrefHeight(Math.min(height, pane.getHeight() * MOST_OF_LINKS));
        scroll.setMinHeight(0);
    }
}
