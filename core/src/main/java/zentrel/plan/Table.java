package zentrel.plan;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.List;
import java.util.RandomAccess;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * All entities of one kind in a plan, in the order in which people entered them. Immutable.
 *
 * @param <E> the entity's record
 */
public final class Table<E> extends AbstractList<E> implements RandomAccess {
    private final Kind<E> kind;
    private final List<E> rows;

    private Table(Kind<E> kind, List<E> rows) {
        this.kind = kind;
        this.rows = rows;
    }

    /** A table of these; the very same one where it is one already. */
    static <E> Table<E> of(Kind<E> kind, List<E> rows) {
        return rows instanceof Table<E> table ? table : new Table<>(kind, List.copyOf(rows));
    }

    public Kind<E> kind() {
        return kind;
    }

    @Override
    public E get(int index) {
        return rows.get(index);
    }

    @Override
    public int size() {
        return rows.size();
    }

    /**
     * This table with one entity changed.
     *
     * @param known the entity, where it was looked up already: to ask each of a hundred thousand for its id takes long
     */
    @SuppressWarnings("ReferenceEquality")
    Table<E> changed(Id<E> id, @Nullable E known, UnaryOperator<E> change) {
        List<E> next = new ArrayList<>(rows);
        next.replaceAll(row -> known == null
                ? kind.idOf(row).equals(id) ? change.apply(row) : row
                : row == known ? change.apply(row) : row);
        return of(kind, next);
    }

    /** Equal to any list of the same entities. */
    @Override
    public boolean equals(@Nullable Object o) {
        return this == o || (o instanceof Table<?> t ? rows == t.rows || rows.equals(t.rows) : rows.equals(o));
    }

    @Override
    public int hashCode() {
        return rows.hashCode();
    }
}
