package zentrel.app.look;

import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/** A few words that appear when the mouse rests on something. Made when first needed: a tooltip is a window of its own. */
public final class Hint {
    private Hint() {}

    /** Lets {@code words} be shown beside {@code node}. */
    public static void on(Node node, Supplier<String> words) {
        node.addEventHandler(MouseEvent.MOUSE_ENTERED, new javafx.event.EventHandler<>() {
            @Override
            public void handle(MouseEvent e) {
                node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
                Tooltip tip = new Tooltip(words.get());
                Tooltip.install(node, tip);
                node.fireEvent(e.copyFor(node, node)); // the tooltip starts its wait on this very entry
            }
        });
    }
}
