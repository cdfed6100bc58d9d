package zentrel.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Function;
import zentrel.index.Grouped;
import zentrel.index.ListChange;

/**
 * By what the entities of a kind are looked up.
 *
 * @param <K> what they refer to, by its id
 * @param <V> the entities
 */
final class Relation<K, V> {
    static final Relation<Id<Segment>, Adapter> ADAPTERS_ON = new Relation<>(
            0, Kind.HOST, Relation::adapters, a -> a.segment().map(List::of).orElse(List.of()));
    static final Relation<Id<Host>, Application> APPLICATIONS_ON = of(1, Kind.APPLICATION, a -> List.of(a.host()));
    static final Relation<Id<Universe>, Stream> STREAMS_OF = of(2, Kind.STREAM, s -> List.of(s.universe()));
    static final Relation<Id<Application>, Stream> STREAMS_FROM = of(3, Kind.STREAM, s -> List.of(s.application()));
    static final Relation<Id<Application>, Receiver> RECEIVERS_OF = of(4, Kind.RECEIVER, r -> List.of(r.application()));
    static final Relation<Id<Port>, Line> LINES_OF = of(5, Kind.LINE, l -> List.of(l.port()));
    static final Relation<Id<Line>, Fixture> FIXTURES_ON = of(6, Kind.FIXTURE, Fixture::lines);
    static final Relation<Id<Universe>, Fixture> FIXTURES_IN = of(7, Kind.FIXTURE, Fixture::universes);
    static final Relation<Id<?>, Cable> CABLES_OF = of(8, Kind.CABLE, c -> List.of(c.from(), c.to()));

    /** All of them, each at the place of its number. */
    static final List<Relation<?, ?>> ALL = List.of(
            ADAPTERS_ON,
            APPLICATIONS_ON,
            STREAMS_OF,
            STREAMS_FROM,
            RECEIVERS_OF,
            LINES_OF,
            FIXTURES_ON,
            FIXTURES_IN,
            CABLES_OF);

    /** From 0; with a key it is how a lookup is known again. */
    final int number;

    /** The kind whose table holds the entities, or what they are parts of. */
    final Kind<?> table;

    private final Function<Plan, List<V>> rows;
    private final Function<V, ? extends Collection<K>> keys;

    private Relation(
            int number, Kind<?> table, Function<Plan, List<V>> rows, Function<V, ? extends Collection<K>> keys) {
        this.number = number;
        this.table = table;
        this.rows = rows;
        this.keys = keys;
    }

    private static <K, V> Relation<K, V> of(int number, Kind<V> table, Function<V, ? extends Collection<K>> keys) {
        return new Relation<>(number, table, plan -> plan.table(table), keys);
    }

    private static List<Adapter> adapters(Plan plan) {
        List<Adapter> adapters = new ArrayList<>();
        for (Host host : plan.hosts()) {
            adapters.addAll(host.adapters());
        }
        return adapters;
    }

    Grouped<K, V> grouped(Plan plan) {
        return Grouped.of(rows.apply(plan), keys);
    }

    /** The groups after an edit; the same where it left the table alone. */
    Grouped<K, V> after(Grouped<K, V> before, Plan then, Plan now) {
        return ListChange.same(then.table(table), now.table(table))
                ? before
                : before.after(rows.apply(then), rows.apply(now), keys);
    }
}
