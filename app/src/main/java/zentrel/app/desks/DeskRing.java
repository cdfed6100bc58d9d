package zentrel.app.desks;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurve;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.session.Lack;
import zentrel.session.TakesPart;

/**
 * The desks of a session around what they share, what attaches to them hanging from it. Desks stand in the order of the plan, down the
 * left side and then down the right one; a mark on the ring says how each is.
 */
final class DeskRing extends Pane {
    private static final double ROW = 72;
    private static final double TOP = 14;
    private static final double LABEL = 205;
    private static final double SMALLEST = 190;
    private static final double LARGEST = 260;
    private static final double HANGING = 180;
    private static final double MARK = 13;

    /** How far up and down the ring desks stand, as a part of its height. */
    private static final double SPREAD = 0.86;

    private final Consumer<Id<?>> choose;
    private final Map<Id<?>, String> seen;
    private final @Nullable Id<?> chosen;

    /**
     * Draws it.
     *
     * @param seen how programs are seen on the net that is looked at, in words; empty where nothing is seen of any
     */
    DeskRing(DesksModel model, Map<Id<?>, String> seen, @Nullable Id<?> chosen, double across, Consumer<Id<?>> choose) {
        this.seen = seen;
        this.choose = choose;
        this.chosen = chosen;
        List<DesksModel.Member> desks =
                model.members().stream().filter(m -> m.part().inSession()).toList();
        List<DesksModel.Member> others =
                model.members().stream().filter(m -> !m.part().inSession()).toList();
        int left = (desks.size() + 1) / 2;
        double rows = Math.max(Math.max(left, others.size()), 2);
        double height = Math.max(SMALLEST, rows * ROW) + 2 * TOP;
        double diameter = Math.min(LARGEST, height - 2 * TOP);
        double radius = diameter / 2;
        double cx = LABEL + 24 + radius;
        double cy = height / 2;
        setPrefSize(across, height);
        setMinHeight(height);
        double hangAt = Math.max(cx + radius + LABEL + 24, across - HANGING - 4);
        for (int i = 0; i < others.size(); i++) {
            double y = TOP + (i + 0.5) * (height - 2 * TOP) / others.size();
            line(others.get(i), cx, cy, radius, desks.size() - left, hangAt, y);
        }
        Circle ring = new Circle(cx, cy, radius);
        ring.getStyleClass().add("desk-ring");
        getChildren().add(ring);
        middle(model, cx, cy, radius);
        for (int i = 0; i < desks.size(); i++) {
            boolean onLeft = i < left;
            int row = onLeft ? i : i - left;
            int of = onLeft ? left : desks.size() - left;
            desk(desks.get(i), cx, cy, radius, (row + 0.5) / of, onLeft);
        }
        for (int i = 0; i < others.size(); i++) {
            double y = TOP + (i + 0.5) * (height - 2 * TOP) / others.size();
            hanging(others.get(i), hangAt, y);
        }
    }

    private void middle(DesksModel model, double cx, double cy, double radius) {
        VBox middle = new VBox(
                3,
                Texts.of("shared by all", "soft", "small"),
                Texts.of(model.shared().show(), "strong"),
                Texts.of(model.shared().version(), "small"),
                Texts.mono(model.shared().network(), "soft", "small"));
        middle.setAlignment(Pos.CENTER);
        middle.setMouseTransparent(true);
        middle.setPrefSize(radius * 1.7, 80);
        middle.relocate(cx - radius * 0.85, cy - 40);
        getChildren().add(middle);
    }

    /** From the ring, between the labels on its right side, to what hangs there. */
    private void line(DesksModel.Member member, double cx, double cy, double radius, int rows, double toX, double toY) {
        double part = rows == 0
                ? 0.5
                : Math.min(rows, Math.max(0, Math.round(height(toY, cy, radius) * rows))) / (double) rows;
        double fromY = cy + (part - 0.5) * 2 * radius * SPREAD;
        double fromX = cx + Math.sqrt(radius * radius - (fromY - cy) * (fromY - cy));
        CubicCurve curve = new CubicCurve(fromX, fromY, toX - 10, fromY, toX - 60, toY, toX, toY);
        curve.getStyleClass().add(member.part().by().isPresent() ? "desk-line" : "desk-line-levels");
        getChildren().add(curve);
    }

