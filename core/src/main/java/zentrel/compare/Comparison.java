package zentrel.compare;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.gear.PlanRemoval;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.text.Counted;
import zentrel.text.Word;

/** What is not the same in two versions of a plan, by id; the order of things does not count. */
public final class Comparison {
    private final Plan before;
    private final Plan after;
    private final List<Difference> differences;

    private Comparison(Plan before, Plan after) {
        this.before = before;
        this.after = after;
        List<Difference> found = new ArrayList<>();
        Kind.TABLES.forEach(kind -> compare(kind, found));
        this.differences = List.copyOf(found);
    }

    public static Comparison of(Plan before, Plan after) {
        return new Comparison(before, after);
    }

    public List<Difference> differences() {
        return differences;
    }

    /** The boxes that must be touched again, in the order of the second plan, then of the first. */
    public List<String> devices() {
        Set<String> names = new LinkedHashSet<>();
        for (Plan plan : List.of(after, before)) {
            for (Host host : plan.hosts()) {
                if (differences.stream().anyMatch(d -> d.device().equals(Optional.of(host.id())))) {
                    names.add(host.name());
                }
            }
        }
        return List.copyOf(names);
    }

    private <E> void compare(Kind<E> kind, List<Difference> found) {
        Map<Id<E>, E> old = byId(before.table(kind));
        Map<Id<E>, E> now = byId(after.table(kind));
        old.forEach((id, item) -> {
            E other = now.get(id);
            if (other == null) {
                found.add(difference(before, id, Difference.Kind.REMOVED, List.of()));
            } else if (!other.equals(item)) {
                List<String> changes = new ArrayList<>();
                fields("", item, other, changes);
                found.add(difference(after, id, Difference.Kind.CHANGED, changes));
            }
        });
        now.keySet().stream()
                .filter(id -> !old.containsKey(id))
                .forEach(id -> found.add(difference(after, id, Difference.Kind.ADDED, List.of())));
    }

    private static <E> Map<Id<E>, E> byId(Table<E> table) {
        Map<Id<E>, E> map = new LinkedHashMap<>();
        table.forEach(item -> map.put(table.kind().idOf(item), item));
        return map;
    }

    private static <E> Difference difference(Plan in, Id<E> id, Difference.Kind kind, List<String> changes) {
        boolean onPaperOnly =
                !changes.isEmpty() && changes.stream().allMatch(c -> c.startsWith("name ") || c.startsWith("place "));
        Optional<Id<Host>> device = onPaperOnly
                ? Optional.empty()
                : id.kind()
                        .setOn(in.index().get(id))
                        .flatMap(in.index()::hostAt)
                        .map(Host::id);
        return new Difference(id, kind, id.kind().title(), in.index().name(id), changes, device);
    }

    // --- fields in words ---

    private static void fields(String where, Object old, Object now, List<String> changes) {
        if (old.equals(now)) {
            return;
        }
        if (old instanceof Setting<?> a && now instanceof Setting<?> b) {
            changes.add(where + " " + words(b) + ", was " + words(a));
        } else if (old instanceof Record
                && old.getClass().equals(now.getClass())
                && !(old instanceof Id<?>)
                && opens(old)) {
            for (RecordComponent c : old.getClass().getRecordComponents()) {
                fields(joined(where, c.getName()), value(c, old), value(c, now), changes);
            }
        } else if (old instanceof List<?> a
                && now instanceof List<?> b
                && a.stream().allMatch(x -> x instanceof Named)) {
            members(where, a, b, changes);
        } else {
            changes.add(where + " " + words(now) + ", was " + words(old));
        }
    }

    /** Records of ours are told field by field; values such as an address are told whole. */
    private static boolean opens(Object record) {
        return record.getClass().getPackageName().equals(Plan.class.getPackageName()) && !(record instanceof Binding);
    }

