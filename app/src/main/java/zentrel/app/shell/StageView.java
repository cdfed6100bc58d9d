package zentrel.app.shell;

import javafx.scene.Node;

/** One stage: a picture of the plan for one part of the work. */
public interface StageView {
    Node node();

    /** Called when the stage comes to the front. */
    default void shown() {}
}
