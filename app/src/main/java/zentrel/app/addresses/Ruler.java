package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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
 */
record Ruler(Segment segment, Ipv4Address first, int bits, List<Pin> pins, List<Pin> off) {
    /** One address of one adapter. */
    record Pin(Adapter adapter, HostAddress address, String name) {}

    static Ruler of(PlanIndex index, Segment segment) {
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
        return new Ruler(segment, first, bits, on, off);
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
        return octet == 3 ? "." + at.octet(3) : "." + at.octet(octet) + (octet == 2 ? ".x" : ".x.x");
    }
}