    /** Adapters of a host and ports of a receiver, by id. */
    private static void members(String where, List<?> old, List<?> now, List<String> changes) {
        Map<Id<?>, Named> before = new LinkedHashMap<>();
        old.forEach(x -> before.put(((Named) x).id(), (Named) x));
        Map<Id<?>, Named> after = new LinkedHashMap<>();
        now.forEach(x -> after.put(((Named) x).id(), (Named) x));
        before.forEach((id, x) -> {
            Named other = after.get(id);
            if (other == null) {
                changes.add(where + " without " + x.name());
            } else {
                fields(x.name(), x, other, changes);
            }
        });
        after.forEach((id, x) -> {
            if (!before.containsKey(id)) {
                changes.add(where + " with " + x.name());
            }
        });
    }

    private static String joined(String where, String field) {
        String plain = field.replaceAll("([A-Z])", " $1").toLowerCase(java.util.Locale.ROOT);
        return where.isEmpty() ? plain : where + " " + plain;
    }

    private static Object value(RecordComponent component, Object of) {
        try {
            return component.getAccessor().invoke(of);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("A record did not give its " + component.getName() + ".", e);
        }
    }

    private static String words(Object value) {
        if (value instanceof Optional<?> o) {
            return o.map(Comparison::words).orElse("nothing");
        }
        if (value instanceof Collection<?> c) {
            return c.isEmpty()
                    ? "none"
                    : String.join(", ", c.stream().map(Comparison::words).toList());
        }
        if (value instanceof Word w) {
            return w.word();
        }
        if (value instanceof AdapterAddress a) {
            return a.address().toString();
        }
        if (value instanceof Break b) {
            return b.universe() + " slot " + b.start() + " to " + b.end();
        }
        if (value instanceof Boolean b) {
            return b ? "yes" : "no";
        }
        String text = String.valueOf(value);
        return text.isEmpty() ? "nothing" : text;
    }

    // --- merging ---

    /**
     * The first plan with chosen differences of the second taken over. What a chosen thing needs and the first plan lacks is
     * taken along; what cannot stay without a removed thing goes with it.
     */
    public Edit taking(Collection<Difference> chosen) {
        String text = "Take over " + Counted.of(chosen.size(), "change");
        return new Edit(text, plan -> {
            Plan next = plan;
            Set<Id<?>> taken = new LinkedHashSet<>();
            for (Difference d : chosen) {
                if (d.kind() != Difference.Kind.REMOVED) {
                    next = take(next, d.id(), taken);
                }
            }
            List<Id<?>> removed = new ArrayList<>();
            for (Difference d : chosen) {
                if (d.kind() == Difference.Kind.REMOVED
                        && next.index().find(d.id()).isPresent()) {
                    removed.add(d.id());
                }
            }
            if (!removed.isEmpty()) {
                next = PlanRemoval.of(next, removed).edit().applyTo(next);
            }
            for (Profile profile : after.profiles()) {
                if (next.index().profile(profile.id()).isEmpty()) {
                    next = next.withProfile(profile);
                }
            }
            return next;
        });
    }

    private Plan take(Plan plan, Id<?> id, Set<Id<?>> taken) {
        if (!taken.add(id)) {
            return plan;
        }
        Plan next = plan;
        for (Id<?> needed : needs(id)) {
            if (next.index().find(needed).isEmpty()) {
                next = take(next, after.index().keptIn(needed), taken);
            }
        }
        return put(next, id);
    }

    private <E> Plan put(Plan plan, Id<E> id) {
        E item = after.index().get(id);
        return plan.index().find(id).isPresent() ? plan.with(id, old -> item) : plan.and(id.kind(), item);
    }

    /** Every id that a thing and its parts refer to. */
    private <E> Set<Id<?>> needs(Id<E> id) {
        Set<Id<?>> ids = new LinkedHashSet<>();
        after.index().find(id).ifPresent(entity -> id.kind().allReferences(entity, ids::add));
        ids.removeIf(i -> after.index().find(i).isEmpty());
        return ids;
    }
}
