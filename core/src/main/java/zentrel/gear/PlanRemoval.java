package zentrel.gear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zentrel.index.ListChange;
import zentrel.plan.*;

/**
 * Takes things out of a plan, with what cannot stay without them.
 *
 * @param also what goes as well, beyond what was asked for; fixtures stay and lose their line
 */
public record PlanRemoval(Edit edit, List<Id<?>> also) {
    public PlanRemoval {
        also = List.copyOf(also);
    }

    /** What removing would do. */
    public static PlanRemoval of(Plan plan, Collection<? extends Id<?>> wanted) {
        Set<Id<?>> gone = new LinkedHashSet<>(wanted);
        int before;
        do {
            before = gone.size();
            for (Kind<?> kind : Kind.TABLES) {
                spread(plan.table(kind), gone);
            }
        } while (gone.size() > before);
        List<Id<?>> also = gone.stream()
                .<Id<?>>map(i -> i)
                .filter(i -> !wanted.contains(i))
                .toList();
        String names = String.join(
                ", ", wanted.stream().limit(3).map(plan.index()::name).toList());
        String text = "Remove " + names + (wanted.size() > 3 ? " and " + (wanted.size() - 3) + " more" : "");
        Set<Id<?>> all = Set.copyOf(gone);
        return new PlanRemoval(new Edit(text, p -> without(p, all)), also);
    }

    /** What else goes, in words: "2 programs, 4 ports"; empty text where nothing does. */
    public String alsoInWords() {
        List<String> parts = new ArrayList<>();
        for (Kind<?> kind : Kind.ALL) {
            long n = also.stream().filter(i -> i.is(kind)).count();
            if (n > 0) {
                parts.add(kind.counted(n));
            }
        }
        return String.join(", ", parts);
    }

    private static <E> void spread(Table<E> table, Set<Id<?>> gone) {
        for (E entity : table) {
            if (table.kind().without(entity, gone::contains).isEmpty()) {
                gone.add(table.kind().idOf(entity));
                table.kind().parts().forEach(parts -> parts(parts, entity, gone));
            }
        }
    }

    private static <O, E> void parts(Kind.Parts<O, E> parts, O owner, Set<Id<?>> gone) {
        parts.of().apply(owner).forEach(part -> gone.add(parts.part().idOf(part)));
    }

    private static Plan without(Plan plan, Set<Id<?>> gone) {
        Plan next = plan;
        for (Kind<?> kind : Kind.TABLES) {
            next = without(next, next.table(kind), gone);
        }
        return next.withSightings(plan.sightings().stream()
                .filter(s -> !gone.contains(s.signal()) && !gone.contains(s.receiver()))
                .toList());
    }

    private static <E> Plan without(Plan plan, Table<E> table, Set<Id<?>> gone) {
        List<E> rest = new ArrayList<>(table.size());
        table.forEach(e -> table.kind().without(e, gone::contains).ifPresent(rest::add));
        return ListChange.of(table, rest).isNone() ? plan : plan.with(table.kind(), rest);
    }
}
