package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.address.Scheme;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.PlanIndex;
import zentrel.plan.Segment;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;

/**
 * A ruler of one segment, without nodes: the stretch of address space that is in use, drawn to the real numbers. The
 * stretch is a block of a power of two, so that its edges are edges people know.
 *
 * @param first the first address shown
 * @param bits the stretch holds 2^bits addresses
 * @param before pins of the subnet to the left of the stretch
 * @param after pins of the subnet to its right
 */
record Ruler(
        Segment segment,
        Ipv4Address first,
        int bits,
        List<Pin> pins,
        List<Pin> off,
        int before,
        int after,
        List<Band> bands) {
    /**
     * One address of one adapter.
     *
     * @param at which of its addresses it is, from 0
     */
    record Pin(Adapter adapter, int at, HostAddress address, String name, HostKind kind) {}

    /**
     * Neighbours of one kind, or what a DHCP server gives out.
     *
     * @param count how many boxes, or how many addresses of a pool
     */
    record Band(String title, Ipv4Address first, Ipv4Address last, long count, boolean pool) {}

    /** A stretch that somebody zoomed to. */
    record View(Ipv4Address first, int bits) {}

    /** Twenty neighbours and more fit the narrowest stretch. */
    private static final int NARROWEST = 5;

    static Ruler of(PlanIndex index, Segment segment, Optional<View> view) {
        List<Pin> all = new ArrayList<>();
        for (Adapter adapter : index.adaptersOn(segment.id())) {
            if (adapter.kind() != AdapterKind.LOOPBACK) {
                Host host = index.hostOf(adapter.id());
                for (int i = 0; i < adapter.addresses().size(); i++) {
                    all.add(new Pin(adapter, i, adapter.addresses().get(i).inForce(), host.name(), host.kind()));
                }
            }
        }
        all.sort(Comparator.comparing(p -> p.address().address()));
        Subnet subnet = segment.subnet()
                .orElseGet(() -> all.isEmpty()
                        ? new Subnet(Ipv4Address.of(10, 0, 0, 0), 8)
                        : all.get(0).address().subnet());
        List<Pin> on =
                all.stream().filter(p -> subnet.contains(p.address().address())).toList();
        List<Pin> off = all.stream()
                .filter(p -> !subnet.contains(p.address().address()))
                .toList();
        int most = 32 - subnet.prefixLength();
        int bits = Math.min(5, most);
        Ipv4Address first = subnet.network();
        if (!on.isEmpty()) {
            int low = on.get(0).address().address().bits();
            int high = on.get(on.size() - 1).address().address().bits();
            while (bits < most && (low >>> bits) != (high >>> bits)) {
                bits++;
            }
            first = new Ipv4Address(bits == 32 ? 0 : low >>> bits << bits);
        }
        if (view.isPresent()) {
            first = view.get().first();
            bits = view.get().bits();
        }
        long left = Integer.toUnsignedLong(first.bits());
        long right = left + (1L << bits);
        List<Pin> seen = on.stream().filter(p -> at(p) >= left && at(p) < right).toList();
        return new Ruler(
                segment,
                first,
                bits,
                seen,
                off,
                (int) on.stream().filter(p -> at(p) < left).count(),
                (int) on.stream().filter(p -> at(p) >= right).count(),
                bands(index, segment, on));
    }

    /** Runs of one kind in the order of their addresses, of three boxes and more; and the pools. */
    private static List<Band> bands(PlanIndex index, Segment segment, List<Pin> on) {
        List<Band> bands = new ArrayList<>();
        for (int from = 0; from < on.size(); ) {
            int to = from;
            while (to + 1 < on.size() && on.get(to + 1).kind() == on.get(from).kind()) {
                to++;
            }
            if (to - from >= 2) {
                bands.add(new Band(
                        Scheme.title(on.get(from).kind()),
                        on.get(from).address().address(),
                        on.get(to).address().address(),
                        to - from + 1,
                        false));
            }
            from = to + 1;
        }
        for (Adapter adapter : index.adaptersOn(segment.id())) {
            adapter.serving().ifPresent(s -> bands.add(new Band("DHCP pool", s.first(), s.last(), s.size(), true)));
        }
        bands.sort(Comparator.comparing(Band::first));
        return bands;
    }

    /** The number after the last address shown. */
    long end() {
        return Integer.toUnsignedLong(first.bits()) + (1L << bits);
    }

    /**
     * The address that a pin snaps to where it is dragged: the free one behind a neighbour that is near, else the start of the
     * roundest block there.
     *
     * @param place 0 at the left edge, 1 at the right
     * @param near how much of the width is near
     */
    Ipv4Address snapped(Pin pin, double place, double near) {
        long start = Integer.toUnsignedLong(first.bits());
        double reach = near * (1L << bits);
        long wanted = Math.min(end() - 1, start + (long) (place * (1L << bits)));
        if (reach < 1) {
            return nextFree(pin, new Ipv4Address((int) wanted), 1, 0); // each address has room of its own
        }
        Optional<Pin> neighbour = pins.stream()
                .filter(p -> !p.equals(pin) && Math.abs(at(p) - wanted) <= reach)
                .min(Comparator.comparingLong(p -> Math.abs(at(p) - wanted)));
        if (neighbour.isPresent()) {
            return nextFree(pin, neighbour.get().address().address(), 1, 1);
        }
        long round = wanted;
        for (int zeros = 1; zeros < bits; zeros++) {
            long candidate = Math.round(wanted / (double) (1L << zeros)) << zeros;
            if (Math.abs(candidate - wanted) <= reach && candidate >= start && candidate < end()) {
                round = candidate;
            }
        }
        return nextFree(pin, new Ipv4Address((int) round), 1, (round & 255) == 0 ? 1 : 0);
    }

    /**
     * The next address from another one that a host may have and nobody else has; the old one where there is none.
     *
     * @param direction 1 upwards, -1 downwards
     * @param by how far to go at first
     */
    Ipv4Address nextFree(Pin pin, Ipv4Address from, int direction, int by) {
        Subnet subnet = subnet();
        Set<Ipv4Address> taken = new HashSet<>();
        pins.forEach(p -> taken.add(p.address().address()));
        taken.remove(pin.address().address());
        Ipv4Address at = from.plus(direction * by);
        for (int tries = 0; tries <= pins.size() + 2 && subnet.contains(at); tries++) {
            boolean host = SpecialAddresses.notOnANetwork(new HostAddress(at, subnet.prefixLength()))
                    .isEmpty();
            if (host && !taken.contains(at)) {
                return at;
            }
            at = at.plus(direction);
        }
        return pin.address().address();
    }

    private static long at(Pin pin) {
        return Integer.toUnsignedLong(pin.address().address().bits());
    }

    /**
     * A wider or narrower stretch that keeps what is at {@code place} where it is, as near as the edges of its parts allow.
     *
     * @param place 0 at the left edge, 1 at the right
     * @param by how many times the stretch is halved; negative to double it
     */
    View zoomed(double place, int by) {
        Subnet subnet = subnet();
        int widest = 32 - subnet.prefixLength();
        int then = Math.max(Math.min(NARROWEST, widest), Math.min(widest, bits - by));
        double kept = Integer.toUnsignedLong(first.bits()) + place * (1L << bits);
        long edge = edge(then);
        long start = Math.round((kept - place * (1L << then)) / edge) * edge;
        while (start + (1L << then) <= kept) {
            start += edge; // rounding must not put out of sight what is zoomed to
        }
        while (start > kept) {
            start -= edge;
        }
        return view(start, then);
    }

    /** The stretch moved along by parts of its width. */
    View moved(double parts) {
        return view(Math.round(Integer.toUnsignedLong(first.bits()) + parts * (1L << bits)), bits);
    }

    private View view(long start, int then) {
        Subnet subnet = subnet();
        long low = Integer.toUnsignedLong(subnet.network().bits());
        long high = low + (1L << (32 - subnet.prefixLength())) - (1L << then);
        long aligned = Math.floorDiv(start, edge(then)) * edge(then);
        return new View(new Ipv4Address((int) Math.max(low, Math.min(high, aligned))), then);
    }

    /** Where a stretch may begin, so that its ticks stand on numbers people know. */
    private static long edge(int bits) {
        return 1L << Math.max(0, bits - 4);
    }

    /** The range of the segment; where none was said, that of its first address. */
    private Subnet subnet() {
        return segment.subnet()
                .orElseGet(() -> pins.isEmpty()
                        ? new Subnet(first, 32 - bits)
                        : pins.get(0).address().subnet());
    }

    /** Where an address stands: 0 at the left edge, 1 at the right. */
    double place(Ipv4Address address) {
        return (Integer.toUnsignedLong(address.bits()) - Integer.toUnsignedLong(first.bits())) / (double) (1L << bits);
    }

    /** How far apart ticks are, as a power of two: about sixteen to thirty-two of them. */
    int tickBits() {
        return Math.max(0, bits - 5);
    }

    /** What every second tick is called: the one octet that changes from one to the next. */
    String tickName(Ipv4Address at) {
        int octet = 3 - (tickBits() + 1) / 8;
        if (octet == 3 && at.octet(3) == 0) {
            return "." + at.octet(2) + ".0"; // where the number before it changes
        }
        return octet == 3 ? "." + at.octet(3) : "." + at.octet(octet) + (octet == 2 ? ".x" : ".x.x");
    }
}
