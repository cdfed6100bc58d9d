package zentrel.path;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;

/**
 * The universes whose paths an edit may have changed: what differs between two plans, followed to wherever its effect may
 * reach. A path on which anything is wrong is not asked for here: its words and remedies may depend on the whole plan, so
 * it is judged anew in any case.
 */
final class Affected {
    private final PathContext before;
    private final PathContext after;
    private final Set<Id<Universe>> universes = new HashSet<>();
    private final Set<Id<Application>> followed = new HashSet<>();

    private Affected(PathContext before, PathContext after) {
        this.before = before;
        this.after = after;
    }

    /** The universes; empty where the edit may reach every path. */
    static Optional<Set<Id<Universe>>> between(PathContext before, PathContext after) {
        Affected affected = new Affected(before, after);
        return affected.reachesAll() ? Optional.empty() : Optional.of(affected.collected());
    }

    /** What every path depends on: segments, cables, lines, sessions, what boxes can do, routers and what has power. */
    private boolean reachesAll() {
        Plan then = before.plan;
        Plan now = after.plan;
        if (!ListChange.of(then.segments(), now.segments()).gone().isEmpty()
                || !then.cables().equals(now.cables())
                || !then.lines().equals(now.lines())
                || !then.sessions().equals(now.sessions())
                || !then.attachments().equals(now.attachments())
                || !then.profiles().equals(now.profiles())) {
            return true;
        }
        ListChange<Host> hosts = ListChange.of(then.hosts(), now.hosts());
        if (!before.index.sharedNames().equals(after.index.sharedNames())
                || hosts.all().stream().anyMatch(h -> h.kind() == HostKind.ROUTER || passesOn(h))) {
            return true;
        }
        for (Host changed : hosts.all()) {
            for (Adapter adapter : changed.adapters()) {
                // where no subnet is stated, what most adapters have counts, and each of them has a part in that
                if (adapter.segment()
                        .filter(s -> !states(before, s) || !states(after, s))
                        .isPresent()) {
                    return true;
                }
            }
        }
        for (Host gone : hosts.gone()) {
            Optional<Host> come = after.index.find(gone.id()).map(Host.class::cast);
            if (come.isPresent()
                    && !(gone.power().equals(come.get().power())
                            && gone.profile().equals(come.get().profile())
                            && gone.switching().equals(come.get().switching())
                            && gone.kind() == come.get().kind())) {
                return true;
            }
        }
        return false;
    }

    /** Whether others hear each other by way of a device: as long as it is there, has power and is set as it is. */
    private boolean passesOn(Host host) {
        return both().stream()
                .filter(c -> c.index.find(host.id()).isPresent())
                .anyMatch(c -> Snooping.passesOn(c.index, host));
    }

    private static boolean states(PathContext context, Id<Segment> segment) {
        return context.index.find(segment).isEmpty()
                || context.index.segment(segment).subnet().isPresent();
    }

    private Set<Id<Universe>> collected() {
        Plan then = before.plan;
        Plan now = after.plan;
        ListChange.of(then.hosts(), now.hosts()).all().forEach(this::host);
        ListChange.of(then.applications(), now.applications()).all().forEach(a -> application(a.id()));
        ListChange.of(then.receivers(), now.receivers()).all().forEach(this::receiver);
        ListChange.of(then.streams(), now.streams()).all().forEach(this::stream);
        ListChange.of(then.fixtures(), now.fixtures()).all().forEach(this::fixture);
        ListChange.of(then.universes(), now.universes()).all().forEach(this::universe);
        limited();
        return universes;
    }

    private List<PathContext> both() {
        return List.of(before, after);
    }

    private void host(Host host) {
        for (PathContext context : both()) {
            context.index.applicationsOn(host.id()).forEach(a -> application(a.id()));
        }
        for (Adapter adapter : host.adapters()) {
            adapter.segment().ifPresent(segment -> adapter.addresses().forEach(a -> sharers(segment, a)));
        }
    }

    /** Whoever has the same address on the segment, then or now. */
    private void sharers(Id<Segment> segment, AdapterAddress address) {
        for (PathContext context : both()) {
            for (Adapter holder : context.holdersOf(segment, address.inForce().address())) {
                Host sharing = context.index.hostOf(holder.id());
                context.index.applicationsOn(sharing.id()).forEach(a -> application(a.id()));
            }
        }
    }

    private void application(Id<Application> id) {
        if (!followed.add(id)) {
            return;
        }
        for (PathContext context : both()) {
            context.index.receiversOf(id).forEach(this::receiver);
            context.index.streamsFrom(id).forEach(this::stream);
        }
    }

    private void receiver(Receiver receiver) {
        for (Port port : receiver.ports()) {
            for (PathContext context : both()) {
                universes.addAll(context.index.universesOf(port.id()));
            }
        }
    }

    /** A stream more or less may put others of its source beyond a limit, or let them be sent again. */
    private void limited() {
        Set<Id<Stream>> changed = new HashSet<>();
        for (Id<Stream> id : before.beyondLimit()) {
            if (!after.beyondLimit().contains(id)) {
                changed.add(id);
            }
        }
        for (Id<Stream> id : after.beyondLimit()) {
            if (!before.beyondLimit().contains(id)) {
                changed.add(id);
            }
        }
        for (Id<Stream> id : changed) {
            for (PathContext context : both()) {
                context.index.find(id).map(Stream.class::cast).ifPresent(this::stream);
            }
        }
    }

    /** A stream, and those that share its number. */
    private void stream(Stream stream) {
        universes.add(stream.universe());
        for (PathContext context : both()) {
            if (context.index.find(stream.universe()).isPresent()
                    && context.index.find(stream.application()).isPresent()) {
                context.index
                        .wireOf(stream)
                        .ifPresent(wire ->
                                context.streamsOn(stream.protocol(), wire).forEach(s -> universes.add(s.universe())));
            }
        }
    }

    private void fixture(Fixture fixture) {
        fixture.breaks().forEach(b -> universes.add(b.universe()));
        fixture.lines().stream()
                .flatMap(l -> after.index.find(l).stream()) // lines are the same in both
                .forEach(line -> both().forEach(context -> universes.addAll(context.index.universesOf(line.port()))));
    }

    private void universe(Universe universe) {
        universes.add(universe.id());
        for (PathContext context : both()) {
            context.index.streamsOf(universe.id()).forEach(this::stream);
        }
    }
}
