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
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;

/** Groups or broadcasts to wireless clients: {@code network.wireless-stream}. */
final class NetworkWirelessStream extends PathRule {
    NetworkWirelessStream() {
        super("network.wireless-stream");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.WIRELESS);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Load.Link link : context.load().links()) {
            Adapter adapter = context.index().adapter(link.adapter());
            if (adapter.kind() != AdapterKind.WIRELESS || adapter.segment().isEmpty()) {
                continue;
            }
            List<Load.Sent> flooding = flooding(context, adapter.segment().get()).stream()
                    .filter(s -> !s.leavesBy(adapter.id())) // its own radio sends it once, and receives none of it
                    .toList();
            double packets = flooding.stream()
                    .mapToDouble(s -> s.stream().ratePerSecond())
                    .sum();
            if (packets > 0) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.CARRIED),
                        List.of(adapter.id()),
                        RuleWords.say(
                                "network.wireless-stream.says",
                                "packets",
                                String.format(Locale.ROOT, "%.0f", packets),
                                "adapter",
                                context.index().name(adapter.id()),
                                "slow",
                                percent(Airtime.part(Protocol.SACN, packets, Airtime.SLOWEST_RATE)),
                                "fast",
                                percent(Airtime.part(Protocol.SACN, packets, Airtime.SLOWEST_RATE_5_GHZ))),
                        List.of(toEach(context, adapter.segment().get(), flooding))));
            }
        }
        return findings;
    }

    private static String percent(double part) {
        return String.format(Locale.ROOT, "%.0f %%", 100 * part);
    }

    /** What goes to everybody on a segment. */
    private static List<Load.Sent> flooding(CheckContext context, Id<Segment> segment) {
        boolean groups = context.load().groupsOn(segment) == Load.Groups.FLOOD;
        List<Load.Sent> flooding = new ArrayList<>();
        for (Load.Sent sent : context.load().sent()) {
            Delivery delivery = sent.stream().delivery();
            boolean floods = (delivery == Delivery.MULTICAST && groups)
                    || delivery == Delivery.BROADCAST
                    || delivery == Delivery.LIMITED_BROADCAST;
            if (floods && sent.isOn(segment)) {
                flooding.add(sent);
            }
        }
        return flooding;
    }

    /** sACN to a list of those that take it, Art-Net to those found. */
    private static Edit toEach(CheckContext context, Id<Segment> segment, List<Load.Sent> flooding) {
        return new Edit(
                RuleWords.say(
                        "network.wireless-stream.fix",
                        "segment",
                        context.index().name(segment)),
                p -> {
                    Plan next = p;
                    for (Load.Sent sent : flooding) {
                        List<Ipv4Address> to = sent.taking().stream()
                                .map(context.index()::adapter)
                                .flatMap(a -> a.addresses().stream().limit(1))
                                .map(a -> a.inForce().address())
                                .toList();
                        next = next.with(
                                sent.stream().id(),
                                s -> s.protocol() == Protocol.SACN
                                        ? s.withDelivery(Delivery.UNICAST, to)
                                        : s.withDelivery(Delivery.FOUND, List.of()));
                    }
                    return next;
                });
    }
}
