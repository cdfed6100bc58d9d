package zentrel.app.shell;

import java.util.Set;
import javafx.scene.Node;

/** One stage: a picture of the plan for one part of the work. */
public interface StageView {
    /** Its name on the rail. */
    String title();

    Node node();

    /** The beginnings of the rule ids whose findings are unsettled work of this stage. */
    Set<String> concerns();

    /** Called when the stage comes to the front. */
    default void shown() {}
}
