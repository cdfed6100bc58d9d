package zentrel.app.flow;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.KeyCode;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.plan.Id;

/** Which card an arrow key leads to: up and down among those on one side, left and right to who feeds it or is fed by it. */
final class FlowNeighbours {
    private final FlowModel m;
    private final List<Id<?>> senders;
    private final List<Id<?>> takers;

    FlowNeighbours(FlowModel m) {
        this.m = m;
        this.senders = m.senders().stream().<Id<?>>map(FlowModel.Sender::id).toList();
        this.takers = m.takers().stream().<Id<?>>map(FlowModel.Taker::id).toList();
    }

    /** The card that a key leads to; empty where there is none. */
    Optional<Id<?>> next(Id<?> from, KeyCode way) {
        List<Id<?>> side = senders.contains(from) ? senders : takers;
        return switch (way) {
            case UP -> neighbour(side, from, -1);
            case DOWN -> neighbour(side, from, 1);
            case RIGHT -> across(m.out(), from, m.in(), takers);
            case LEFT -> across(m.in(), from, m.out(), senders);
            default -> Optional.empty();
        };
    }

    /** How far down its side a card is about, from 0 to 1. */
    double share(Id<?> card) {
        List<Id<?>> side = takers.contains(card) ? takers : senders;
        return (double) Math.max(0, side.indexOf(card)) / Math.max(1, side.size());
    }

    private static Optional<Id<?>> neighbour(List<Id<?>> side, Id<?> from, int by) {
        int at = side.indexOf(from) + by;
        return at < 0 || at >= side.size() ? Optional.empty() : Optional.of(side.get(at));
    }

    /** The first on the other side that has a universe in common on the same segment. */
    private static Optional<Id<?>> across(List<Bundle> mine, Id<?> from, List<Bundle> theirs, List<Id<?>> side) {
        Map<Id<?>, Set<Id<?>>> own = new HashMap<>();
        mine.stream()
                .filter(b -> b.end().equals(from))
                .forEach(b ->
                        own.computeIfAbsent(b.carrier(), c -> new HashSet<>()).addAll(b.signals()));
        Set<Id<?>> met = new HashSet<>();
        for (Bundle t : theirs) {
            Set<Id<?>> signals = own.getOrDefault(t.carrier(), Set.of());
            if (t.signals().stream().anyMatch(signals::contains)) {
                met.add(t.end());
            }
        }
        return side.stream().filter(met::contains).findFirst();
    }
}
