package zentrel.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.index.Grouped;
import zentrel.index.Layered;
import zentrel.index.ListChange;

/** Which universes each port is meant for, and the reverse: as the port says, else those of the fixtures on its line. */
final class PortsMeant {
    private final Layered<Id<Port>, Set<Id<Universe>>> universes;
    private final Grouped<Id<Universe>, Port> ports;

    private PortsMeant(Layered<Id<Port>, Set<Id<Universe>>> universes, Grouped<Id<Universe>, Port> ports) {
        this.universes = universes;
        this.ports = ports;
    }

    static PortsMeant of(Plan plan, Grouped<Id<Port>, Line> lines, Grouped<Id<Line>, Fixture> fixtures) {
        List<Port> all = all(plan);
        Map<Id<Port>, Set<Id<Universe>>> universes = new HashMap<>(2 * all.size());
        all.forEach(p -> universes.put(p.id(), meant(p, lines, fixtures)));
        return new PortsMeant(Layered.of(universes), Grouped.of(all, p -> universes.getOrDefault(p.id(), Set.of())));
    }

    /**
     * What holds after an edit; only what it may have changed is asked again.
     *
     * @param then the plan that this one was made of
     * @param find what the plan has now by this id
     */
    PortsMeant after(
            Plan then,
            Plan now,
            Grouped<Id<Port>, Line> lines,
            Grouped<Id<Line>, Fixture> fixtures,
            Function<Id<?>, @Nullable Object> find) {
        ListChange<Receiver> receivers = ListChange.of(then.receivers(), now.receivers());
        ListChange<Line> hung = ListChange.of(then.lines(), now.lines());
        ListChange<Fixture> lit = ListChange.of(then.fixtures(), now.fixtures());
        if (receivers.isNone() && hung.isNone() && lit.isNone()) {
            return this;
        }
        Map<Id<Port>, Optional<Set<Id<Universe>>>> changes = new HashMap<>();
        receivers.gone().forEach(r -> r.ports().forEach(p -> changes.put(p.id(), Optional.empty())));
        receivers
                .come()
                .forEach(r -> r.ports().forEach(p -> changes.put(p.id(), Optional.of(meant(p, lines, fixtures)))));
        Set<Id<Port>> at = new HashSet<>();
        hung.all().forEach(l -> at.add(l.port()));
        lit.all()
                .forEach(f ->
                        f.lines().stream().map(find).filter(Objects::nonNull).forEach(l -> at.add(((Line) l).port())));
        Set<Id<Universe>> others = new HashSet<>();
        for (Id<Port> id : at) {
            Object port = find.apply(id);
            if (port != null && !changes.containsKey(id)) {
                Set<Id<Universe>> was = universesOf(id);
                Set<Id<Universe>> is = meant((Port) port, lines, fixtures);
                if (!was.equals(is)) {
                    others.addAll(was);
                    others.addAll(is);
                    changes.put(id, Optional.of(is));
                }
            }
        }
        if (receivers.isNone() && others.isEmpty()) {
            return this;
        }
        Layered<Id<Port>, Set<Id<Universe>>> next = universes.with(changes);
        return new PortsMeant(
                next,
                ports.after(
                        all(then),
                        all(now),
                        p -> universesOf(p.id()),
                        p -> next.getOrDefault(p.id(), Set.of()),
                        others));
    }

    private static List<Port> all(Plan plan) {
        List<Port> ports = new ArrayList<>();
        plan.receivers().forEach(r -> ports.addAll(r.ports()));
        return ports;
    }

    private static Set<Id<Universe>> meant(
            Port port, Grouped<Id<Port>, Line> lines, Grouped<Id<Line>, Fixture> fixtures) {
        if (port.universe().isPresent()) {
            return Set.of(port.universe().get());
        }
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        for (Line line : lines.get(port.id())) {
            fixtures.get(line.id()).forEach(f -> universes.addAll(f.universesOn(line.id())));
        }
        return universes;
    }

    /** Gives what is meant otherwise than before an edit; whether that is known. */
    boolean changed(PortsMeant before, Consumer<Id<Universe>> toUniverse, Consumer<Id<Port>> toPort) {
        return ports.changed(before.ports, toUniverse) && universes.changed(before.universes, toPort);
    }

    List<Port> of(Id<Universe> id) {
        return ports.get(id);
    }

    Set<Id<Universe>> universesOf(Id<Port> id) {
        return universes.getOrDefault(id, Set.of());
    }
}
