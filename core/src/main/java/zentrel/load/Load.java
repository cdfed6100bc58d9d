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
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/**
 * What the streams of a plan come to on the cable of each adapter, in either direction. Groups flood the whole segment, as
 * they do over a switch without settings, unless its switches snoop and somebody asks: then they go to their members only.
 *
 * @param links the adapters that carry anything, the busiest first
 * @param sent the streams that are sent, in the order of the plan
 * @param air what access points must send to groups and everybody, the busiest segment first
 * @param groups what happens to groups on each segment that carries some
 */
public record Load(List<Link> links, List<Sent> sent, List<Air> air, Map<Id<Segment>, Groups> groups) {
    /** How fast a cable is taken to be where nobody has looked: 100BASE-TX (IEEE 802.3). Few nodes are faster. */
    public static final double BITS_PER_SECOND = 100e6;

    /** Above this part of a link bursts of several sources no longer fit between each other. */
    public static final double MOST = Sources.FULL_LINK.value();

    /** What the switches of a segment do with groups. */
    public enum Groups {
        /** They go everywhere. */
        FLOOD,
        /** They go to their members only. */
        MEMBERS,
        /** They stop, {@link SwitchFeatures#GROUP_SECONDS} after the last question. */
        STOP
    }

    /**
     * A stream that is sent.
     *
     * @param by the adapter that it leaves by; none within the computer only
     * @param taking the adapters at which the ports are that take it
     */
    public record Sent(Stream stream, Optional<Adapter> by, List<Id<Adapter>> taking) {
        /** Whether it leaves on a segment. */
        public boolean isOn(Id<Segment> segment) {
            return by.isPresent() && by.get().segment().filter(segment::equals).isPresent();
        }

        /** Whether it leaves by an adapter. */
        public boolean leavesBy(Id<Adapter> adapter) {
            return by.isPresent() && by.get().id().equals(adapter);
        }

        /** Whether it arrives at an adapter, for it or flooded. */
        public boolean reaches(Adapter adapter) {
            boolean flooded = !Sums.toEach(stream.delivery())
                    && adapter.segment().filter(this::isOn).isPresent();
            return flooded ? !leavesBy(adapter.id()) : taking.contains(adapter.id());
        }
    }

    /**
     * What the access points of a segment send at their basic rate, without an answer.
     *
     * @param packets a second, to groups and to everybody
     */
    public record Air(Id<Segment> segment, double packets) {}

    /**
     * One adapter.
     *
     * @param speed how much its cable carries, in bits a second
     * @param out what it sends
     * @param in what arrives, as the switches there treat groups
     * @param meant what would arrive where switches pass groups on to their members only
     */
    public record Link(Id<Adapter> adapter, double speed, Flow out, Flow in, Flow meant) {
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
    public record Flow(double packets, double bits, double everybody) {}

    /**
     * More universes, to see what would be.
     *
     * @param from the program that would send them, as it sends the others
     * @param querierDies whether nobody asks any more who still wants a group, long enough for it to show
     */
    public record WhatIf(
            int universes, Id<Application> from, Protocol protocol, Delivery delivery, boolean querierDies) {}

    public Load {
        links = List.copyOf(links);
        sent = List.copyOf(sent);
        air = List.copyOf(air);
        groups = Map.copyOf(groups);
    }

    /** The load of a plan as it is. */
    public static Load of(Plan plan) {
        return of(plan, Optional.empty());
    }

    /**
     * This load, if it is also that of a plan that came of an edit: then what it holds of streams and adapters may be as it
     * was, where it does not matter here.
     *
     * @param then the plan of which this is the load
     */
    public Optional<Load> standing(Plan then, Plan now) {
        return SameLoad.of(then, now) ? Optional.of(this) : Optional.empty();
    }

