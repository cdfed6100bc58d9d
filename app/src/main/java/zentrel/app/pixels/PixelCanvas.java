package zentrel.app.pixels;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Rectangle2D;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import org.jspecify.annotations.Nullable;
import zentrel.pixel.PixelLayout;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;

/**
 * The layout in its true shape: every pixel in one buffer of colours, over it names, the thread of the data and what is chosen. A click
 * chooses a run, a drag on nothing a rectangle, a drag on what is chosen moves it; the wheel zooms.
 */
final class PixelCanvas extends Pane {
    private static final double EDGE = 34;
    private static final double GRAB = 9;
    private static final double STEP = 1.2;
    private static final int LEAST_ROOM = 60;

    /** What the canvas tells. */
    interface Hands {
        void choose(List<Id<PixelRun>> runs, boolean more);

        void move(double across, double up);

        /** A pixel under the mouse; −1 where there is none. */
        void over(int pixel);
    }

    private final Hands hands;
    private final ImageView view = new ImageView();
    private final PixelMarks marks = new PixelMarks();
    private final PixelPaint paint = new PixelPaint();
    private @Nullable PixelBuffer<IntBuffer> buffer;
    private int[] screen = new int[0];
    private PixelSight sight = PixelSight.NONE;
    private int[] colours = new int[0];
    private final Set<Id<PixelRun>> chosen = new LinkedHashSet<>();
    private double scale = 100;
    private double left;
    private double bottom;
    private boolean fitted = true;
    private double pressedX;
    private double pressedY;
    private int pressedOn = -1;
    private boolean dragging;

    PixelCanvas(Hands hands) {
        this.hands = hands;
        setId("pixel-layout");
        setAccessibleText("Layout of the pixels");
        setFocusTraversable(true);
        getStyleClass().add("pixel-layout");
        getChildren().addAll(view, marks);
        setMinSize(LEAST_ROOM, LEAST_ROOM);
        widthProperty().addListener(o -> resized());
        heightProperty().addListener(o -> resized());
        setOnScroll(this::scrolled);
        setOnMousePressed(this::pressed);
        setOnMouseDragged(this::dragged);
        setOnMouseReleased(this::released);
        setOnMouseMoved(e -> hands.over(at(e.getX(), e.getY())));
        setOnMouseExited(e -> hands.over(-1));
    }

    /** Shows another plan's pixels. */
    void show(PixelSight now, int[] shown) {
        boolean first = sight.map().count() == 0;
        sight = now;
        colours = shown;
        if (fitted || first) {
            fit();
        } else {
            draw();
        }
    }

    /** The colour of each pixel, {@code 0xFFrrggbb}; the same as before is drawn once more. */
    void paint(int[] shown) {
        colours = shown;
        drawPixels();
    }

    void choose(Set<Id<PixelRun>> now) {
        chosen.clear();
        chosen.addAll(now);
        drawMarks();
    }

    /** Marks follow the colours of the window. */
    void setDay(boolean day) {
        marks.setDay(day);
        drawMarks();
    }

    // --- looking ---

    private void resized() {
        int width = (int) Math.max(1, Math.floor(getWidth()));
        int height = (int) Math.max(1, Math.floor(getHeight()));
        screen = new int[width * height];
        buffer = new PixelBuffer<>(width, height, IntBuffer.wrap(screen), PixelFormat.getIntArgbPreInstance());
        view.setImage(new WritableImage(buffer));
        marks.setWidth(width);
        marks.setHeight(height);
        if (fitted) {
            fit();
        } else {
            draw();
        }
    }

    /** Everything in sight. */
    void fit() {
        fitted = true;
        fit(sight.map().bounds());
    }

    /** What is chosen in sight; everything, where nothing is. */
    void fitChosen() {
        PixelLayout.@Nullable Bounds all = null;
        for (int r = 0; r < sight.map().runs().size(); r++) {
            if (chosen.contains(sight.map().runs().get(r).id())) {
                PixelLayout.Bounds each = sight.map().layout(r).bounds();
                all = all == null ? each : all.and(each);
            }
        }
        fitted = all == null;
        fit(all == null ? sight.map().bounds() : all);
    }

    private void fit(PixelLayout.Bounds all) {
        double width = Math.max(0.1, all.width());
        double height = Math.max(0.1, all.height());
        scale = Math.max(0.01, Math.min((getWidth() - 2 * EDGE) / width, (getHeight() - 2 * EDGE) / height));
        left = all.left() - (getWidth() / scale - width) / 2;
        bottom = all.bottom() - (getHeight() / scale - height) / 2;
        draw();
    }

    /** Nearer or farther, around the middle. */
    void zoom(boolean nearer) {
        zoomAt(nearer, getWidth() / 2, getHeight() / 2);
    }

