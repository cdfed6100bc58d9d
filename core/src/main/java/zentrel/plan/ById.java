package zentrel.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.index.Layered;
import zentrel.index.ListChange;

/** Every entity of a plan by its id, and what each part is a part of. Immutable. */
final class ById {
    private final Layered<Id<?>, Object> entities;
    private final Layered<Id<?>, Object> owners;

    private ById(Layered<Id<?>, Object> entities, Layered<Id<?>, Object> owners) {
        this.entities = entities;
        this.owners = owners;
    }

    static ById of(Plan plan) {
        // made large enough at once and no larger: it grows to hundreds of thousands, and what is spread out is slow to
        // reach
        int size = 0;
        for (Kind<?> kind : Kind.TABLES) {
            size += size(plan, kind);
        }
        Map<Id<?>, Object> entities = new HashMap<>(size * 4 / 3 + 1);
        Map<Id<?>, Object> owners = new HashMap<>();
        for (Kind<?> kind : Kind.TABLES) {
            each(plan.table(kind), entities::put, owners::put);
        }
        return new ById(Layered.of(entities), Layered.of(owners));
    }

    /** What holds after an edit of {@code then}, of which this was made. */
    ById after(Plan then, Plan now) {
        Map<Id<?>, Optional<Object>> changed = new HashMap<>();
        Map<Id<?>, Optional<Object>> owned = new HashMap<>();
        // all that is gone first, for what was moved to another owner or table has come with it
        for (Kind<?> kind : Kind.TABLES) {
            each(kind, then, now, true, changed, owned);
        }
        for (Kind<?> kind : Kind.TABLES) {
            each(kind, then, now, false, changed, owned);
        }
        return new ById(entities.with(changed), owners.with(owned));
    }

    private static <E> void each(
            Kind<E> kind,
            Plan then,
            Plan now,
            boolean gone,
            Map<Id<?>, Optional<Object>> changed,
            Map<Id<?>, Optional<Object>> owned) {
        ListChange<E> change = ListChange.of(then.table(kind), now.table(kind));
        each(
                kind,
                gone ? change.gone() : change.come(),
                (id, e) -> changed.put(id, gone ? Optional.empty() : Optional.of(e)),
                (id, owner) -> owned.put(id, gone ? Optional.empty() : Optional.of(owner)));
    }

    private static <E> int size(Plan plan, Kind<E> kind) {
        List<E> rows = plan.table(kind);
        int size = rows.size();
        for (Kind.Parts<E, ?> parts : kind.parts()) {
            for (E row : rows) {
                size += parts.of().apply(row).size();
            }
        }
        return size;
    }

    private static <E> void each(Table<E> table, BiConsumer<Id<?>, Object> entities, BiConsumer<Id<?>, Object> owners) {
        each(table.kind(), table, entities, owners);
    }

    private static <E> void each(
            Kind<E> kind, List<E> rows, BiConsumer<Id<?>, Object> entities, BiConsumer<Id<?>, Object> owners) {
        for (E row : rows) {
            entities.accept(kind.idOf(row), row);
            for (Kind.Parts<E, ?> parts : kind.parts()) {
                parts(parts, row, entities, owners);
            }
        }
    }

    private static <O, E> void parts(
            Kind.Parts<O, E> parts, O owner, BiConsumer<Id<?>, Object> entities, BiConsumer<Id<?>, Object> owners) {
        for (E part : parts.of().apply(owner)) {
            Id<E> id = parts.part().idOf(part);
            entities.accept(id, part);
            owners.accept(id, owner);
        }
    }

    @Nullable Object get(Id<?> id) {
        return entities.get(id);
    }

    /** What has this part; null where nothing has. */
    @Nullable Object ownerOf(Id<?> part) {
        return owners.get(part);
    }

    /** Gives the id of every entity that is another than before an edit; whether they are known. */
    boolean changed(ById before, Consumer<? super Id<?>> to) {
        return entities.changed(before.entities, to);
    }

    Set<Id<?>> ids() {
        return entities.keys();
    }
}
