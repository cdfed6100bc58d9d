package zentrel.app.flow;

import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.transform.Scale;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;

/** Where of a drawing one looks: it scrolls, zooms, and has drawn what is seen and as much around it. */
final class FlowSight extends ScrollPane {
    /** Taken as the height of what is seen, before that is known. */
    private static final double FIRST_HEIGHT = 700;

    private static final double LEAST_ZOOM = 0.25;
    private static final double MOST_ZOOM = 3;
    private static final double ZOOM_STEP = 1.15;

    /** So long after it moved last the picture is taken to be at rest. */
    private static final Duration REST = Duration.millis(250);

    /** So much of what is seen is left to the edge of what is drawn when more is drawn. */
    private static final double NEAR = 0.25;

    /** So much of what is seen is drawn above it and below it besides. */
    private static final double AROUND = 0.5;

    private final Pane chart = new Pane();
    private final Scale scale = new Scale(1, 1);
    /** As large as the chart is seen; a group would ask for its bounds whenever anything is drawn. */
    private final Pane ground = new Pane(chart);

    private final PauseTransition rest = new PauseTransition(REST);
    private final PauseTransition wider = new PauseTransition(REST);
    private @Nullable FlowDrawing sheet;
    private double drawnFrom;
    private double drawnTo;
    private double width = FlowColumns.USUAL;
    private double height;
    private double drawnFor;
    private boolean drawing;

    /** @param onWidth run when the picture has come to rest at another width than it was drawn for */
    FlowSight(Runnable onWidth) {
        setContent(ground);
        setId("flow-scroll");
        setPannable(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        chart.setAccessibleText("Flow: sources, networks, receivers, fixtures");
        chart.getTransforms().add(scale);
        rest.setOnFinished(e -> {
            if (sheet != null) {
                sheet.moving(false);
            }
        });
        wider.setOnFinished(e -> onWidth.run());
        vvalueProperty().addListener(o -> {
            moves();
            scrolled();
        });
        viewportBoundsProperty().addListener(o -> {
            scrolled();
            if (sheet != null && (Math.abs(sheet.width() - columns()) > 1 || Math.abs(drawnFor - room()) > 1)) {
                wider.playFromStart();
            }
        });
        addEventFilter(ScrollEvent.SCROLL, e -> {
            if (e.isControlDown() && e.getDeltaY() != 0) {
                zoom(e.getDeltaY() > 0);
                e.consume();
            }
        });
    }

    /** What is drawn on. */
    Pane chart() {
        return chart;
    }

    /** How wide a drawing may be that fills what is seen. */
    double columns() {
        double seen = getViewportBounds().getWidth();
        return Math.max(FlowColumns.LEAST, (seen > 0 ? seen : FlowColumns.USUAL) / Math.max(1, scale.getX()));
    }

    /** How high a drawing may be that is seen whole. */
    double room() {
        return seen() - 8;
    }

    /** Has what is seen of a drawing drawn; whatever was drawn before goes. */
    void show(FlowDrawing drawn) {
        clear();
        width = drawn.width();
        height = drawn.height();
        drawnFor = room();
        chart.setPrefSize(width, height + 4);
        makeRoom();
        sheet = drawn;
        look(drawn);
    }

    /** Shows something else in its place. */
    void show(Node hint) {
        clear();
        chart.getChildren().add(hint);
    }

    private void clear() {
        chart.getChildren().clear();
        sheet = null;
    }

    /** The card with this id, if it is drawn. */
    Optional<Node> card(String id) {
        FlowDrawing on = sheet;
        return on == null ? Optional.empty() : on.card(id);
    }

    /** Drawing moves what is seen, which is looked at again only when it is done. */
    void guarded(Runnable draws) {
        if (drawing) {
            Platform.runLater(this::scrolled);
            return;
        }
        drawing = true;
        try {
            draws.run();
        } finally {
            drawing = false;
        }
    }

    private double seen() {
        double seen = getViewportBounds().getHeight();
        return (seen > 0 ? seen : FIRST_HEIGHT) / scale.getY();
    }

    private double offset() {
        return Math.max(0, height - seen()) * getVvalue();
    }

    /** Draws more, little by little, where what is seen comes near the edge of what is drawn. */
    private void scrolled() {
        FlowDrawing on = sheet;
        double from = offset();
        double near = seen() * NEAR;
        if (on != null && (Math.max(0, from - near) < drawnFrom || Math.min(height, from + seen() + near) > drawnTo)) {
            guarded(() -> look(on));
        }
    }

    private void moves() {
        FlowDrawing on = sheet;
        if (on != null && on.height() > seen()) {
            on.moving(true);
            rest.playFromStart();
        }
    }

    /** What is seen, and as much above and as much below. */
    private void look(FlowDrawing on) {
        drawnFrom = offset() - AROUND * seen();
        drawnTo = offset() + (1 + AROUND) * seen();
        on.draw(drawnFrom, drawnTo);
    }

    /** One step larger or smaller, about the middle of what is seen. */
    void zoom(boolean larger) {
        double middle = offset() + seen() / 2;
        moves();
        zoomTo(scale.getX() * (larger ? ZOOM_STEP : 1 / ZOOM_STEP));
        double room = Math.max(1, height - seen());
        setVvalue(Math.max(0, Math.min(1, (middle - seen() / 2) / room)));
        scrolled();
    }

    /** How much larger than usual it is drawn. */
    double zoom() {
        return scale.getX();
    }

    /** Drawn so much larger than usual, within bounds. */
    void zoomTo(double wanted) {
        double to = Math.max(LEAST_ZOOM, Math.min(MOST_ZOOM, wanted));
        setHbarPolicy(to > 1 ? ScrollBarPolicy.AS_NEEDED : ScrollBarPolicy.NEVER);
        scale.setX(to);
        scale.setY(to);
        makeRoom();
    }

    /** As large as fits from top to bottom. */
    void fit() {
        double seen = getViewportBounds().getHeight();
        zoomTo(Math.min(1, seen / Math.max(1, height)));
        setVvalue(0);
    }

    private void makeRoom() {
        ground.setPrefSize(width * scale.getX(), (height + 4) * scale.getY());
    }

    /** Brings what stands at a height into sight. */
    void reveal(double y, double row) {
        double from = offset();
        double room = Math.max(1, height - seen());
        if (y < from) {
            setVvalue(y / room);
        } else if (y + row > from + seen()) {
            setVvalue((y + row - seen()) / room);
        }
    }
}
