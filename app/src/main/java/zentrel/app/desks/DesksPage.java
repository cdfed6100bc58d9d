package zentrel.app.desks;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.EmptyPageHint;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.SeenNow;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Session;
import zentrel.text.Counted;

/** Desks: the desks of a session around what they share, what each lacks, and the order in which it is done. */
public final class DesksPage implements PageView {
    private static final double ENDS = 330;
    private static final double NARROWEST = 620;
    private static final double BESIDE = 30;

    private final OpenDocument document;
    private final BorderPane pane = new BorderPane();
    private final ComboBox<DesksModel> which = new ComboBox<>();
    private final Label summary = Texts.of("", "soft");
    private final VBox picture = new VBox(8);
    private final StopPane stop;
    private final SeenNow seenNow;
    private Map<Id<?>, String> seen = Map.of();
    private List<DesksModel> models = List.of();
    private @Nullable Id<Session> shown;
    private boolean choosing;

    private DesksPage(OpenDocument document, SeenNow seenNow) {
        this.document = document;
        this.seenNow = seenNow;
        stop = new StopPane(document::plan, this::draw);
        which.setId("desks-session");
        which.setAccessibleText("Session");
        which.setConverter(Named.by(m -> m.session().name()));
        which.valueProperty().addListener((o, was, is) -> {
            if (is != null && !choosing) {
                shown = is.session().id();
                draw();
            }
        });
        HBox head = new HBox(
                10,
                which,
                summary,
                Buttons.quiet(
                        "Its settings",
                        "desks-settings",
                        () -> model().ifPresent(m -> document.select(m.session().id()))));
        head.setAlignment(Pos.CENTER_LEFT);
        ScrollPane scroll = new ScrollPane(picture);
        scroll.setFitToWidth(true);
        pane.getStyleClass().add("main-page");
        pane.setTop(head);
        pane.setCenter(scroll);
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> draw());
        Timeline looking = new Timeline(new KeyFrame(Duration.seconds(1), e -> look()));
        looking.setCycleCount(Animation.INDEFINITE);
        pane.sceneProperty().addListener((o, was, is) -> {
            if (is == null) {
                looking.stop();
            } else {
                looking.play();
            }
        });
        pane.widthProperty().addListener((o, was, is) -> {
            if (Math.floor(was.doubleValue() / 8) != Math.floor(is.doubleValue() / 8)) {
                draw();
            }
        });
    }

    /** The page, as the window lists it. */
    public static PageEntry<DesksPage> entry(PageContext context) {
        return new PageEntry<>(
                        DesksPage.class,
                        "Desks",
                        EnumSet.of(Area.DESKS),
                        () -> new DesksPage(context.document(), context.seen()))
                .explainedBy("concept-session")
                .offers("See what the desks of a session lack", DesksPage::shown);
    }

    @Override
    public Node node() {
        return pane;
    }

    /** What joins desks and what attaches to them comes before the levels that they send. */
    @Override
    public List<SignalPath> order(List<SignalPath> worstFirst) {
        return worstFirst.stream()
                .sorted(Comparator.comparing(p -> !p.protocol().equals(SignalPaths.SESSION)
                        && !p.protocol().equals("own")))
                .toList();
    }

    @Override
    public void shown() {
        refresh();
    }

    /** Draws anew where the net shows something else than before. */
    private void look() {
        Map<Id<?>, String> now = new HashMap<>();
        seenNow.programs().forEach(s -> now.put(s.program(), s.words()));
        if (!now.equals(seen)) {
            seen = now;
            draw();
        }
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            document.derive(report, DesksModel::of, this::show);
        }
    }

    private void show(List<DesksModel> all) {
        models = all;
        choosing = true;
        which.getItems().setAll(all);
        which.setValue(model().orElse(null));
        which.setVisible(all.size() > 1);
        which.setManaged(all.size() > 1);
        choosing = false;
        draw();
    }

    private Optional<DesksModel> model() {
        Id<?> selected = document.selectionProperty().get();
        return models.stream()
                .filter(m -> m.session().id().equals(selected))
                .findFirst()
                .or(() -> models.stream()
                        .filter(m -> m.session().id().equals(shown))
                        .findFirst())
                .or(() -> models.stream().findFirst());
    }

    private void draw() {
        if (pane.getScene() == null) {
            return; // drawn when it is shown
        }
        Optional<DesksModel> model = model();
        if (model.isEmpty()) {
            summary.setText("");
            picture.getChildren()
                    .setAll(Texts.wrapped(
                            "The desks that share a show stand here around it, with what each still lacks. "
                                    + EmptyPageHint.of(
                                            document.plan(),
                                            "the plan has no session. In Gear a line such as \"session Evening with hut"
                                                    + " desk, backup desk as backup\" makes one."),
                            "soft"));
            return;
        }
        draw(model.get());
    }

    private void draw(DesksModel model) {
        Session session = model.session();
        summary.setText((models.size() > 1 ? "" : session.name() + " · ")
                + (session.key().isEmpty() ? "no key" : "key " + session.key()) + " · "
                + Counted.of(session.desks().size(), "desk") + " · "
                + (model.ready().isReady() ? "ready" : Counted.of(model.ready().left(), "step") + " left"));
        double across = Math.max(NARROWEST, pane.getWidth() - BESIDE);
        Id<?> chosen = chosen(model);
        boolean had = pane.getScene().getFocusOwner() instanceof VBox box && box.getUserData() instanceof Id<?>;
        DeskRing ring = new DeskRing(model, seen, chosen, across, document::select);
        Node order = model.ready().left() == 0
                ? Texts.wrapped("Nothing is left to do: every desk is in step, as far as the plan tells.", "soft")
                : new StartLine(model, across - ENDS - 20, document::select);
        VBox line = new VBox(
                6,
                Texts.of("In this order", "strong"),
                Texts.of(
                        model.ready().left() == 0
                                ? ""
                                : "at least " + model.ready().seconds()
                                        + " s of waiting; what is done by hand is drawn as 10 s",
                        "soft",
                        "small"),
                order,
                stop.of(model));
        EndsTable ends = new EndsTable(model, chosen);
        ends.setMinWidth(ENDS);
        ends.setPrefWidth(ENDS);
        ends.setMaxWidth(ENDS);
        HBox below = new HBox(20, line, ends);
        HBox.setHgrow(line, Priority.ALWAYS);
        below.getStyleClass().add("desk-below");
        picture.getChildren().setAll(ring, below);
        if (had && chosen != null) {
            ring.getChildren().stream()
                    .filter(n -> chosen.equals(n.getUserData()))
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
    }

    /** The program that is selected, or the one whose device is. */
    private @Nullable Id<?> chosen(DesksModel model) {
        Id<?> selected = document.selectionProperty().get();
        if (selected == null || model.member(selected).isPresent()) {
            return selected;
        }
        return selected.as(Kind.HOST)
                .flatMap(h -> model.members().stream()
                        .map(m -> m.part().program())
                        .filter(p -> document.plan().index().find(p).isPresent()
                                && document.plan().index().application(p).host().equals(h))
                        .findFirst())
                .orElse(null);
    }
}
