package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.load.Airtime;
import zentrel.load.Load;
import zentrel.path.HopKind;
import zentrel.plan.*;

/** Groups or broadcasts to wireless clients: {@code network.wireless-stream}. */
final class NetworkWirelessStream extends PathRule {
    NetworkWirelessStream() {
        super(
                "network.wireless-stream",
                "Groups or broadcasts to wireless clients",
                "An access point sends groups and broadcasts at its basic rate, without an answer, and holds them for clients that sleep (IEEE 802.11): one sACN universe at 44 a second takes about a quarter of all airtime at 1 Mbit/s. What can be wired is (common practice, no source).");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.anyAdapter(a -> a.kind() == AdapterKind.WIRELESS);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        if (!applies(context)) {
            return findings;
        }
        for (Load.Link link : context.load().links()) {
            Adapter adapter = context.index().adapter(link.adapter());
            if (adapter.kind() != AdapterKind.WIRELESS || adapter.segment().isEmpty()) {
                continue;
            }
            double packets = flooded(context, adapter.segment().get());
            if (packets > 0) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.CARRIED),
                        List.of(adapter.id()),
                        String.format(
                                Locale.ROOT,
                                "%.0f packets a second to groups or everybody reach the wireless %s: about %.0f %% of the"
                                        + " airtime at 1 Mbit/s, %.0f %% at 6. Wire it, put it on a segment without"
                                        + " streams, or send to each.",
                                packets,
                                context.index().name(adapter.id()),
                                100 * Airtime.part(Protocol.SACN, packets, Airtime.SLOWEST_RATE),
                                100 * Airtime.part(Protocol.SACN, packets, Airtime.SLOWEST_RATE_5_GHZ)),
                        List.of(toEach(context, adapter.segment().get()))));
            }
        }
        return findings;
    }

    private static boolean floods(CheckContext context, Stream stream, SegmentId segment) {
        return ((stream.delivery() == Delivery.MULTICAST && context.load().groupsOn(segment) == Load.Groups.FLOOD)
                        || stream.delivery() == Delivery.BROADCAST
                        || stream.delivery() == Delivery.LIMITED_BROADCAST)
                && context.load().isSentOn(stream, segment);
    }

    /** sACN to a list of those that take it, Art-Net to those found. */
    private static Edit toEach(CheckContext context, SegmentId segment) {
        return new Edit("Send each stream on " + context.index().name(segment) + " to those that take it only", p -> {
            Plan next = p;
            for (Stream stream : context.plan().streams()) {
                if (floods(context, stream, segment)) {
                    List<Ipv4Address> to = context.load().receivers().getOrDefault(stream.id(), List.of()).stream()
                            .map(context.index()::adapter)
                            .flatMap(a -> a.addresses().stream().limit(1))
                            .map(a -> a.inForce().address())
                            .toList();
                    next = next.withStream(
                            stream.id(),
                            s -> s.protocol() == Protocol.SACN
                                    ? s.withDelivery(Delivery.UNICAST, to)
                                    : s.withDelivery(Delivery.FOUND, List.of()));
                }
            }
            return next;
        });
    }

    /** Packets a second on a segment that go to groups or everybody. */
    private static double flooded(CheckContext context, SegmentId segment) {
        double packets = 0;
        for (Stream stream : context.plan().streams()) {
            if (floods(context, stream, segment)) {
                packets += stream.ratePerSecond();
            }
        }
        return packets;
    }
}
