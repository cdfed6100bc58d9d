package zentrel.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.check.RandomPlans;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Setting;

/**
 * Whether an edit left the load alone is said by hand, for to work it out again costs more than all else after an edit. So every field
 * of every entity is changed here: where the load is said to be the same, it is.
 */
class SameLoadPropertyTest {
    private int said;
    private int differed;

    @Test
    void whatIsSaidToLeaveTheLoadAloneDoes() throws ReflectiveOperationException {
        for (Plan plan : List.of(TestPlans.pier(), RandomPlans.rig(3), RandomPlans.rig(8))) {
            for (Id<?> id : plan.index().ids()) {
                each(plan, id);
            }
        }
        assertThat(said).as("edits that left it alone").isGreaterThan(500);
        assertThat(differed).as("edits that did not").isGreaterThan(100);
    }

    private <E> void each(Plan plan, Id<E> id) throws ReflectiveOperationException {
        E entity = plan.index().get(id);
        for (Object other : others(entity)) {
            if (!id.kind().idOf(id.kind().type().cast(other)).equals(id)) {
                continue;
            }
            Plan now = plan.with(id, e -> id.kind().type().cast(other));
            if (!SameLoad.of(plan, now)) {
                differed++;
                continue;
            }
            assertThat(numbers(Load.of(now)))
                    .as("%s %s: %s instead of %s", id.kind(), id, other, entity)
                    .isEqualTo(numbers(Load.of(plan)));
            said++;
        }
    }

    /** All that a load says, but for what its streams and adapters are otherwise. */
    private static String numbers(Load load) {
        StringBuilder all = new StringBuilder();
        load.sent()
                .forEach(s -> all.append(s.stream().id())
                        .append(s.by().map(a -> a.id() + " " + a.segment()).orElse("-"))
                        .append(s.taking())
                        .append(s.stream().ratePerSecond())
                        .append(s.stream().delivery()));
        return all + " " + load.links() + load.air() + load.groups();
    }

    /** The record with one of its components changed, in each way that it takes. */
    private static List<Object> others(Object record) throws ReflectiveOperationException {
        RecordComponent[] components = record.getClass().getRecordComponents();
        Class<?>[] types = new Class<?>[components.length];
        Object[] values = new Object[components.length];
        for (int i = 0; i < components.length; i++) {
            types[i] = components[i].getType();
            values[i] = components[i].getAccessor().invoke(record);
        }
        Constructor<?> make = record.getClass().getDeclaredConstructor(types);
        List<Object> others = new ArrayList<>();
        for (int i = 0; i < components.length; i++) {
            for (Object value : changed(values[i])) {
                Object[] next = values.clone();
                next[i] = value;
                try {
                    others.add(make.newInstance(next));
                } catch (InvocationTargetException e) {
                    // it refuses that value, so no plan has it
                    assertThat(e.getCause()).isInstanceOf(IllegalArgumentException.class);
                }
            }
        }
        return others;
    }

    /** Other values than one, of its type. */
    private static List<Object> changed(Object value) throws ReflectiveOperationException {
        List<Object> others = new ArrayList<>();
        if (value instanceof Boolean b) {
            others.add(!b);
        } else if (value instanceof Integer n) {
            others.add(n + 1);
        } else if (value instanceof Double d) {
            others.add(d + 1);
        } else if (value instanceof String s) {
            others.add(s + "x");
        } else if (value instanceof Enum<?> e) {
            for (Object constant : e.getDeclaringClass().getEnumConstants()) {
                if (!constant.equals(value)) {
                    others.add(constant);
                }
            }
        } else if (value instanceof Optional<?> o) {
            if (o.isPresent()) {
                others.add(Optional.empty());
                for (Object inner : changed(o.get())) {
                    others.add(Optional.of(inner));
                }
            }
        } else if (value instanceof Setting<?> s) {
            for (Object inner : changed(s.inForce())) {
                others.add(Setting.of(inner));
            }
        } else if (value instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                List<Object> without = new ArrayList<>(list);
                without.remove(i);
                others.add(without);
                for (Object inner : changed(list.get(i))) {
                    List<Object> with = new ArrayList<>(list);
                    with.set(i, inner);
                    others.add(with);
                }
            }
        } else if (value instanceof Map<?, ?> map) {
            for (Object key : map.keySet()) {
                Map<Object, Object> without = new java.util.HashMap<>(map);
                Object old = without.remove(key);
                others.add(without);
                for (Object inner : changed(old)) {
                    Map<Object, Object> with = new java.util.HashMap<>(map);
                    with.put(key, inner);
                    others.add(with);
                }
            }
        } else if (value instanceof Record
                && !(value instanceof Id<?>)
                && value.getClass().getPackage().equals(Kind.class.getPackage())) {
            others.addAll(others(value));
        }
        return others;
    }
}
