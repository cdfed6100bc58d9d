package zentrel.app;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import org.jspecify.annotations.Nullable;

/** The keyboard goes with the page: to its picture or list, else to its first control. */
final class PageFocus {
    private PageFocus() {}

    /** Moves the focus into a page, unless it is there already. */
    static void into(Parent page) {
        if (page.getScene() == null || holds(page, page.getScene().getFocusOwner())) {
            return;
        }
        page.applyCss(); // what scrolls has its content only once it is laid out
        page.layout();
        List<Node> all = new ArrayList<>();
        collect(page, all);
        all.stream()
                .filter(n -> !(n instanceof ButtonBase))
                .findFirst()
                .or(() -> all.stream().findFirst())
                .ifPresent(Node::requestFocus);
    }

    private static boolean holds(Parent page, @Nullable Node owner) {
        for (Node at = owner; at != null; at = at.getParent()) {
            if (at.equals(page)) {
                return true;
            }
        }
        return false;
    }

    private static void collect(Parent parent, List<Node> into) {
        for (Node child : parent.getChildrenUnmodifiable()) {
            if (!child.isVisible() || child.isDisabled()) {
                continue;
            }
            if (child.isFocusTraversable()) {
                into.add(child);
            } else if (child instanceof Parent inner) {
                collect(inner, into);
            }
        }
    }
}
