package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AdapterKind;
import zentrel.plan.PlanIndex;
import zentrel.plan.Segment;

/**
 * A ruler of one segment, without nodes: the stretch of address space that is in use, drawn to the real numbers. The
 * stretch is a block of a power of two, so that its edges are edges people know.
 *
 * @param first the first address shown
 * @param bits the stretch holds 2^bits addresses
 * @param before pins of the subnet to the left of the stretch
 * @param after pins of the subnet to its right
 */
record Ruler(Segment segment, Ipv4Address first, int bits, List<Pin> pins, List<Pin> off, int before, int after) {
    /** One address of one adapter. */
    record Pin(Adapter adapter, HostAddress address, String name) {}

    /** A stretch that somebody zoomed to. */
    record View(Ipv4Address first, int bits) {}

    /** Twenty neighbours and more fit the narrowest stretch. */
    private static final int NARROWEST = 5;

    static Ruler of(PlanIndex index, Segment segment, Optional<View> view) {
        List<Pin> all = new ArrayList<>();
        for (Adapter adapter : index.adaptersOn(segment.id())) {
            if (adapter.kind() != AdapterKind.LOOPBACK) {
                for (AdapterAddress a : adapter.addresses()) {
                    all.add(new Pin(
                            adapter, a.inForce(), index.hostOf(adapter.id()).name()));
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
                (int) on.stream().filter(p -> at(p) >= right).count());
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
