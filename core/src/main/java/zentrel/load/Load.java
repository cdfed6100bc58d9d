package zentrel.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zentrel.plan.*;

/**
 * What the streams of a plan come to on the cable of each adapter, in either direction. Groups flood the whole segment, as
 * they do over a switch without settings, unless its switches snoop and somebody asks: then they go to their members only.
 *
 * @param links the adapters that carry anything, the busiest first
 * @param receivers the adapters at which the ports are that take each stream
 * @param sentOn the segment on which each stream that is sent leaves
 * @param air what access points must send to groups and everybody, the busiest segment first
 * @param groups what happens to groups on each segment that carries some
 */
public record Load(
        List<Link> links,
        Map<StreamId, SegmentId> sentOn,
        Map<StreamId, List<AdapterId>> receivers,
        List<Air> air,
        Map<SegmentId, Groups> groups) {
    /** How fast a cable is taken to be where nobody has looked: 100BASE-TX (IEEE 802.3). Few nodes are faster. */
    public static final double BITS_PER_SECOND = 100e6;

    /** Above this part of a link bursts of several sources no longer fit between each other (common practice, no source). */
    public static final double MOST = 0.7;

    /** What the switches of a segment do with groups. */
    public enum Groups {
        /** They go everywhere. */
        FLOOD,
        /** They go to their members only. */
        MEMBERS,
        /** They stop, {@link Switching#GROUP_SECONDS} after the last question. */
        STOP
    }

    /**
     * What the access points of a segment send at their basic rate, without an answer.
     *
     * @param packets a second, to groups and to everybody
     */
    public record Air(SegmentId segment, double packets) {}

    /**
     * One adapter.
     *
     * @param speed how much its cable carries, in bits a second
     * @param out what it sends
     * @param in what arrives, as the switches there treat groups
     * @param meant what would arrive where switches pass groups on to their members only
     */
    public record Link(AdapterId adapter, double speed, Flow out, Flow in, Flow meant) {
        /** The busier direction, in parts of what the cable carries. */
        public double part() {
            return Math.max(out.bits(), in.bits()) / speed;
        }
    }

    /**
     * Packets in one direction.
     *
     * @param packets a second
     * @param bits a second on Ethernet, gaps and all
     * @param everybody packets a second of these that are broadcast, which every device must look at
     */
    public record Flow(double packets, double bits, double everybody) {
        static final Flow NONE = new Flow(0, 0, 0);

        Flow and(double packetsMore, int bytes, boolean broadcast) {
            return new Flow(
                    packets + packetsMore, bits + packetsMore * bytes * 8, everybody + (broadcast ? packetsMore : 0));
        }
    }

    /**
     * More universes, to see what would be.
     *
     * @param from the program that would send them, as it sends the others
     * @param querierDies whether nobody asks any more who still wants a group, long enough for it to show
     */
    public record WhatIf(
            int universes, ApplicationId from, Protocol protocol, Delivery delivery, boolean querierDies) {}

    public Load {
        links = List.copyOf(links);
        sentOn = Map.copyOf(sentOn);
        receivers = Map.copyOf(receivers);
        air = List.copyOf(air);
        groups = Map.copyOf(groups);
    }

    /** The load of a plan as it is. */
    public static Load of(Plan plan) {
        return of(plan, Optional.empty());
    }

    /** The load of a plan with more added. */
    public static Load of(Plan plan, Optional<WhatIf> more) {
        Sums sums = new Sums(plan, more.filter(WhatIf::querierDies).isPresent());
        for (Stream stream : plan.streams()) {
            sums.add(stream);
        }
        more.ifPresent(sums::add);
        return new Load(sums.links(), sums.sentOn, sums.receivers, sums.air(), sums.groups);
    }

    /** Whether a stream is sent, and leaves on this segment. */
    public boolean isSentOn(Stream stream, SegmentId segment) {
        return segment.equals(sentOn.get(stream.id()));
    }

    /** Whether a stream that is sent passes an adapter, in or out, groups and broadcasts flooded. */
    public boolean passes(Stream stream, AdapterId adapter, PlanIndex index) {
        if (!receivers.containsKey(stream.id())) {
            return false;
        }
        boolean sender = index.host(index.application(stream.application()).host()).adapters().stream()
                .anyMatch(a -> a.id().equals(adapter));
        boolean flooded = !Sums.toEach(stream.delivery())
                && index.adapter(adapter).segment().equals(Optional.ofNullable(sentOn.get(stream.id())));
        return sender
                || flooded
                || receivers.getOrDefault(stream.id(), List.of()).contains(adapter);
    }

    /** The busiest link. */
    public Optional<Link> busiest() {
        return links.stream().findFirst();
    }

    /** How many more universes of a protocol at a rate every link has room for, below {@link #MOST}. */
    public int headroom(Protocol protocol, double rate) {
        double left = links.stream()
                .mapToDouble(l -> (MOST - l.part()) * l.speed())
                .min()
                .orElse(MOST * BITS_PER_SECOND);
        return (int) Math.max(0, Math.floor(left / (WireSize.onEthernet(protocol) * 8 * rate)));
    }

    /** What happens to groups on a segment. */
    public Groups groupsOn(SegmentId segment) {
        return groups.getOrDefault(segment, Groups.FLOOD);
    }

    private static final class Sums {
        private final PlanIndex index;
        private final Plan plan;
        private final Map<StreamId, List<AdapterId>> receivers = new HashMap<>();
        private final Map<StreamId, SegmentId> sentOn = new HashMap<>();
        private final Map<SegmentId, Flow> floods = new LinkedHashMap<>();
        private final Map<SegmentId, Flow> broadcasts = new LinkedHashMap<>();
        private final Map<AdapterId, Flow> ownFloods = new HashMap<>();
        private final Map<AdapterId, Flow> ownBroadcasts = new HashMap<>();
        private final Map<AdapterId, Flow> out = new LinkedHashMap<>();
        private final Map<AdapterId, Flow> in = new LinkedHashMap<>();
        private final Map<AdapterId, Flow> meant = new LinkedHashMap<>();

        private final Map<ApplicationId, Optional<Adapter>> artnetBy = new HashMap<>();
        private final Map<ApplicationId, Optional<Adapter>> sacnBy = new HashMap<>();
        private final Map<SegmentId, Groups> groups = new HashMap<>();
        private final Map<SegmentId, Double> onAir = new LinkedHashMap<>();

        Sums(Plan plan, boolean querierDies) {
            this.plan = plan;
            this.index = plan.index();
            Snooping.of(plan).forEach((segment, care) -> {
                boolean drops = care.snoopers().stream()
                        .anyMatch(h -> index.host(h).switching().dropsUnasked());
                groups.put(
                        segment,
                        !care.isAsked()
                                ? Groups.FLOOD // at first; the path says when it stops
                                : !querierDies ? Groups.MEMBERS : drops ? Groups.STOP : Groups.FLOOD);
            });
        }

        private boolean sends(Stream stream) {
            return stream.enabled().inForce()
                    && !stream.standby()
                    && index.application(stream.application())
                            .output(stream.protocol())
                            .enabled()
                            .inForce();
        }

        void add(Stream stream) {
            if (!sends(stream) || WireSize.onEthernet(stream.protocol()) == 0) {
                return;
            }
            Optional<Adapter> by = sending(stream.application(), stream.protocol());
            Optional<SegmentId> segment = by.flatMap(Adapter::segment);
            Set<AdapterId> taking = new LinkedHashSet<>();
            for (Port port : index.portsOf(stream.universe())) {
                if (port.protocol().inForce() == stream.protocol()) {
                    receiving(port.id(), segment).ifPresent(taking::add);
                }
            }
            by.ifPresent(a -> taking.remove(a.id()));
            segment.ifPresent(s -> sentOn.put(stream.id(), s));
            receivers.put(stream.id(), List.copyOf(taking));
            send(
                    by,
                    stream.protocol(),
                    stream.delivery(),
                    stream.ratePerSecond(),
                    toEach(stream.delivery()) ? taking.size() : 1,
                    taking);
        }

        private static boolean toEach(Delivery delivery) {
            return delivery == Delivery.UNICAST || delivery == Delivery.FOUND;
        }

        void add(WhatIf more) {
            double rate = plan.streams().stream()
                    .filter(s -> s.application().equals(more.from()) && s.protocol() == more.protocol())
                    .mapToDouble(Stream::ratePerSecond)
                    .max()
                    .orElse(44);
            send(
                    sending(more.from(), more.protocol()),
                    more.protocol(),
                    more.delivery(),
                    rate * more.universes(),
                    1,
                    Set.of());
        }

        private Groups groupsOn(Optional<Adapter> by) {
            return by.flatMap(Adapter::segment)
                    .map(s -> groups.getOrDefault(s, Groups.FLOOD))
                    .orElse(Groups.FLOOD);
        }

        private void send(
                Optional<Adapter> by,
                Protocol protocol,
                Delivery delivery,
                double packets,
                int copies,
                Set<AdapterId> taking) {
            if (by.isEmpty() || by.get().kind() == AdapterKind.LOOPBACK) {
                return;
            }
            boolean broadcast = delivery == Delivery.BROADCAST || delivery == Delivery.LIMITED_BROADCAST;
            int bytes = WireSize.onEthernet(protocol);
            out.merge(by.get().id(), Flow.NONE.and(packets * copies, bytes, broadcast), Sums::sum);
            if (toEach(delivery)) {
                taking.forEach(r -> in.merge(r, Flow.NONE.and(packets, bytes, false), Sums::sum));
            } else if (delivery == Delivery.MULTICAST && groupsOn(by) != Groups.FLOOD) {
                if (groupsOn(by) == Groups.MEMBERS) {
                    taking.forEach(r -> in.merge(r, Flow.NONE.and(packets, bytes, false), Sums::sum));
                    if (taking.stream().anyMatch(this::isWireless)) {
                        by.get().segment().ifPresent(s -> onAir.merge(s, packets, Double::sum));
                    }
                }
            } else {
                by.get().segment().ifPresent(s -> onAir.merge(s, packets, Double::sum));
                // what floods is added up for the whole segment, for a large one has thousands of both
                Flow flooded = Flow.NONE.and(packets, bytes, broadcast);
                by.get().segment().ifPresent(s -> floods.merge(s, flooded, Sums::sum));
                ownFloods.merge(by.get().id(), flooded, Sums::sum);
            }
            if (broadcast) {
                Flow flooded = Flow.NONE.and(packets, bytes, true);
                by.get().segment().ifPresent(s -> broadcasts.merge(s, flooded, Sums::sum));
                ownBroadcasts.merge(by.get().id(), flooded, Sums::sum);
            } else {
                taking.forEach(r -> meant.merge(r, Flow.NONE.and(packets, bytes, false), Sums::sum));
            }
        }

        /** What floods a segment reaches every adapter there but the one that sent it. */
        private void spread(Map<SegmentId, Flow> all, Map<AdapterId, Flow> own, Map<AdapterId, Flow> to) {
            all.forEach((segment, flow) -> {
                for (Adapter adapter : index.adaptersOn(segment)) {
                    Flow mine = own.getOrDefault(adapter.id(), Flow.NONE);
                    Flow others = new Flow(
                            flow.packets() - mine.packets(),
                            flow.bits() - mine.bits(),
                            flow.everybody() - mine.everybody());
                    if (adapter.kind() != AdapterKind.LOOPBACK && others.packets() > 0) {
                        to.merge(adapter.id(), others, Sums::sum);
                    }
                }
            });
        }

        private boolean isWireless(AdapterId id) {
            return index.adapter(id).kind() == AdapterKind.WIRELESS;
        }

        /** The segments on which anything is wireless, with what goes to groups and everybody there. */
        List<Air> air() {
            List<Air> list = new ArrayList<>();
            onAir.forEach((segment, packets) -> {
                if (index.adaptersOn(segment).stream().anyMatch(a -> isWireless(a.id()))) {
                    list.add(new Air(segment, packets));
                }
            });
            list.sort(Comparator.comparingDouble(Air::packets).reversed());
            return list;
        }

        private static Flow sum(Flow a, Flow b) {
            return new Flow(a.packets() + b.packets(), a.bits() + b.bits(), a.everybody() + b.everybody());
        }

        /** The adapter by which a program sends a protocol; asked for every stream, and the same for all of a program. */
        private Optional<Adapter> sending(ApplicationId id, Protocol protocol) {
            Map<ApplicationId, Optional<Adapter>> known = protocol == Protocol.SACN ? sacnBy : artnetBy;
            Optional<Adapter> by = known.get(id);
            if (by == null) {
                by = bound(id, protocol);
                known.put(id, by);
            }
            return by;
        }

        /** The one that it is bound to, else the host's first. */
        private Optional<Adapter> bound(ApplicationId id, Protocol protocol) {
            Application application = index.application(id);
            Binding binding = application.binding(Purpose.sending(protocol));
            if (binding.mode() == BindingMode.ADAPTERS) {
                return binding.adapters().stream().map(index::adapter).findFirst();
            }
            return binding.mode() == BindingMode.LOOPBACK
                    ? Optional.empty()
                    : index.host(application.host()).adapters().stream()
                            .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                            .findFirst();
        }

        /** The adapter at which a port gets what a stream sends: the one on the sender's segment. */
        private Optional<AdapterId> receiving(PortId port, Optional<SegmentId> segment) {
            @Nullable Adapter first = null;
            for (Adapter adapter : index.host(index.applicationOf(port).host()).adapters()) {
                if (adapter.kind() == AdapterKind.LOOPBACK) {
                    continue;
                }
                if (adapter.segment().equals(segment)) {
                    return Optional.of(adapter.id());
                }
                first = first == null ? adapter : first;
            }
            return Optional.ofNullable(first).map(Adapter::id);
        }

        List<Link> links() {
            spread(floods, ownFloods, in);
            spread(broadcasts, ownBroadcasts, meant);
            Set<AdapterId> all = new LinkedHashSet<>(out.keySet());
            all.addAll(in.keySet());
            List<Link> links = new ArrayList<>();
            for (AdapterId id : all) {
                links.add(new Link(
                        id,
                        index.adapter(id).plug().megabits().map(m -> m * 1e6).orElse(BITS_PER_SECOND),
                        out.getOrDefault(id, Flow.NONE),
                        in.getOrDefault(id, Flow.NONE),
                        meant.getOrDefault(id, Flow.NONE)));
            }
            links.sort(Comparator.comparingDouble(Link::part).reversed());
            return links;
        }
    }
}
