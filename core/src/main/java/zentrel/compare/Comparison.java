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
import java.util.function.BiFunction;
import java.util.function.Function;
import zentrel.gear.Removing;
import zentrel.plan.*;

/** What is not the same in two versions of a plan, by id; the order of things does not count. */
public final class Comparison {
    /** A list of things of a plan: how to get it, how to put it back. */
    private record Shelf<T>(
            String type, Function<Plan, List<T>> get, BiFunction<Plan, List<T>, Plan> put, Function<T, Id> id) {}

    private static final List<Shelf<?>> SHELVES = List.of(
            named("segment", Plan::segments, Plan::withSegments),
            named("host", Plan::hosts, Plan::withHosts),
            named("program", Plan::applications, Plan::withApplications),
            named("universe", Plan::universes, Plan::withUniverses),
            new Shelf<>("stream", Plan::streams, Plan::withStreams, Stream::id),
            named("receiver", Plan::receivers, Plan::withReceivers),
            named("line", Plan::lines, Plan::withLines),
            named("fixture", Plan::fixtures, Plan::withFixtures),
            named("control link", Plan::links, Plan::withLinks),
            named("stream of a console's own", Plan::attachments, Plan::withAttachments),
            named("session", Plan::sessions, Plan::withSessions),
            named("cable", Plan::cables, Plan::withCables),
            named("typed copy", Plan::copies, Plan::withCopies));

    private final Plan before;
    private final Plan after;
    private final List<Difference> differences;

    private Comparison(Plan before, Plan after) {
        this.before = before;
        this.after = after;
        List<Difference> found = new ArrayList<>();
        SHELVES.forEach(s -> compare(s, found));
        this.differences = List.copyOf(found);
    }

    private static <T extends Named> Shelf<T> named(
            String type, Function<Plan, List<T>> get, BiFunction<Plan, List<T>, Plan> put) {
        return new Shelf<>(type, get, put, Named::id);
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

    private <T> void compare(Shelf<T> shelf, List<Difference> found) {
        Map<Id, T> old = byId(shelf, before);
        Map<Id, T> now = byId(shelf, after);
        old.forEach((id, item) -> {
            T other = now.get(id);
            if (other == null) {
                found.add(difference(before, id, Difference.Kind.REMOVED, shelf.type(), List.of()));
            } else if (!other.equals(item)) {
                List<String> changes = new ArrayList<>();
                fields("", item, other, changes);
                found.add(difference(after, id, Difference.Kind.CHANGED, shelf.type(), changes));
            }
        });
        now.keySet().stream()
                .filter(id -> !old.containsKey(id))
                .forEach(id -> found.add(difference(after, id, Difference.Kind.ADDED, shelf.type(), List.of())));
    }

    private static <T> Map<Id, T> byId(Shelf<T> shelf, Plan plan) {
        Map<Id, T> map = new LinkedHashMap<>();
        shelf.get().apply(plan).forEach(item -> map.put(shelf.id().apply(item), item));
        return map;
    }

    private Difference difference(Plan in, Id id, Difference.Kind kind, String type, List<String> changes) {
        boolean onPaperOnly =
                !changes.isEmpty() && changes.stream().allMatch(c -> c.startsWith("name ") || c.startsWith("place "));
        return new Difference(
                id, kind, type, in.index().name(id), changes, onPaperOnly ? Optional.empty() : device(in, id));
    }

    /** The box on which a setting is made. */
    private static Optional<HostId> device(Plan plan, Id id) {
        PlanIndex index = plan.index();
        Object found = index.find(id).orElse(null);
        if (found instanceof Host h) {
            return Optional.of(h.id());
        }
        if (found instanceof Application a) {
            return Optional.of(a.host());
        }
        if (found instanceof Stream s) {
            return Optional.of(index.application(s.application()).host());
        }
        if (found instanceof Receiver r) {
            return Optional.of(index.application(r.application()).host());
        }
        if (found instanceof ControlLink l) {
            return Optional.of(index.application(l.from()).host());
        }
        if (found instanceof Attachment a) {
            return Optional.of(index.application(a.from()).host());
        }
        if (found instanceof TypedCopy c) {
            return Optional.of(c.host(index));
        }
        return Optional.empty();
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
                && !(old instanceof Id)
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
        Map<Id, Named> before = new LinkedHashMap<>();
        old.forEach(x -> before.put(((Named) x).id(), (Named) x));
        Map<Id, Named> after = new LinkedHashMap<>();
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
            Set<Id> taken = new LinkedHashSet<>();
            for (Difference d : chosen) {
                if (d.kind() != Difference.Kind.REMOVED) {
                    next = take(next, d.id(), taken);
                }
            }
            List<Id> removed = new ArrayList<>();
            for (Difference d : chosen) {
                if (d.kind() == Difference.Kind.REMOVED
                        && next.index().find(d.id()).isPresent()) {
                    removed.add(d.id());
                }
            }
            if (!removed.isEmpty()) {
                next = Removing.of(next, removed).edit().applyTo(next);
            }
            for (Profile profile : after.profiles()) {
                if (next.index().profile(profile.id()).isEmpty()) {
                    next = next.withProfile(profile);
                }
            }
            return next;
        });
    }

    private Plan take(Plan plan, Id id, Set<Id> taken) {
        if (!taken.add(id)) {
            return plan;
        }
        Plan next = plan;
        for (Id needed : needs(id)) {
            if (next.index().find(needed).isEmpty()) {
                next = take(next, owner(needed), taken);
            }
        }
        for (Shelf<?> shelf : SHELVES) {
            next = put(shelf, next, id);
        }
        return next;
    }

    private <T> Plan put(Shelf<T> shelf, Plan plan, Id id) {
        T item = byId(shelf, after).get(id);
        if (item == null) {
            return plan;
        }
        List<T> list = new ArrayList<>(shelf.get().apply(plan));
        boolean there = list.stream().anyMatch(x -> shelf.id().apply(x).equals(id));
        list.replaceAll(x -> shelf.id().apply(x).equals(id) ? item : x);
        if (!there) {
            list.add(item);
        }
        return shelf.put().apply(plan, list);
    }

    /** The thing on a shelf that brings another: the host of an adapter, the receiver of a port. */
    private Id owner(Id id) {
        if (id instanceof AdapterId a) {
            return after.index().hostOf(a).id();
        }
        if (id instanceof PortId p) {
            return after.index().receiverOf(p).id();
        }
        return id;
    }

    /** Every id that a thing refers to, whatever its field is called. */
    private List<Id> needs(Id id) {
        List<Id> ids = new ArrayList<>();
        after.index().find(id).ifPresent(x -> collect(x, ids));
        ids.removeIf(i -> i.equals(id) || after.index().find(i).isEmpty());
        return ids;
    }

    private static void collect(Object value, List<Id> ids) {
        if (value instanceof Id id) {
            ids.add(id);
        } else if (value instanceof Optional<?> o) {
            o.ifPresent(x -> collect(x, ids));
        } else if (value instanceof Collection<?> c) {
            c.forEach(x -> collect(x, ids));
        } else if (value instanceof Map<?, ?> m) {
            m.values().forEach(x -> collect(x, ids));
        } else if (value instanceof Record && value.getClass().getPackageName().equals(Plan.class.getPackageName())) {
            for (RecordComponent c : value.getClass().getRecordComponents()) {
                collect(value(c, value), ids);
            }
        }
    }
}
