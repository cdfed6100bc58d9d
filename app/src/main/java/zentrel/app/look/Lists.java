package zentrel.app.look;

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
}
