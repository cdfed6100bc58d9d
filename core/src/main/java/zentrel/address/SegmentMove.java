package zentrel.address;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.text.Counted;

/** A segment moved to another range: host parts stay where they fit. */
public final class SegmentMove {
    private SegmentMove() {}

    /**
     * Works out a move.
     *
     * @param mine the computer one sits at, which is changed last
     * @throws IllegalArgumentException with a sentence, where the range has not room for all; it says which mask would do
     */
    public static AddressChange of(Plan plan, Id<Segment> segment, Subnet to, Optional<Id<Host>> mine) {
        List<Adapter> adapters = plan.index().adaptersOn(segment);
        long needed = adapters.stream().mapToLong(a -> a.addresses().size()).sum();
        if (needed > to.hostCount()) {
            throw new IllegalArgumentException(
                    plan.index().name(segment) + " has " + Counted.of(needed, "address", "addresses") + ", and " + to
                            + " has room for " + to.hostCount() + ". A mask of /" + lengthFor(needed) + " would do.");
        }
        List<String> warnings = new ArrayList<>();
        overlapping(plan, segment, adapters, to, warnings);
        List<AddressChange.Change> changes =
                addresses(plan, adapters, plan.index().segment(segment).subnet(), to, warnings).values().stream()
                        .flatMap(List::stream)
                        .toList();
        return AddressChange.of(
                plan,
                "Move " + plan.index().name(segment) + " to " + to,
                changes,
                mine,
                warnings,
                p -> p.with(segment, s -> s.withSubnet(Optional.of(to))));
    }

    /** Ranges of other segments that the new one would cover, where a computer is on both. */
    private static void overlapping(
            Plan plan, Id<Segment> segment, List<Adapter> adapters, Subnet to, List<String> warnings) {
        for (Segment other : plan.segments()) {
            long both = adapters.stream()
                    .map(a -> plan.index().hostOf(a.id()))
                    .filter(h -> h.adapters().stream().anyMatch(a -> a.segment().equals(Optional.of(other.id()))))
                    .count();
            if (!other.id().equals(segment)
                    && both > 0
                    && other.subnet().filter(s -> s.overlaps(to)).isPresent()) {
                warnings.add(to + " covers " + other.subnet().get() + " of " + other.name() + ", and "
                        + Counted.of(both, "device is", "devices are")
                        + " on both: a computer would not know by which to answer. Take a range apart from it.");
            }
        }
    }

    private static Map<Adapter, List<AddressChange.Change>> addresses(
            Plan plan, List<Adapter> adapters, Optional<Subnet> from, Subnet to, List<String> warnings) {
        Set<Ipv4Address> taken = new HashSet<>();
        Map<Adapter, List<AddressChange.Change>> all = new LinkedHashMap<>();
        List<Runnable> later = new ArrayList<>();
        for (Adapter adapter : adapters) {
            List<AddressChange.Change> changes = new ArrayList<>();
            all.put(adapter, changes);
            AcceptedRanges.at(plan, adapter).stream()
                    .filter(a -> !a.accepts(to))
                    .forEach(a -> warnings.add(a.name() + " accepts only " + a.rangesInWords(" and ")
                            + ", so it cannot follow to " + to + "."));
            for (AdapterAddress address : adapter.addresses()) {
                HostAddress before = address.inForce();
                // A mask that is typed in wrong must not cut the host part short.
                HostAddress meant = from.filter(f -> f.contains(before.address()))
                        .map(f -> new HostAddress(before.address(), f.prefixLength()))
                        .orElse(before);
                Optional<Ipv4Address> same =
                        AddressChange.sameHostPart(meant, to).filter(taken::add);
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

    private static AddressChange.Change change(
            Plan plan, Adapter adapter, HostAddress before, Ipv4Address after, Subnet to, boolean kept) {
        return new AddressChange.Change(
                adapter.id(),
                plan.index().name(adapter.id()),
                Optional.of(before),
                new HostAddress(after, to.prefixLength()),
                kept);
    }

    /** The longest mask with room for so many hosts. */
    static int lengthFor(long hosts) {
        int length = 30;
        while (length > 1 && (1L << (32 - length)) - 2 < hosts) {
            length--;
        }
        return length;
    }
}
