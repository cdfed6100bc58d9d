package zentrel.gear;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import zentrel.plan.*;
import zentrel.profile.ProfileStep;

/** Every setting that is made on one box, wherever the plan keeps it. */
final class HostSettings {
    /** What is done with each setting; the same setting back leaves it as it is. */
    interface Change {
        /**
         * Looks at a setting.
         *
         * @param key the thing it belongs to and its field: {@code boathouse-node.p1/wire}
         * @param subject what it is about, as in {@link ProfileStep}
         */
        <T> Setting<T> of(String key, String subject, Setting<T> setting);
    }

    /** Looks at the settings of one device, and notices whether anything was changed: what was not stays the very thing it was. */
    private static final class Noticing implements SettingVisit {
        private final PlanIndex index;
        private final Id<Host> host;
        private final Change change;
        private boolean changed;

        private Noticing(PlanIndex index, Id<Host> host, Change change) {
            this.index = index;
            this.host = host;
            this.change = change;
        }

        @Override
        @SuppressWarnings("ReferenceEquality")
        public <T> Setting<T> of(Id<?> on, Id<?> owner, String field, String subject, Setting<T> setting) {
            if (!index.hostOf(on).id().equals(host)) {
                return setting;
            }
            Setting<T> now = change.of(key(owner, field), subject, setting);
            changed |= now != setting;
            return now;
        }
    }

    private HostSettings() {}

    /** The key of a setting. */
    static String key(Id<?> id, String field) {
        return id.value() + "/" + field;
    }

    /** The plan with each setting of a box looked at, and changed where the change says so. */
    static Plan changed(Plan plan, Id<Host> id, Change made) {
        Noticing visit = new Noticing(plan.index(), id, made);
        Plan next = plan;
        for (Kind<?> kind : Kind.TABLES) {
            next = each(visit, next, kind, id);
        }
        return next;
    }

    /** The plan with the entities of one kind changed, all at once: a desk may send tens of thousands of streams. */
    private static <E> Plan each(Noticing visit, Plan plan, Kind<E> kind, Id<Host> host) {
        if (!kind.hasSettings()) {
            return plan;
        }
        IdentityHashMap<E, E> changed = new IdentityHashMap<>();
        for (E entity : near(visit.index, kind, host)) {
            visit.changed = false;
            E now = kind.visited(entity, visit);
            if (visit.changed) {
                changed.put(entity, now);
            }
        }
        if (changed.isEmpty()) {
            return plan;
        }
        List<E> all = new ArrayList<>(plan.table(kind));
        all.replaceAll(entity -> changed.getOrDefault(entity, entity));
        return plan.with(kind, all);
    }

    /** Entities among which are all that are set on a device; of the many that there may be only those. */
    @SuppressWarnings("unchecked")
    private static <E> List<E> near(PlanIndex index, Kind<E> kind, Id<Host> host) {
        if (Kind.HOST.equals(kind)) {
            return (List<E>) List.of(index.host(host));
        }
        List<Application> programs = index.applicationsOn(host);
        if (Kind.APPLICATION.equals(kind)) {
            return (List<E>) programs;
        }
        if (Kind.RECEIVER.equals(kind)) {
            return (List<E>) programs.stream()
                    .flatMap(a -> index.receiversOf(a.id()).stream())
                    .toList();
        }
        if (Kind.STREAM.equals(kind)) {
            return (List<E>) programs.stream()
                    .flatMap(a -> index.streamsFrom(a.id()).stream())
                    .toList();
        }
        return index.plan().table(kind);
    }
}
