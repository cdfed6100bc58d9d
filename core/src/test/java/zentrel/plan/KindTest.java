package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.check.RandomPlans;
import zentrel.demo.FernlightTrail;
import zentrel.gear.PlanRemoval;

/** What is said of each kind of entity is whole: no reference is forgotten, and nothing is left hanging by a removal. */
class KindTest {
    private static final List<Plan> PLANS =
            List.of(FernlightTrail.draft(), TestPlans.pier(), RandomPlans.rig(3), RandomPlans.rig(8));

    @Test
    void everyIdInARecordIsAReference() throws ReflectiveOperationException {
        Set<Kind<?>> met = new LinkedHashSet<>();
        for (Plan plan : PLANS) {
            for (Id<?> id : plan.index().ids()) {
                everyId(plan, id);
                met.add(id.kind());
            }
        }
        assertThat(met).containsAll(Kind.ALL);
    }

    private static <E> void everyId(Plan plan, Id<E> id) throws ReflectiveOperationException {
        E entity = plan.index().get(id);
        Set<Id<?>> told = new LinkedHashSet<>();
        id.kind().allReferences(entity, told::add);
        Set<Id<?>> held = new LinkedHashSet<>();
        collect(entity, held);
        held.remove(id);
        id.kind().parts().forEach(parts -> own(parts, entity, held));
        assertThat(told).as("references of %s %s", id.kind(), id).isEqualTo(held);
    }

    private static <O, E> void own(Kind.Parts<O, E> parts, O owner, Set<Id<?>> held) {
        parts.of().apply(owner).forEach(p -> held.remove(parts.part().idOf(p)));
    }

    /** Every id that a record holds, wherever in it. */
    private static void collect(Object value, Set<Id<?>> ids) throws ReflectiveOperationException {
        if (value instanceof Id<?> id) {
            ids.add(id);
        } else if (value instanceof Optional<?> o) {
            if (o.isPresent()) {
                collect(o.get(), ids);
            }
        } else if (value instanceof Collection<?> c) {
            for (Object each : c) {
                collect(each, ids);
            }
        } else if (value instanceof Map<?, ?> m) {
            collect(m.keySet(), ids);
            collect(m.values(), ids);
        } else if (value instanceof Record && value.getClass().getPackage().equals(Plan.class.getPackage())) {
            for (RecordComponent c : value.getClass().getRecordComponents()) {
                collect(c.getAccessor().invoke(value), ids);
            }
        }
    }

    @Test
    void nothingRefersToWhatWasRemoved() {
        for (Plan plan : PLANS) {
            for (Id<?> id : plan.index().ids()) {
                Plan rest = PlanRemoval.of(plan, List.of(id)).edit().applyTo(plan);
                assertThat(rest.index().find(id)).as("%s is gone", id).isEmpty();
                for (Id<?> left : rest.index().ids()) {
                    whole(rest, left, "removing " + id.kind() + " " + id);
                }
            }
        }
    }

    private static <E> void whole(Plan plan, Id<E> id, String after) {
        id.kind()
                .allReferences(
                        plan.index().get(id),
                        to -> assertThat(plan.index().find(to))
                                .as("%s %s refers to %s after %s", id.kind(), id, to, after)
                                .isPresent());
    }

    @Test
    void eachKindHasAWordAListAndATypeOfItsOwn() {
        assertThat(Kind.ALL).extracting(Kind::word).doesNotHaveDuplicates();
        assertThat(Kind.ALL).extracting(Kind::list).doesNotHaveDuplicates();
        assertThat(Kind.ALL).extracting(Kind::type).doesNotHaveDuplicates();
        assertThat(Kind.TABLES).allMatch(k -> k.owner().isEmpty());
    }
}
