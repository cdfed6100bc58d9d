package zentrel.app.shell;

import javafx.scene.Node;
import javafx.scene.input.KeyEvent;

/** One stage: a picture of the plan for one part of the work. */
public interface StageView {
    Node node();

    /** Called when the stage comes to the front. */
    default void shown() {}

    /** A key that nothing that has the keyboard wanted, while this stage is in front. */
    default void unusedKey(KeyEvent event) {}
}
