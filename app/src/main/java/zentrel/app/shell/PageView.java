package zentrel.app.shell;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import zentrel.path.SignalPath;

/** One page: a picture of the plan for one part of the work. */
public interface PageView {
    Node node();

    /** Paths of what is selected, the worst first, in the order in which this page asks for them. */
    default List<SignalPath> order(List<SignalPath> worstFirst) {
        return worstFirst;
    }

    /** Called when the page comes to the front. */
    default void shown() {}

    /** Called when another page takes its place. */
    default void hidden() {}

    /** Called once, when the window closes: ends whatever the page runs. */
    default void dispose() {}

    /** A key that nothing that has the keyboard wanted, while this page is in front. */
    default void unusedKey(KeyEvent event) {}
}