    /** Where a height is along the ring, as a part of it. */
    private static double height(double y, double cy, double radius) {
        return (y - cy) / (2 * radius * SPREAD) + 0.5 + 0.01; // of two that are as near, the lower one
    }

    private void desk(DesksModel.Member member, double cx, double cy, double radius, double part, boolean onLeft) {
        // evenly spaced in height, so that labels never meet
        double y = cy + (part - 0.5) * 2 * radius * SPREAD;
        double dx = Math.sqrt(radius * radius - (y - cy) * (y - cy));
        double x = onLeft ? cx - dx : cx + dx;
        Circle dot = new Circle(x, y, MARK);
        dot.getStyleClass().add("desk-dot");
        Mark mark = Mark.of(verdict(member.part()));
        mark.relocate(x - 9, y - 7);
        VBox label = label(member, onLeft ? Pos.CENTER_RIGHT : Pos.CENTER_LEFT);
        double labelX = onLeft ? x - MARK - 8 - LABEL : x + MARK + 8;
        if (onLeft) {
            label.getStyleClass().add("on-left");
        }
        label.relocate(Math.max(0, labelX), y - (seen.isEmpty() ? 27 : 36));
        getChildren().addAll(dot, mark, label);
    }

    private void hanging(DesksModel.Member member, double x, double y) {
        VBox box = label(member, Pos.CENTER_LEFT);
        box.setPrefWidth(HANGING);
        box.setMaxWidth(HANGING);
        box.getStyleClass().add("desk-hanging");
        box.getChildren()
                .add(
                        0,
                        Texts.of(
                                member.part().by().isPresent() ? "own stream" : "the levels as sent", "soft", "small"));
        box.relocate(x, y - 36);
        if (box.getChildren().get(box.getChildren().size() - 1) instanceof Label last) {
            last.setWrapText(true);
        }
        getChildren().add(box);
    }

    private VBox label(DesksModel.Member member, Pos alignment) {
        TakesPart part = member.part();
        VBox box = new VBox(
                1,
                Texts.of(member.name(), "strong"),
                Texts.mono(part.part().title() + " " + member.address(), "soft", "small"),
                Texts.of(
                        lackOf(member),
                        "small",
                        part.lacks().isEmpty() ? "passes" : part.lacks().get(0).stops() ? "broken" : "at-risk"));
        if (!seen.isEmpty() && part.inSession()) {
            box.getChildren()
                    .add(2, Texts.of(seen.getOrDefault(part.program(), "not heard on this net"), "soft", "small"));
        }
        box.setAlignment(alignment);
        box.setPrefWidth(LABEL);
        box.setMaxWidth(LABEL);
        box.getStyleClass().add("desk");
        if (part.program().equals(chosen)) {
            box.getStyleClass().add("chosen");
        }
        box.setFocusTraversable(true);
        box.setUserData(part.program());
        box.setAccessibleText(
                member.name() + ", " + part.part().title() + ", " + part.state().words()
                        + part.first().map(Lack::text).map(t -> ": " + t).orElse(""));
        box.setOnMouseClicked(e -> choose.accept(part.program()));
        box.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                choose.accept(part.program());
                e.consume();
            }
        });
        return box;
    }

    /** Its one most important lack, as the title of its rule. */
    private static String lackOf(DesksModel.Member member) {
        return member.part()
                .first()
                .map(l -> zentrel.check.RuleBook.find(l.rule())
                        .map(r -> r.title())
                        .orElse(l.rule()))
                .orElse(member.part().state().words());
    }

    static Verdict verdict(TakesPart part) {
        if (part.lacks().stream().anyMatch(Lack::stops)) {
            return Verdict.BROKEN;
        }
        if (!part.lacks().isEmpty()) {
            return Verdict.AT_RISK;
        }
        return part.state() == TakesPart.State.IN_STEP ? Verdict.PASSES : Verdict.NOT_KNOWN;
    }
}
