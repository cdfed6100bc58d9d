package zentrel.address;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.gear.Applying;
import zentrel.gear.Changing;
import zentrel.gear.Elsewhere;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/**
 * A segment moved to another range: host parts stay where they fit, every place that keeps a typed copy follows, and the steps
 * come in a safe order, the far devices first and one's own computer last.
 *
 * @param changes before and after of each address, in the order of the steps
 * @param steps what is done together, with what goes dark until the last of them
 * @param warnings sentences about what does not fit
 * @param edit all of it as one edit, in force at once
 * @param later the addresses only planned, to be ticked off device by device; the segment keeps its range until then
 */
public record Moving(List<Change> changes, List<Step> steps, List<String> warnings, Edit edit, Edit later) {
    /**
     * One address of one adapter.
     *
     * @param kept whether the host part stayed as it was
     */
    public record Change(AdapterId adapter, String name, HostAddress before, HostAddress after, boolean kept) {}

    /**
     * Devices that are changed one after the other before the next step.
     *
     * @param dark how many signals are broken once this step is done that were not before the move
     * @param back how to go back from here
     */
    public record Step(String title, List<Change> changes, int dark, String back) {
        public Step {
            changes = List.copyOf(changes);
        }
    }

    public Moving {
        changes = List.copyOf(changes);
        steps = List.copyOf(steps);
        warnings = List.copyOf(warnings);
    }

    /**
     * Works out a move.
     *
     * @param mine the computer one sits at, which is changed last
     * @throws IllegalArgumentException with a sentence, where the range has not room for all; it says which mask would do
     */
    public static Moving of(Plan plan, SegmentId segment, Subnet to, Optional<HostId> mine) {
        List<Adapter> adapters = plan.index().adaptersOn(segment);
        long needed = adapters.stream().mapToLong(a -> a.addresses().size()).sum();
        if (needed > to.hostCount()) {
            throw new IllegalArgumentException(plan.index().name(segment) + " has " + needed + " addresses, and " + to
                    + " has room for " + to.hostCount() + ". A mask of /" + lengthFor(needed) + " would do.");
        }
        List<String> warnings = new ArrayList<>();
        overlapping(plan, segment, adapters, to, warnings);
        Map<Adapter, List<Change>> byAdapter =
                addresses(plan, adapters, plan.index().segment(segment).subnet(), to, warnings);
        Map<Group, List<Change>> groups = new LinkedHashMap<>();
        for (Group group : Group.values()) {
            groups.put(group, new ArrayList<>());
        }
        byAdapter.forEach((adapter, changes) ->
                groups.get(Group.of(plan.index().hostOf(adapter.id()), mine)).addAll(changes));
        List<Step> steps = new ArrayList<>();
        List<Change> ordered = new ArrayList<>();
        Plan at = plan;
        Set<String> brokenBefore = broken(plan);
        for (Map.Entry<Group, List<Change>> entry : groups.entrySet()) {
            entry.getValue().removeIf(c -> c.before().equals(c.after()));
            if (entry.getValue().isEmpty()) {
                continue;
            }
            for (Change change : entry.getValue()) {
                at = moved(at, change, to);
                ordered.add(change);
            }
            Set<String> now = broken(at);
            now.removeAll(brokenBefore);
            steps.add(new Step(
                    entry.getKey().title,
                    entry.getValue(),
                    now.size(),
                    "Give each its old address again, the last changed first."));
        }
        String text = "Move " + plan.index().name(segment) + " to " + to;
        Edit addresses = new Edit(text, p -> {
            Plan next = p;
            for (Change change : ordered) {
                next = moved(next, change, to);
            }
            return next;
        });
        Edit all = new Edit(text, p -> addresses.applyTo(p).withSegment(segment, s -> s.withSubnet(Optional.of(to))));
        return new Moving(ordered, steps, warnings, all, Applying.onlyPlanned(addresses));
    }

    /** Ranges of other segments that the new one would cover, where a computer is on both. */
    private static void overlapping(
            Plan plan, SegmentId segment, List<Adapter> adapters, Subnet to, List<String> warnings) {
        for (Segment other : plan.segments()) {
            long both = adapters.stream()
                    .map(a -> plan.index().hostOf(a.id()))
                    .filter(h -> h.adapters().stream().anyMatch(a -> a.segment().equals(Optional.of(other.id()))))
                    .count();
            if (!other.id().equals(segment)
                    && both > 0
                    && other.subnet().filter(s -> s.overlaps(to)).isPresent()) {
                warnings.add(to + " covers " + other.subnet().get() + " of " + other.name() + ", and " + both
                        + (both == 1 ? " box is" : " boxes are")
                        + " on both: a computer would not know by which to answer. Take a range apart from it.");
            }
        }
    }

    /** The order in which devices are changed: what is far away and answers to nobody first, what one sits at last. */
    private enum Group {
        DEVICES("Nodes, controllers and other devices, the farthest first"),
        CONSOLES("Consoles and their sessions"),
        COMPUTERS("Other computers and remotes"),
        NETWORK("Switches, access points and routers"),
        MINE("The computer you sit at");