    /** The load of a plan with more added. */
    public static Load of(Plan plan, Optional<WhatIf> more) {
        Sums sums = new Sums(plan, more.filter(WhatIf::querierDies).isPresent());
        for (Stream stream : plan.streams()) {
            sums.add(stream);
        }
        more.ifPresent(sums::add);
        return new Load(sums.links(), sums.sent, sums.air(), sums.groups);
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
    public Groups groupsOn(Id<Segment> segment) {
        return groups.getOrDefault(segment, Groups.FLOOD);
    }

    /** Packets in one direction, while they are added up. */
    private static final class Sum {
        private double packets;
        private double bits;
        private double everybody;

        void add(double more, int bytes, boolean broadcast) {
            packets += more;
            bits += more * bytes * 8;
            everybody += broadcast ? more : 0;
        }

        /** What the others of a segment sent. */
        void addOthers(Sum all, Sum own) {
            packets += all.packets - own.packets;
            bits += all.bits - own.bits;
            everybody += all.everybody - own.everybody;
        }

        Flow flow() {
            return new Flow(packets, bits, everybody);
        }
    }

    private static final class Sums {
        private static final Sum NOTHING = new Sum();

        private final PlanIndex index;
        private final Plan plan;
        private final List<Sent> sent = new ArrayList<>();
        private final Map<Id<Segment>, Sum> floods = new LinkedHashMap<>();
        private final Map<Id<Segment>, Sum> broadcasts = new LinkedHashMap<>();
        private final Map<Id<Adapter>, Sum> ownFloods = new HashMap<>();
        private final Map<Id<Adapter>, Sum> ownBroadcasts = new HashMap<>();
        private final Map<Id<Adapter>, Sum> out = new LinkedHashMap<>();
        private final Map<Id<Adapter>, Sum> in = new LinkedHashMap<>();
        private final Map<Id<Adapter>, Sum> meant = new LinkedHashMap<>();

        private final Map<Id<Application>, Optional<Adapter>> artnetBy = new HashMap<>();
        private final Map<Id<Application>, Optional<Adapter>> sacnBy = new HashMap<>();
        private final Map<Id<Application>, Map<Optional<Id<Segment>>, Optional<Id<Adapter>>>> receiving =
                new HashMap<>();
        private final Map<Id<Segment>, Groups> groups = new HashMap<>();
        private final Map<Id<Segment>, Double> onAir = new LinkedHashMap<>();

        Sums(Plan plan, boolean querierDies) {
            this.plan = plan;
            this.index = plan.index();
            IgmpSnooping.of(plan).forEach((segment, care) -> {
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
            Optional<Id<Segment>> segment = by.flatMap(Adapter::segment);
            List<Id<Adapter>> taking = new ArrayList<>(1);
            for (Port port : index.portsOf(stream.universe())) {
                if (port.protocol().inForce() == stream.protocol()) {
                    Optional<Id<Adapter>> at = receiving(port.id(), segment);
                    boolean another = at.isPresent()
                            && !taking.contains(at.get())
                            && (by.isEmpty() || !by.get().id().equals(at.get()));
                    if (another) {
                        taking.add(at.get());
                    }
                }
            }
            sent.add(new Sent(stream, by, taking));
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
                    List.of());
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
                List<Id<Adapter>> taking) {
            if (by.isEmpty() || by.get().kind() == AdapterKind.LOOPBACK) {
                return;
            }
            boolean broadcast = delivery == Delivery.BROADCAST || delivery == Delivery.LIMITED_BROADCAST;
            int bytes = WireSize.onEthernet(protocol);
            Adapter adapter = by.get();
            at(out, adapter.id()).add(packets * copies, bytes, broadcast);
            if (toEach(delivery)) {
                taking.forEach(r -> at(in, r).add(packets, bytes, false));
            } else if (delivery == Delivery.MULTICAST && groupsOn(by) != Groups.FLOOD) {
                if (groupsOn(by) == Groups.MEMBERS) {
                    taking.forEach(r -> at(in, r).add(packets, bytes, false));
                    if (taking.stream().anyMatch(this::isWireless)) {
                        adapter.segment().ifPresent(s -> onAir.merge(s, packets, Double::sum));
                    }
                }
            } else {
                adapter.segment().ifPresent(s -> onAir.merge(s, packets, Double::sum));
                // what floods is added up for the whole segment, for a large one has thousands of both
                adapter.segment().ifPresent(s -> at(floods, s).add(packets, bytes, broadcast));
                at(ownFloods, adapter.id()).add(packets, bytes, broadcast);
            }
            if (broadcast) {
                adapter.segment().ifPresent(s -> at(broadcasts, s).add(packets, bytes, true));
                at(ownBroadcasts, adapter.id()).add(packets, bytes, true);
            } else {
                taking.forEach(r -> at(meant, r).add(packets, bytes, false));
            }
        }

        private static <K> Sum at(Map<K, Sum> sums, K key) {
            return sums.computeIfAbsent(key, k -> new Sum());
        }

        /** What floods a segment reaches every adapter there but the one that sent it. */
        private void spread(Map<Id<Segment>, Sum> all, Map<Id<Adapter>, Sum> own, Map<Id<Adapter>, Sum> to) {
            all.forEach((segment, sum) -> {
                for (Adapter adapter : index.adaptersOn(segment)) {
                    Sum mine = own.getOrDefault(adapter.id(), NOTHING);
                    if (adapter.kind() != AdapterKind.LOOPBACK && sum.packets - mine.packets > 0) {
                        at(to, adapter.id()).addOthers(sum, mine);
                    }
                }
            });
        }

        private boolean isWireless(Id<Adapter> id) {
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

        /** The adapter by which a program sends a protocol; asked for every stream, and the same for all of a program. */
        private Optional<Adapter> sending(Id<Application> id, Protocol protocol) {
            Map<Id<Application>, Optional<Adapter>> known = protocol == Protocol.SACN ? sacnBy : artnetBy;
            Optional<Adapter> by = known.get(id);
            if (by == null) {
                by = bound(id, protocol);
                known.put(id, by);
            }
            return by;
        }

        /** The one that it is bound to, else the host's first. */
        private Optional<Adapter> bound(Id<Application> id, Protocol protocol) {
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

        /** The adapter at which a port gets what a stream sends; the same for all ports of a program. */
        private Optional<Id<Adapter>> receiving(Id<Port> port, Optional<Id<Segment>> segment) {
            return receiving
                    .computeIfAbsent(index.receiverOf(port).application(), a -> new HashMap<>(2))
                    .computeIfAbsent(segment, s -> receivingAdapter(index.applicationOf(port), s));
        }

        /** The one on the sender's segment, else the first. */
        private Optional<Id<Adapter>> receivingAdapter(Application application, Optional<Id<Segment>> segment) {
            @Nullable Adapter first = null;
            for (Adapter adapter : index.host(application.host()).adapters()) {
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
            Set<Id<Adapter>> all = new LinkedHashSet<>(out.keySet());
            all.addAll(in.keySet());
            List<Link> links = new ArrayList<>();
            for (Id<Adapter> id : all) {
                links.add(new Link(
                        id,
                        index.adapter(id).plug().megabits().map(m -> m * 1e6).orElse(BITS_PER_SECOND),
                        out.getOrDefault(id, NOTHING).flow(),
                        in.getOrDefault(id, NOTHING).flow(),
                        meant.getOrDefault(id, NOTHING).flow()));
            }
            links.sort(Comparator.comparingDouble(Link::part).reversed());
            return links;
        }
    }
}
