package zentrel.app.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.lit.Camera;
import zentrel.lit.Vector;
import zentrel.plan.Id;

/**
 * The mouse on the picture: a click chooses, with Ctrl more; a drag on what is chosen moves it over the ground, with Shift up and down;
 * a drag elsewhere turns around, with Shift or another button it moves the view, with Ctrl it chooses by a rectangle; the wheel comes
 * nearer.
 */
final class LitMouse {
    private static final double DEGREES_PER_PIXEL = 0.35;
    private static final double NEARER = 0.88;
    private static final double STARTS = 4;
    private static final double FARTHEST_DRAG = 300;

    /** What the mouse asks for. */
    interface Hands {
        Set<Id<?>> chosen();

        void choose(List<Id<?>> ids, boolean more);

        void move(double right, double away, double up);

        void over(Optional<Id<?>> id);

        /** A click while the next place is asked for; whether it was. */
        boolean placed(Optional<Vector> at);
    }

    private enum Drag {
        NONE,
        TURN,
        PAN,
        CHOOSE,
        MOVE
    }

    private final LitCanvas canvas;
    private final Hands hands;
    private double x;
    private double y;
    private double pressedX;
    private double pressedY;
    private Drag drag = Drag.NONE;
    private boolean moved;
    private Optional<Id<?>> pressedOn = Optional.empty();

    LitMouse(LitCanvas canvas, Hands hands) {
        this.canvas = canvas;
        this.hands = hands;
        canvas.setOnMousePressed(this::pressed);
        canvas.setOnMouseDragged(this::dragged);
        canvas.setOnMouseReleased(this::released);
        canvas.setOnMouseMoved(e -> hands.over(canvas.at(e.getX(), e.getY())));
        canvas.setOnMouseExited(e -> hands.over(Optional.empty()));
        canvas.setOnScroll(this::scrolled);
    }

    private void scrolled(ScrollEvent e) {
        if (e.getDeltaY() != 0) {
            canvas.look(canvas.camera().dollied(e.getDeltaY() > 0 ? NEARER : 1 / NEARER));
        }
        e.consume();
    }

    private void pressed(MouseEvent e) {
        canvas.requestFocus();
        x = e.getX();
        y = e.getY();
        pressedX = x;
        pressedY = y;
        moved = false;
        pressedOn = canvas.at(x, y);
        boolean primary = e.getButton() == MouseButton.PRIMARY;
        boolean onChosen = pressedOn.filter(hands.chosen()::contains).isPresent();
        drag = !primary
                ? Drag.PAN
                : onChosen && !e.isShortcutDown()
                        ? Drag.MOVE
                        : e.isShortcutDown() ? Drag.CHOOSE : e.isShiftDown() ? Drag.PAN : Drag.TURN;
        e.consume();
    }

    private void dragged(MouseEvent e) {
        moved |= Math.hypot(e.getX() - pressedX, e.getY() - pressedY) > STARTS;
        if (!moved) {
            return;
        }
        Camera camera = canvas.camera();
        double dx = e.getX() - x;
        double dy = e.getY() - y;
        x = e.getX();
        y = e.getY();
        switch (drag) {
            case TURN ->
                canvas.look(camera.withParallel(false).orbited(dx * DEGREES_PER_PIXEL, dy * DEGREES_PER_PIXEL));
            case PAN -> canvas.look(camera.panned(-dx / canvas.getHeight(), dy / canvas.getHeight()));
            case CHOOSE -> canvas.lasso(around());
            case MOVE, NONE -> {
                // where it is let go counts
            }
        }
        e.consume();
    }

    private Rectangle around() {
        return new Rectangle(
                Math.min(pressedX, x), Math.min(pressedY, y), Math.abs(x - pressedX), Math.abs(y - pressedY));
    }

    private void released(MouseEvent e) {
        Drag was = drag;
        drag = Drag.NONE;
        if (!moved) {
            clicked(e);
        } else if (was == Drag.CHOOSE) {
            canvas.lasso(null);
            hands.choose(canvas.within(around()), false);
        } else if (was == Drag.MOVE) {
            move(e);
        }
        e.consume();
    }

    private void clicked(MouseEvent e) {
        if (e.getButton() != MouseButton.PRIMARY || hands.placed(canvas.onPlace(e.getX(), e.getY()))) {
            return;
        }
        if (pressedOn.isPresent() || !e.isShortcutDown()) {
            List<Id<?>> ids = new ArrayList<>();
            pressedOn.ifPresent(ids::add);
            hands.choose(ids, e.isShortcutDown());
        }
    }

    private void move(MouseEvent e) {
        @Nullable Vector at = pressedOn.flatMap(canvas.sight()::at).orElse(null);
        if (at == null) {
            return;
        }
        Camera.View view = canvas.view();
        if (e.isShiftDown()) {
            double up = (pressedY - y) / view.scale(Math.max(0.1, view.depth(at)));
            hands.move(0, 0, snapped(up));
            return;
        }
        Optional<Vector> from = level(view, pressedX, pressedY, at.z());
        Optional<Vector> to = level(view, x, y, at.z());
        if (from.isPresent() && to.isPresent()) {
            Vector by = to.get().minus(from.get());
            if (by.length() <= FARTHEST_DRAG) {
                hands.move(snapped(by.x()), snapped(by.y()), 0);
            }
        }
    }

    private static Optional<Vector> level(Camera.View view, double x, double y, double height) {
        return view.ray(x, y).toHeight(height).map(view.ray(x, y)::at);
    }

    /** To the decimetre; near by to the centimetre. */
    private double snapped(double metres) {
        double grid = canvas.camera().distance() < 4 ? 0.01 : 0.1;
        return Math.round(metres / grid) * grid;
    }
}
