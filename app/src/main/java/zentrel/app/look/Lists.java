package zentrel.app.look;

import javafx.application.Platform;
import javafx.scene.control.ListView;
import javafx.scene.control.skin.VirtualFlow;

/** Lists that keep still. */
public final class Lists {
    private Lists() {}

    /** Scrolls to a row unless it is seen already, so that nothing moves away under the pointer. */
    public static void reveal(ListView<?> list, int row) {
        boolean seen = list.lookup(".virtual-flow") instanceof VirtualFlow<?> flow
                && flow.getFirstVisibleCell() != null
                && flow.getLastVisibleCell() != null
                && row >= flow.getFirstVisibleCell().getIndex()
                && row <= flow.getLastVisibleCell().getIndex();
        if (!seen) {
            list.scrollTo(row);
        }
    }

    /** Keeps the chosen row in sight when the list gets less room, as when the path strip unfolds below it. */
    public static void keepInSight(ListView<?> list) {
        list.heightProperty().addListener((o, before, now) -> {
            int row = list.getSelectionModel().getSelectedIndex();
            if (now.doubleValue() < before.doubleValue() && row >= 0) {
                Platform.runLater(() -> {
                    list.layout(); // what is seen is known only of the new height
                    reveal(list, row);
                });
            }
        });
    }
}
