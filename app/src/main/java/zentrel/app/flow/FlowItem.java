package zentrel.app.flow;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.PathElement;

/** Something of the flow that stands between two heights, and what draws it as long as it is seen. */
final class FlowItem {
    private final double top;
    private final double bottom;
    private final Consumer<FlowItem> maker;
    private final Map<Group, List<Node>> nodes = new LinkedHashMap<>();
    private final List<PathElement> ground = new ArrayList<>();
    private final List<PathElement> rule = new ArrayList<>();
    private final List<PathElement> axis = new ArrayList<>();

    /**
     * Nothing is drawn yet.
     *
     * @param maker adds what draws it; always a node or more
     */
    FlowItem(double top, double bottom, Consumer<FlowItem> maker) {
        this.top = top;
        this.bottom = bottom;
        this.maker = maker;
    }

    void add(Group layer, Node... more) {
        nodes.computeIfAbsent(layer, l -> new ArrayList<>(more.length)).addAll(List.of(more));
    }

    void make() {
        maker.accept(this);
    }

    void forget() {
        nodes.clear();
        ground.clear();
        rule.clear();
        axis.clear();
    }

    double top() {
        return top;
    }

    boolean isDrawn() {
        return !nodes.isEmpty();
    }

    boolean isSeen(double from, double to) {
        return bottom >= from && top <= to;
    }

    /** Whether the keyboard is in it, so that it has to stay. */
    boolean hasKeyboard() {
        return nodes.values().stream().flatMap(List::stream).anyMatch(Node::isFocused);
    }

    /** What draws it, by layer; empty while it is not drawn. */
    Map<Group, List<Node>> nodes() {
        return nodes;
    }

    /** Its part of the ground on which marks stand. */
    List<PathElement> ground() {
        return ground;
    }

    /** Its part of the rules under cards. */
    List<PathElement> rule() {
        return rule;
    }

    /** Its part of the lines to what is lit. */
    List<PathElement> axis() {
        return axis;
    }
}
