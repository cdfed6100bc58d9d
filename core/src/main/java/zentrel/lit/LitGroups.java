package zentrel.lit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.text.Word;

/** Fixtures in groups that are lit one after the other, to see which belong together. */
public final class LitGroups {
    /** By what fixtures belong together. */
    public enum By implements Word {
        UNIVERSE,
        PORT,
        NODE,
        SEGMENT
    }

    /** Fixtures that belong together. */
    public record Group(String name, Set<Id<Fixture>> fixtures) {
        public Group {
            fixtures = Set.copyOf(fixtures);
        }
    }

    private LitGroups() {}

    /** The groups of a plan that have a fixture, in the order of its fixtures. */
    public static List<Group> of(Plan plan, By by) {
        Map<Id<?>, Set<Id<Fixture>>> groups = new LinkedHashMap<>();
        for (Fixture f : plan.fixtures()) {
            for (Break b : f.breaks()) {
                of(plan, f, b, by)
                        .forEach(id -> groups.computeIfAbsent(id, k -> new LinkedHashSet<>())
                                .add(f.id()));
            }
        }
        List<Group> all = new ArrayList<>();
        groups.forEach((id, fixtures) -> all.add(new Group(name(plan, id), fixtures)));
        return all;
    }

    private static String name(Plan plan, Id<?> id) {
        return id.as(Kind.UNIVERSE)
                .map(u -> plan.index().universe(u).label() + " "
                        + plan.index().universe(u).name())
                .orElseGet(() -> plan.index().name(id));
    }

    private static List<Id<?>> of(Plan plan, Fixture fixture, Break part, By by) {
        if (by == By.UNIVERSE) {
            return List.of(part.universe());
        }
        PlanIndex index = plan.index();
        Optional<Id<Port>> own = fixture.lineOf(part).map(l -> index.line(l).port());
        List<Id<Port>> ports = own.map(List::of)
                .orElseGet(() ->
                        index.portsOf(part.universe()).stream().map(Port::id).toList());
        Set<Id<?>> found = new LinkedHashSet<>();
        for (Id<Port> port : ports) {
            Host host = index.hostOf(index.applicationOf(port).id());
            switch (by) {
                case PORT -> found.add(port);
                case NODE -> found.add(host.id());
                default ->
                    host.adapters().stream().flatMap(a -> a.segment().stream()).forEach(found::add);
            }
        }
        return List.copyOf(found);
    }
}