    private void zoomAt(boolean nearer, double x, double y) {
        double by = nearer ? STEP : 1 / STEP;
        if (scale * by < 0.01 || scale * by > 100_000) {
            return;
        }
        left += x / scale - x / (scale * by);
        bottom += (getHeight() - y) / scale - (getHeight() - y) / (scale * by);
        scale *= by;
        fitted = false;
        draw();
    }

    private void scrolled(ScrollEvent e) {
        if (e.getDeltaY() != 0) {
            zoomAt(e.getDeltaY() > 0, e.getX(), e.getY());
        }
        e.consume();
    }

    private double toX(double metres) {
        return (metres - left) * scale;
    }

    private double toY(double metres) {
        return getHeight() - (metres - bottom) * scale;
    }

    private void draw() {
        drawPixels();
        drawMarks();
    }

    private void drawPixels() {
        PixelBuffer<IntBuffer> into = buffer;
        if (into == null) {
            return;
        }
        paint.draw(sight.map(), colours, screen, into.getWidth(), into.getHeight(), left, bottom, scale);
        into.updateBuffer(b -> (Rectangle2D) null);
    }

    private void drawMarks() {
        marks.draw(sight, chosen, new PixelMarks.Frame(left, bottom, scale));
    }

    // --- hands ---

    /** The pixel nearest to a place; −1 where none is near. */
    private int at(double x, double y) {
        double best = GRAB * GRAB;
        int found = -1;
        for (int r = 0; r < sight.map().runs().size(); r++) {
            PixelLayout layout = sight.map().layout(r);
            for (int i = 0; i < layout.count(); i++) {
                double dx = toX(layout.x(i)) - x;
                double dy = toY(layout.y(i)) - y;
                if (dx * dx + dy * dy < best) {
                    best = dx * dx + dy * dy;
                    found = sight.map().first(r) + i;
                }
            }
        }
        return found;
    }

    private Id<PixelRun> runAt(int pixel) {
        return sight.map().runs().get(sight.map().runOf(pixel)).id();
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        pressedX = e.getX();
        pressedY = e.getY();
        dragging = false;
        pressedOn = at(e.getX(), e.getY());
        if (pressedOn >= 0 && e.getButton() == MouseButton.PRIMARY && !chosen.contains(runAt(pressedOn))) {
            hands.choose(List.of(runAt(pressedOn)), e.isShortcutDown());
        } else if (pressedOn >= 0 && e.isShortcutDown()) {
            hands.choose(List.of(runAt(pressedOn)), true);
        }
        e.consume();
    }

    private void dragged(MouseEvent e) {
        dragging |= Math.hypot(e.getX() - pressedX, e.getY() - pressedY) > 4;
        if (!dragging) {
            return;
        }
        if (e.getButton() != MouseButton.PRIMARY) {
            left -= (e.getX() - pressedX) / scale;
            bottom += (e.getY() - pressedY) / scale;
            pressedX = e.getX();
            pressedY = e.getY();
            fitted = false;
            draw();
        } else if (pressedOn < 0) {
            drawMarks();
            marks.lasso(pressedX, pressedY, e.getX(), e.getY());
        } else {
            drawMarks();
            marks.moving(
                    sight, chosen, new PixelMarks.Frame(left, bottom, scale), e.getX() - pressedX, e.getY() - pressedY);
        }
    }

    private void released(MouseEvent e) {
        if (e.getButton() != MouseButton.PRIMARY) {
            return;
        }
        if (!dragging) {
            if (pressedOn < 0 && !e.isShortcutDown()) {
                hands.choose(List.of(), false);
            }
        } else if (pressedOn < 0) {
            hands.choose(within(pressedX, pressedY, e.getX(), e.getY()), e.isShortcutDown());
        } else {
            hands.move(snapped((e.getX() - pressedX) / scale), snapped((pressedY - e.getY()) / scale));
        }
        dragging = false;
        drawMarks();
    }

    /** To the centimetre, or to the decimetre where a whole view is wider than a few metres. */
    private double snapped(double metres) {
        double grid = scale > 200 ? 0.01 : 0.1;
        return Math.round(metres / grid) * grid;
    }

    /** Runs with a pixel in a rectangle. */
    private List<Id<PixelRun>> within(double x1, double y1, double x2, double y2) {
        List<Id<PixelRun>> found = new ArrayList<>();
        for (int r = 0; r < sight.map().runs().size(); r++) {
            PixelLayout layout = sight.map().layout(r);
            for (int i = 0; i < layout.count(); i++) {
                double x = toX(layout.x(i));
                double y = toY(layout.y(i));
                if (x >= Math.min(x1, x2) && x <= Math.max(x1, x2) && y >= Math.min(y1, y2) && y <= Math.max(y1, y2)) {
                    found.add(sight.map().runs().get(r).id());
                    break;
                }
            }
        }
        return found;
    }
}
