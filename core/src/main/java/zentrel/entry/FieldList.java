package zentrel.entry;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import zentrel.plan.Kind;
import zentrel.plan.Setting;

/**
 * The fields of a kind while they are listed.
 *
 * @param <E> the entity
 */
final class FieldList<E> {
    private final Kind<E> kind;
    private final List<Field<E>> fields = new ArrayList<>();
    private String group = "";

    FieldList(Kind<E> kind) {
        this.kind = kind;
    }

    /** What follows stands under a heading. */
    FieldList<E> group(String heading) {
        group = heading;
        return this;
    }

    /** A value. */
    <V> FieldList<E> value(
            String key, String title, String covers, Format<V> format, Function<E, V> get, BiFunction<E, V, E> with) {
        return any(
                key,
                title,
                covers,
                format,
                (plan, e) -> new Field.Shown(format.shown(plan, get.apply(e)), Optional.empty()),
                (plan, e, text) -> {
                    V value = format.read(plan, text);
                    return plan.with(kind.idOf(e), x -> with.apply(x, value));
                });
    }

    /** A value or none. */
    <V> FieldList<E> optional(
            String key,
            String title,
            String covers,
            Format<V> format,
            Function<E, Optional<V>> get,
            BiFunction<E, Optional<V>, E> with) {
        return value(key, title, covers, Formats.optional(format), get, with);
    }

    /** A value that is planned, entered and in force. */
    <V> FieldList<E> setting(
            String key,
            String title,
            String covers,
            Format<V> format,
            Function<E, Setting<V>> get,
            BiFunction<E, Setting<V>, E> with) {
        return any(key, title, covers, format, (plan, e) -> shown(format, plan, get.apply(e)), (plan, e, text) -> {
            Setting<V> value = Setting.of(format.read(plan, text));
            return plan.with(kind.idOf(e), x -> with.apply(x, value));
        });
    }

    /** A value that is planned, entered and in force, or none. */
    <V> FieldList<E> optionalSetting(
            String key,
            String title,
            String covers,
            Format<V> format,
            Function<E, Optional<Setting<V>>> get,
            BiFunction<E, Optional<Setting<V>>, E> with) {
        Format<Optional<V>> orNone = Formats.optional(format);
        return any(
                key,
                title,
                covers,
                orNone,
                (plan, e) -> get.apply(e)
                        .map(s -> shown(format, plan, s))
                        .orElseGet(() -> new Field.Shown(orNone.shown(plan, Optional.empty()), Optional.empty())),
                (plan, e, text) -> {
                    Optional<Setting<V>> value = orNone.read(plan, text).map(Setting::of);
                    return plan.with(kind.idOf(e), x -> with.apply(x, value));
                });
    }

    private static <V> Field.Shown shown(Format<V> format, zentrel.plan.Plan plan, Setting<V> setting) {
        return new Field.Shown(
                format.shown(plan, setting.inForce()),
                setting.isPending() ? Optional.of(format.shown(plan, setting.planned())) : Optional.empty());
    }

    /** A field that reads and writes in a way of its own. */
    FieldList<E> any(
            String key,
            String title,
            String covers,
            Format<?> format,
            Field.Reading<E> reading,
            Field.Writing<E> writing) {
        fields.add(new Field<>(kind, key, group, title, covers, format, reading, writing));
        return this;
    }

    List<Field<E>> all() {
        return List.copyOf(fields);
    }
}
