package zentrel.entry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** Things of a plan by what people call them: their name, for a universe its label too, or their id. */
final class References {
    private References() {}

    /** How it is entered: by its name, or by its id where another of these kinds is called so too. */
    static String shown(Plan plan, List<Kind<?>> kinds, Id<?> id) {
        String name = called(plan, id);
        for (Id<?> other : ids(plan, kinds)) {
            if (!other.equals(id) && called(plan, other).equalsIgnoreCase(name)) {
                return id.value();
            }
        }
        return name;
    }

    private static String called(Plan plan, Id<?> id) {
        return plan.index()
                .find(id)
                .filter(Universe.class::isInstance)
                .map(u -> ((Universe) u).label())
                .orElseGet(() -> plan.index().name(id));
    }

    /** Every thing of some kinds, as it is entered. */
    static List<String> all(Plan plan, List<Kind<?>> kinds) {
        List<Id<?>> ids = ids(plan, kinds);
        Map<String, Integer> names = new HashMap<>();
        ids.forEach(id -> names.merge(called(plan, id).toLowerCase(Locale.ROOT), 1, Integer::sum));
        List<String> all = new ArrayList<>();
        for (Id<?> id : ids) {
            String name = called(plan, id);
            all.add(names.getOrDefault(name.toLowerCase(Locale.ROOT), 0) > 1 ? id.value() : name);
        }
        return all;
    }

    /**
     * The one that is called so.
     *
     * @throws IllegalArgumentException with a sentence, where none is or several are
     */
    static Id<?> find(Plan plan, List<Kind<?>> kinds, String text) {
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        List<Id<?>> named = new ArrayList<>();
        for (Id<?> id : ids(plan, kinds)) {
            if (id.value().equals(text.strip())) {
                return id;
            }
            if (called(plan, id).toLowerCase(Locale.ROOT).equals(wanted)
                    || plan.index().name(id).toLowerCase(Locale.ROOT).equals(wanted)) {
                named.add(id);
            }
        }
        if (named.size() == 1) {
            return named.get(0);
        }
        String kind = kinds.size() == 1 ? kinds.get(0).title() : "thing";
        throw new IllegalArgumentException(
                named.isEmpty()
                        ? "There is no " + kind + " called \"" + text.strip() + "\"."
                        : named.size() + " of the plan are called \"" + text.strip() + "\"; write the id of one: "
                                + String.join(
                                        ", ", named.stream().map(Id::value).toList()) + ".");
    }

    private static List<Id<?>> ids(Plan plan, List<Kind<?>> kinds) {
        List<Id<?>> ids = new ArrayList<>();
        kinds.forEach(kind -> add(plan, kind, ids));
        return ids;
    }

    private static <E> void add(Plan plan, Kind<E> kind, List<Id<?>> to) {
        plan.all(kind).forEach(e -> to.add(kind.idOf(e)));
    }
}
