package zentrel.app.look;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/**
 * Columns that fit the room there is: with more they widen by their weight, with less they shrink to their least, and where that does
 * not do the least important fold away.
 */
public final class Columns {
    /**
     * One column.
     *
     * @param least the narrowest that is still of use, in pixels
     * @param usual how wide it is where there is enough room
     * @param weight its part of what is left over; 0 for a column that never widens
     * @param folds the order in which columns fold away, from 1; 0 for one that never does
     */
    public record Column(String title, double least, double usual, int weight, int folds) {}

    private final List<Column> columns;
    private final HBox head = new HBox();
    private double[] widths;

    public Columns(List<Column> columns) {
        this.columns = List.copyOf(columns);
        widths = columns.stream().mapToDouble(Column::usual).toArray();
        columns.forEach(c -> head.getChildren().add(Texts.heading(c.title())));
        dress();
    }

    /** The row of titles. */
    public HBox head() {
        return head;
    }

    /** The width of a column now; 0 where it is folded away. */
    public double width(int column) {
        return widths[column];
    }

    /**
     * Fits them into a width.
     *
     * @return whether any has another width than before
     */
    public boolean fit(double room) {
        double[] next = fitted(room);
        boolean differs = !java.util.Arrays.equals(widths, next);
        widths = next;
        if (differs) {
            dress();
        }
        return differs;
    }

    private double[] fitted(double room) {
        List<Integer> shown = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            shown.add(i);
        }
        int fold = 1;
        int last = columns.stream().mapToInt(Column::folds).max().orElse(0);
        while (sum(shown, true) > room && fold <= last) {
            int now = fold;
            shown.removeIf(i -> columns.get(i).folds() == now);
            fold++;
        }
        double usual = sum(shown, false);
        double least = sum(shown, true);
        double part = usual <= room || usual == least ? 1 : Math.max(0, (room - least) / (usual - least));
        int weights = shown.stream().mapToInt(i -> columns.get(i).weight()).sum();
        double more = weights == 0 ? 0 : Math.max(0, room - usual) / weights;
        double[] widths = new double[columns.size()];
        for (int i : shown) {
            Column c = columns.get(i);
            widths[i] = Math.floor(c.least() + (c.usual() - c.least()) * part + more * c.weight());
        }
        return widths;
    }

    private double sum(List<Integer> shown, boolean least) {
        return shown.stream()
                .map(columns::get)
                .mapToDouble(c -> least ? c.least() : c.usual())
                .sum();
    }

    private void dress() {
        for (int i = 0; i < widths.length; i++) {
            Label title = (Label) head.getChildren().get(i);
            title.setVisible(widths[i] > 0);
            title.setManaged(widths[i] > 0);
            title.setMinWidth(widths[i]);
            title.setPrefWidth(widths[i]);
            title.setMaxWidth(widths[i]);
        }
    }
}
