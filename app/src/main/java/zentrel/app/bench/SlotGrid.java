package zentrel.app.bench;

import java.util.function.IntConsumer;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * The 512 slots of a universe: as brightness, or as numbers that can be read at arm's length. What changed lately has a bright edge;
 * what differs from a held moment has another. One slot is chosen, by mouse or by the arrow keys.
 */
final class SlotGrid extends Region {
    private static final int SLOTS = 512;

    /** How long a change is shown, in looks. */
    private static final int FRESH = 40;

    /** How a slot is written. */
    interface Writing {
        String of(int level);
    }

    private final Canvas canvas = new Canvas();
    private final int columns;
    private final boolean numbers;
    private final int[] fresh = new int[SLOTS];
    private byte[] levels = new byte[SLOTS];
    private byte @Nullable [] held;
    private Writing writing = String::valueOf;
    private int chosen;
    private int markFirst;
    private int markLast;
    private IntConsumer onChosen = slot -> {};
    private boolean day;

    /**
     * An empty grid.
     *
     * @param columns slots in a row
     * @param numbers whether the levels are written
     */
    SlotGrid(int columns, boolean numbers) {
        this.columns = columns;
        this.numbers = numbers;
        getChildren().add(canvas);
        setFocusTraversable(true);
        setMinSize(120, 60);
        setOnMousePressed(e -> {
            requestFocus();
            double w = cellWidth();
            double h = getHeight() / rows();
            int row = (int) (e.getY() / h);
            int column = (int) Math.max(0, (e.getX() - gutter()) / w);
            choose(row * columns + column + 1);
        });
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        focusedProperty().addListener(o -> draw());
    }

    private void key(KeyEvent e) {
        int step = switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            case UP -> -columns;
            case DOWN -> columns;
            default -> 0;
        };
        if (step != 0) {
            choose(Math.max(1, chosen) + step);
            e.consume();
        }
    }

    /** Room for the number of a row's first slot, where levels are written. */
    private double gutter() {
        return numbers ? 34 : 0;
    }

    private double cellWidth() {
        return (getWidth() - gutter()) / columns;
    }

    private int rows() {
        return (SLOTS + columns - 1) / columns;
    }

    private void choose(int slot) {
        if (slot >= 1 && slot <= SLOTS) {
            chosen = slot;
            onChosen.accept(slot);
            draw();
        }
    }

    void onChosen(IntConsumer value) {
        onChosen = value;
    }

    /** The chosen slot; 0 where none is. */
    int chosen() {
        return chosen;
    }

    void setWriting(Writing value) {
        writing = value;
        draw();
    }

    void setDay(boolean value) {
        day = value;
        draw();
    }

    /** Marks the slots of a fixture; 0 and 0 for none. */
    void mark(int first, int last) {
        markFirst = first;
        markLast = last;
    }

    /** Holds this moment to compare with, or lets it go. */
    void hold(byte @Nullable [] value) {
        held = value == null ? null : value.clone();
        draw();
    }

    boolean isHeld() {
        return held != null;
    }

    /** How many slots differ from the held moment. */
    int different() {
        byte[] before = held;
        int count = 0;
        for (int i = 0; before != null && i < SLOTS; i++) {
            count += before[i] == levels[i] ? 0 : 1;
        }
        return count;
    }

    /** Shows levels, 512; another universe begins anew. */
    void show(byte[] value, boolean another) {
        for (int i = 0; i < SLOTS; i++) {
            fresh[i] = another ? 0 : levels[i] == value[i] ? Math.max(0, fresh[i] - 1) : FRESH;
        }
        levels = value;
        int lit = 0;
        for (byte b : value) {
            lit += b == 0 ? 0 : 1;
        }
        setAccessibleText(lit + " of 512 slots are up"
                + (chosen > 0 ? ", slot " + chosen + " at " + writing.of(levels[chosen - 1] & 0xFF) : ""));
        draw();
    }

    @Override
    protected void layoutChildren() {
        canvas.setWidth(getWidth());
        canvas.setHeight(getHeight());
        draw();
    }

    private void draw() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        double w = cellWidth();
        double h = getHeight() / rows();
        g.clearRect(0, 0, getWidth(), getHeight());
        Color ground = Color.web(day ? "#FFFDF8" : "#1B222A");
        Color ink = Color.web(day ? "#1D2730" : "#E9E4D8");
        Color soft = Color.web(day ? "#5E665F" : "#A3A79F");
        Color edge = Color.web(day ? "#A84F0C" : "#E0873E");
        Color different = Color.web(day ? "#5B45A8" : "#B9A6EC");
        g.setTextAlign(TextAlignment.CENTER);
        g.setFont(Font.font("IBM Plex Mono", Math.max(8, Math.min(13, h * 0.66))));
        byte[] before = held;
        for (int i = 0; i < SLOTS; i++) {
            double x = gutter() + i % columns * w;
            int row = i / columns;
            double y = row * h;
            int level = levels[i] & 0xFF;
            if (numbers && i % columns == 0) {
                g.setFill(soft);
                g.fillText(String.valueOf(i + 1), gutter() / 2 - 4, y + h * 0.74);
            }
            if (numbers) {
                g.setFill(ground);
                g.fillRect(x + 0.5, y + 0.5, w - 1, h - 1);
                g.setFill(ink.deriveColor(0, 1, 1, 0.28));
                g.fillRect(x + 0.5, y + 0.5, (w - 1) * level / 255, h - 1);
                g.setFill(level == 0 ? soft : ink);
                g.fillText(writing.of(level), x + w / 2, y + h * 0.74);
            } else {
                g.setFill(ground.interpolate(ink, level / 255.0));
                g.fillRect(x + 0.5, y + 0.5, w - 1, h - 1);
            }
            if (before != null && before[i] != levels[i]) {
                g.setStroke(different);
                g.strokeRect(x + 1, y + 1, w - 2, h - 2);
            } else if (fresh[i] > 0) {
                g.setStroke(edge.deriveColor(0, 1, 1, fresh[i] / (double) FRESH));
                g.strokeRect(x + 1, y + 1, w - 2, h - 2);
            }
        }
        marks(g, w, h, different);
    }

    private void marks(GraphicsContext g, double w, double h, Color colour) {
        g.setStroke(colour);
        for (int slot = Math.max(1, markFirst); slot <= markLast && slot <= SLOTS; slot++) {
            int i = slot - 1;
            int row = i / columns;
            double y = (row + 1) * h - 0.5;
            g.strokeLine(gutter() + i % columns * w, y, gutter() + (i % columns + 1) * w, y);
        }
        if (chosen > 0) {
            int i = chosen - 1;
            g.setLineWidth(isFocused() ? 2 : 1);
            int row = i / columns;
            g.strokeRect(gutter() + i % columns * w + 1, row * h + 1, w - 2, h - 2);
            g.setLineWidth(1);
        }
    }
}
