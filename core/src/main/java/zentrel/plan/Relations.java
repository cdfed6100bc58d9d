package zentrel.plan;

import java.util.List;
import java.util.function.Function;
import zentrel.index.Grouped;

/** The entities of a plan by what they refer to. Immutable. */
final class Relations {
    private final Grouped<?, ?>[] groups = new Grouped<?, ?>[Relation.ALL.size()];

    private Relations(Function<Relation<?, ?>, Grouped<?, ?>> grouping) {
        for (Relation<?, ?> relation : Relation.ALL) {
            groups[relation.number] = grouping.apply(relation);
        }
    }

    static Relations of(Plan plan) {
        return new Relations(relation -> relation.grouped(plan));
    }

    /** What holds after an edit of {@code then}, of which this was made. */
    Relations after(Plan then, Plan now) {
        return new Relations(relation -> after(relation, then, now));
    }

    private <K, V> Grouped<K, V> after(Relation<K, V> relation, Plan then, Plan now) {
        return relation.after(groups(relation), then, now);
    }

    @SuppressWarnings("unchecked")
    <K, V> Grouped<K, V> groups(Relation<K, V> relation) {
        return (Grouped<K, V>) groups[relation.number];
    }

    <K, V> List<V> get(Relation<K, V> relation, K key) {
        Reads.note(relation.number, key, relation.table);
        return groups(relation).get(key);
    }

    /** Marks every group that is another than before an edit; whether that is known. */
    boolean mark(Relations before, Reads.Marks marks) {
        return Relation.ALL.stream().allMatch(relation -> mark(relation, before, marks));
    }

    private <K, V> boolean mark(Relation<K, V> relation, Relations before, Reads.Marks marks) {
        return groups(relation).changed(before.groups(relation), key -> marks.add(Reads.hash(relation.number, key)));
    }
}
