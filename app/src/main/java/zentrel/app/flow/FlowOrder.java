package zentrel.app.flow;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.elk.alg.layered.options.LayerConstraint;
import org.eclipse.elk.alg.layered.options.LayeredMetaDataProvider;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.data.LayoutMetaDataService;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.plan.Id;

/**
 * In which order senders, segments and takers stand, so that ribbons cross little: by the layered layout of a general
 * library. It takes its time and belongs off the JavaFX thread. An order that was shown stays unless another has fewer
 * crossings, so that the picture does not move for nothing.
 */
public final class FlowOrder {
    private static final double CARD = 40;

    private FlowOrder() {}

    /** The model with everything in an order in which its ribbons cross no more often than before. */
    public static FlowModel arranged(FlowModel m) {
        if (m.takers().size() + m.senders().size() < 3) {
            return m;
        }
        FlowModel laid = laid(m);
        return crossings(laid) < crossings(m) ? laid : m;
    }

    /** The model in the order of another that was shown, as far as that has the same boxes; what is new comes last. */
    public static FlowModel like(FlowModel m, FlowModel shown) {
        Map<Id<?>, Integer> places = new HashMap<>();
        shown.senders().forEach(s -> places.putIfAbsent(s.id(), places.size()));
        shown.carriers().forEach(c -> places.putIfAbsent(c.id(), places.size()));
        shown.takers().forEach(t -> places.putIfAbsent(t.id(), places.size()));
        return ordered(m, id -> places.getOrDefault(id, Integer.MAX_VALUE));
    }

    private interface Place {
        double of(Id<?> id);
    }

    private static FlowModel ordered(FlowModel m, Place place) {
        List<FlowModel.Carrier> carriers = new ArrayList<>(m.carriers());
        carriers.sort(Comparator.comparingDouble(c -> place.of(c.id())));
        Map<Id<?>, Integer> first = new HashMap<>();
        List<Id<?>> ids = carriers.stream().map(FlowModel.Carrier::id).toList();
        m.in().forEach(b -> first.merge(b.end(), ids.indexOf(b.carrier()), Math::min));
        List<FlowModel.Sender> senders = new ArrayList<>(m.senders());
        senders.sort(Comparator.comparingDouble(s -> place.of(s.id())));
        List<FlowModel.Taker> takers = new ArrayList<>(m.takers());
        takers.sort(Comparator.comparing((FlowModel.Taker t) -> first.getOrDefault(t.id(), 0))
                .thenComparingDouble(t -> place.of(t.id())));
        return new FlowModel(senders, carriers, takers, m.out(), m.in(), m.summary());
    }

    private static FlowModel laid(FlowModel m) {
        LayoutMetaDataService.getInstance().registerLayoutMetaDataProviders(new LayeredMetaDataProvider());
        ElkNode graph = ElkGraphUtil.createGraph();
        graph.setProperty(CoreOptions.ALGORITHM, "org.eclipse.elk.layered");
        graph.setProperty(CoreOptions.DIRECTION, Direction.RIGHT);
        graph.setProperty(CoreOptions.RANDOM_SEED, 1); // the same plan gives the same picture
        Map<Id<?>, ElkNode> left = new LinkedHashMap<>();
        Map<Id<?>, ElkNode> middle = new LinkedHashMap<>();
        Map<Id<?>, ElkNode> right = new LinkedHashMap<>();
        m.senders().forEach(s -> left.put(s.id(), node(graph, LayerConstraint.FIRST)));
        m.carriers().forEach(c -> middle.put(c.id(), node(graph, LayerConstraint.NONE)));
        m.takers().forEach(t -> right.put(t.id(), node(graph, LayerConstraint.LAST)));
        for (Bundle b : m.out()) {
            edge(left.get(b.end()), middle.get(b.carrier()));
        }
        for (Bundle b : m.in()) {
            edge(middle.get(b.carrier()), right.get(b.end()));
        }
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
        Map<Id<?>, Double> places = new HashMap<>();
        for (Map<Id<?>, ElkNode> side : List.of(left, middle, right)) {
            side.forEach((id, node) -> places.putIfAbsent(id, node.getY()));
        }
        return ordered(m, id -> places.getOrDefault(id, 0.0));
    }

    private static ElkNode node(ElkNode graph, LayerConstraint layer) {
        ElkNode node = ElkGraphUtil.createNode(graph);
        node.setDimensions(CARD, CARD);
        node.setProperty(LayeredOptions.LAYERING_LAYER_CONSTRAINT, layer);
        return node;
    }

    private static void edge(
            @org.jspecify.annotations.Nullable ElkNode from, @org.jspecify.annotations.Nullable ElkNode to) {
        if (from != null && to != null) {
            ElkGraphUtil.createSimpleEdge(from, to);
        }
    }

    /** How often two ribbons cross, left and right of the segments. */
    static long crossings(FlowModel m) {
        List<Id<?>> carriers = m.carriers().stream().map(FlowModel.Carrier::id).toList();
        return crossings(m.out(), m.senders().stream().map(FlowModel.Sender::id).toList(), carriers)
                + crossings(m.in(), m.takers().stream().map(FlowModel.Taker::id).toList(), carriers);
    }

    private static long crossings(List<Bundle> bundles, List<Id<?>> ends, List<Id<?>> carriers) {
        Map<Id<?>, Integer> end = new HashMap<>();
        ends.forEach(id -> end.put(id, end.size()));
        List<int[]> lines = new ArrayList<>();
        for (Bundle b : bundles) {
            int carrier = carriers.indexOf(b.carrier());
            Integer at = end.get(b.end());
            if (carrier >= 0 && at != null) {
                lines.add(new int[] {carrier, at});
            }
        }
        long crossed = 0;
        for (int i = 0; i < lines.size(); i++) {
            for (int j = i + 1; j < lines.size(); j++) {
                int[] a = lines.get(i);
                int[] b = lines.get(j);
                crossed += (long) Integer.signum(a[0] - b[0]) * Integer.signum(a[1] - b[1]) < 0 ? 1 : 0;
            }
        }
        return crossed;
    }
}