        private final String title;

        Group(String title) {
            this.title = title;
        }

        static Group of(Host host, Optional<HostId> mine) {
            if (mine.filter(host.id()::equals).isPresent()) {
                return MINE;
            }
            return switch (host.kind()) {
                case CONSOLE -> CONSOLES;
                case COMPUTER, REMOTE -> COMPUTERS;
                case SWITCH, ACCESS_POINT, ROUTER -> NETWORK;
                default -> DEVICES;
            };
        }
    }

    private static Map<Adapter, List<Change>> addresses(
            Plan plan, List<Adapter> adapters, Optional<Subnet> from, Subnet to, List<String> warnings) {
        Set<Ipv4Address> taken = new HashSet<>();
        Map<Adapter, List<Change>> all = new LinkedHashMap<>();
        List<Runnable> later = new ArrayList<>();
        for (Adapter adapter : adapters) {
            List<Change> changes = new ArrayList<>();
            all.put(adapter, changes);
            Host host = plan.index().hostOf(adapter.id());
            plan.index()
                    .profileOf(host)
                    .filter(p ->
                            !p.accepts().isEmpty() && p.accepts().stream().noneMatch(a -> a.contains(to.network())))
                    .ifPresent(p -> warnings.add(host.name() + " accepts only "
                            + String.join(
                                    " and ",
                                    p.accepts().stream().map(Subnet::toString).toList())
                            + ", so it cannot follow to " + to + "."));
            for (AdapterAddress address : adapter.addresses()) {
                HostAddress before = address.inForce();
                // A mask that is typed in wrong must not cut the host part short.
                HostAddress meant = from.filter(f -> f.contains(before.address()))
                        .map(f -> new HostAddress(before.address(), f.prefixLength()))
                        .orElse(before);
                Optional<Ipv4Address> same = sameHostPart(meant, to).filter(taken::add);
                if (same.isPresent()) {
                    changes.add(change(plan, adapter, before, same.get(), to, true));
                } else {
                    later.add(() -> changes.add(change(
                            plan,
                            adapter,
                            before,
                            FreeAddress.after(to.network(), to, taken)
                                    .map(free -> {
                                        taken.add(free);
                                        return free;
                                    })
                                    .orElseThrow(() -> new IllegalArgumentException(to + " is full.")),
                            to,
                            false)));
                }
            }
        }
        later.forEach(Runnable::run); // after those that keep their host part, so that none of these is taken away
        return all;
    }

    private static Change change(
            Plan plan, Adapter adapter, HostAddress before, Ipv4Address after, Subnet to, boolean kept) {
        return new Change(
                adapter.id(), plan.index().name(adapter.id()), before, new HostAddress(after, to.prefixLength()), kept);
    }

    /** The address with the same host part in another range, where that is a host there. */
    private static Optional<Ipv4Address> sameHostPart(HostAddress before, Subnet to) {
        int hostBits = before.address().bits() & ~HostAddress.mask(before.prefixLength());
        int mask = ~HostAddress.mask(to.prefixLength());
        if ((hostBits & mask) != hostBits) {
            return Optional.empty();
        }
        HostAddress after = new HostAddress(new Ipv4Address(to.network().bits() | hostBits), to.prefixLength());
        return SpecialAddresses.notOnANetwork(after).isEmpty() ? Optional.of(after.address()) : Optional.empty();
    }

    private static int lengthFor(long hosts) {
        int length = 30;
        while (length > 1 && (1L << (32 - length)) - 2 < hosts) {
            length--;
        }
        return length;
    }

    /** The plan with one address changed, and every place that keeps a copy of it. */
    private static Plan moved(Plan plan, Change change, Subnet to) {
        Adapter adapter = plan.index().adapter(change.adapter());
        for (int i = 0; i < adapter.addresses().size(); i++) {
            if (adapter.addresses().get(i).inForce().equals(change.before())) {
                Changing changing = Changing.address(plan, change.adapter(), i, change.after());
                Plan next = changing.change().applyTo(plan);
                for (Elsewhere place : changing.places()) {
                    next = place.follow().applyTo(next);
                }
                return next.withAdapter(change.adapter(), a -> gatewayMoved(a, change.before(), to));
            }
        }
        return plan;
    }

    private static Adapter gatewayMoved(Adapter adapter, HostAddress before, Subnet to) {
        return adapter.gateway()
                .filter(g -> before.sees(g))
                .flatMap(g -> sameHostPart(new HostAddress(g, before.prefixLength()), to))
                .map(g -> adapter.withGateway(Optional.of(g)))
                .orElse(adapter);
    }

    private static Set<String> broken(Plan plan) {
        Set<String> broken = new HashSet<>();
        for (SignalPath path : new SignalPaths(plan).all()) {
            if (path.verdict() == Verdict.BROKEN) {
                broken.add(path.signal() + " " + path.receiver());
            }
        }
        return broken;
    }
}
