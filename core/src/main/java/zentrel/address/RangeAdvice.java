package zentrel.address;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.path.HopKind;
import zentrel.path.Leg;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.Protocol;

/**
 * Which range each segment should use, judged from what is in the plan: what boxes accept, an existing network with a router,
 * addresses that cannot change, a way out, guests, and programs that share a computer.
 *
 * @param ranges one for each segment, in the order of the plan
 * @param remarks about the whole: one network or two, and what programs on one computer use
 */
public record RangeAdvice(List<ForSegment> ranges, List<String> remarks) {
    /**
     * The advice for one segment.
     *
     * @param keep whether it uses that range already
     * @param reasons in sentences, the weightiest first
     */
    public record ForSegment(Id<Segment> segment, Subnet range, boolean keep, List<String> reasons) {
        public ForSegment {
            reasons = List.copyOf(reasons);
        }
    }

    public RangeAdvice {
        ranges = List.copyOf(ranges);
        remarks = List.copyOf(remarks);
    }

    /** Tried in this order where nothing says otherwise; private (RFC 1918), and easy to read aloud. */
    private static final List<Subnet> OWN = List.of(
            Subnet.parse("10.41.0.0/16"),
            Subnet.parse("10.42.0.0/16"),
            Subnet.parse("10.43.0.0/16"),
            Subnet.parse("10.44.0.0/16"),
            Subnet.parse("10.45.0.0/16"),
            Subnet.parse("10.46.0.0/16"));

    private static final Subnet ARTNET = Subnet.parse("2.0.0.0/8");

    /** Works out the advice. */
    public static RangeAdvice of(Plan plan) {
        List<ForSegment> ranges = new ArrayList<>();
        Set<Subnet> used = new HashSet<>();
        for (Segment segment : plan.segments()) {
            ForSegment advice = forSegment(plan, segment, used);
            used.add(advice.range());
            ranges.add(advice);
        }
        List<String> remarks = new ArrayList<>();
        Map<Id<Segment>, Boolean> streamed = streamed(plan);
        oneOrTwo(plan, streamed, remarks);
        guests(plan, streamed, remarks);
        shared(plan, streamed, remarks);
        oneComputer(plan, remarks);
        return new RangeAdvice(ranges, remarks);
    }

    private static ForSegment forSegment(Plan plan, Segment segment, Set<Subnet> used) {
        List<Adapter> adapters = plan.index().adaptersOn(segment.id());
        Optional<Subnet> now = segment.subnet()
                .or(() -> adapters.stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().subnet())
                        .findFirst());
        List<String> against = new ArrayList<>();
        List<String> reasons = new ArrayList<>();
        List<Subnet> accepted = accepted(plan, adapters, reasons);
        if (now.isPresent()) {
            against(plan, segment, now.get(), accepted, used, against);
            Optional<Adapter> held = adapters.stream().filter(Adapter::pinned).findFirst();
            if (held.isPresent() || (segment.wayOut() && router(plan, adapters).isPresent())) {
                String why = held.map(a -> plan.index().hostOf(a.id()).name() + " is pinned to its address there.")
                        .orElseGet(() -> router(plan, adapters).map(Host::name).orElse("Its router")
                                + " is there already and gives the range.");
                reasons.add(0, "Keep " + now.get() + ": " + why);
                reasons.addAll(against);
                return new ForSegment(segment.id(), now.get(), true, reasons);
            }
            if (against.isEmpty()) {
                reasons.add(0, "Keep " + now.get() + ": nothing speaks against it.");
                room(now.get(), adapters.size(), reasons);
                return new ForSegment(segment.id(), now.get(), true, reasons);
            }
        }
        Subnet chosen = choose(accepted, used, segment);
        reasons.addAll(0, against);
        reasons.add(
                0,
                "Use " + chosen + ": private (RFC 1918), apart from the other segments, and read aloud in four words.");
        if (ARTNET.overlaps(chosen)) {
            reasons.set(
                    0,
                    "Use " + chosen
                            + ": the only range that all devices on it accept. It has no uplink, and must stay so.");
        }
        room(chosen, adapters.size(), reasons);
        return new ForSegment(segment.id(), chosen, false, reasons);
    }

    /** What every device and program on the segment accepts; empty where none is particular. */
    private static List<Subnet> accepted(Plan plan, List<Adapter> adapters, List<String> reasons) {
        List<Subnet> common = new ArrayList<>();
        Set<String> particular = new LinkedHashSet<>();
        for (Adapter adapter : adapters) {
            for (AcceptedRanges one : AcceptedRanges.at(plan, adapter)) {
                if (particular.isEmpty()) {
                    common.addAll(one.ranges());
                } else {
                    common.removeIf(c -> one.ranges().stream().noneMatch(c::overlaps));
                }
                particular.add(one.name());
            }
        }
        if (!particular.isEmpty()) {
            reasons.add(String.join(", ", particular)
                    + (particular.size() == 1 ? " accepts " : " accept ")
                    + (common.isEmpty()
                            ? "no range in common: part them over two segments."
                            : String.join(
                                            " or ",
                                            common.stream()
                                                    .map(Subnet::toString)
                                                    .toList()) + " only."));
        }
        return common;
    }

    private static void against(
            Plan plan, Segment segment, Subnet now, List<Subnet> accepted, Set<Subnet> used, List<String> against) {
        if (!accepted.isEmpty() && accepted.stream().noneMatch(a -> a.contains(now.network()))) {
            against.add(now + " is none of what these accept.");
        }
        if (segment.wayOut() && SpecialAddresses.isPublic(now.network())) {
            against.add(now + " belongs to somebody on the internet, and " + segment.name() + " has an uplink.");
        }
        used.stream()
                .filter(now::overlaps)
                .findFirst()
                .ifPresent(u -> against.add(now + " overlaps " + u + " of another segment."));
        if (now.network().isLinkLocal() && plan.index().adaptersOn(segment.id()).size() > 2) {
            against.add("Self-assigned addresses change from start to start, so nothing can be typed in against them.");
        }
    }

    private static Subnet choose(List<Subnet> accepted, Set<Subnet> used, Segment segment) {
        for (Subnet own : OWN) {
            boolean fits = accepted.isEmpty() || accepted.stream().anyMatch(a -> a.contains(own.network()));
            if (fits && used.stream().noneMatch(own::overlaps)) {
                return own;
            }
        }
        return accepted.stream()
                .filter(a -> !(segment.wayOut() && SpecialAddresses.isPublic(a.network())))
                .filter(a -> used.stream().noneMatch(a::overlaps))
                .findFirst()
                .orElse(ARTNET);
    }

    private static void room(Subnet range, int boxes, List<String> reasons) {
        if (2L * boxes > range.hostCount()) {
            reasons.add("It has room for " + range.hostCount() + ", and " + boxes
                    + " are on it: too few to double. A mask of /" + SegmentMove.lengthFor(2L * boxes) + " would do.");
        }
    }

    private static Optional<Host> router(Plan plan, List<Adapter> adapters) {
        return adapters.stream()
                .map(a -> plan.index().hostOf(a.id()))
                .filter(h -> h.kind() == HostKind.ROUTER)
                .findFirst();
    }

    /** The segments that streams cross, and whether any of them goes to all there. */
    private static Map<Id<Segment>, Boolean> streamed(Plan plan) {
        Map<Id<Segment>, Boolean> floods = new LinkedHashMap<>();
        for (SignalPath path : new SignalPaths(plan).all()) {
            boolean toAll = path.delivery().equals(Delivery.MULTICAST.word())
                    || path.delivery().equals(Delivery.BROADCAST.word())
                    || path.delivery().equals(Delivery.LIMITED_BROADCAST.word());
            for (Leg leg : path.legs()) {
                if (!path.protocol().equals("osc")) {
                    leg.hop(HopKind.CARRIED)
                            .at()
                            .as(Kind.SEGMENT)
                            .ifPresent(segment -> floods.merge(segment, toAll, Boolean::logicalOr));
                }
            }
        }
        return floods;
    }

    private static void oneOrTwo(Plan plan, Map<Id<Segment>, Boolean> streamed, List<String> remarks) {
        streamed.forEach((id, floods) -> {
            long wireless = plan.index().adaptersOn(id).stream()
                    .filter(a -> a.kind() == AdapterKind.WIRELESS)
                    .filter(a -> plan.index().hostOf(a.id()).kind() != HostKind.ACCESS_POINT)
                    .count();
            if (wireless > 0 && floods) {
                remarks.add(
                        "Take two networks: " + wireless
                                + (wireless == 1 ? " wireless device shares " : " wireless devices share ")
                                + plan.index().segment(id).name()
                                + " with the stream, and access points send groups and broadcasts at their lowest rate. Put remotes on a segment of their own.");
            }
        });
        if (plan.segments().size() == 1 && remarks.isEmpty()) {
            remarks.add(
                    "One network will do: nothing wireless shares it with a stream, and nobody from outside joins it.");
        }
    }

    private static void guests(Plan plan, Map<Id<Segment>, Boolean> streamed, List<String> remarks) {
        for (Segment segment : plan.segments()) {
            if (segment.guests() && streamed.containsKey(segment.id())) {
                remarks.add("Guests join " + segment.name()
                        + ", which streams cross: give them a segment of their own, for a stream has no password.");
            }
        }
    }

    /** Streams on a network that somebody else keeps or that leads out, and computers that have one adapter for both. */
    private static void shared(Plan plan, Map<Id<Segment>, Boolean> streamed, List<String> remarks) {
        for (Segment segment : plan.segments()) {
            boolean foreign = segment.wayOut() || !segment.keeper().isEmpty();
            if (!foreign || !streamed.containsKey(segment.id())) {
                continue;
            }
            String keeper = segment.keeper().isEmpty() ? "whoever keeps it" : segment.keeper();
            remarks.add(segment.name() + (segment.wayOut() ? " leads out" : " is not your own")
                    + ", and streams cross it: ask " + keeper
                    + " first, with the sheet of what will be on it, or give the lights a segment of their own.");
            for (Adapter adapter : plan.index().adaptersOn(segment.id())) {
                Host host = plan.index().hostOf(adapter.id());
                long others = host.adapters().stream()
                        .filter(a -> a.needsCarrier() && !a.id().equals(adapter.id()))
                        .count();
                if (host.kind() == HostKind.COMPUTER && others == 0 && streams(plan, host)) {
                    remarks.add(
                            host.name() + " has one adapter for the lights and for " + segment.name()
                                    + ": add a second, such as a USB adapter, bind the lights to it, and leave this one as it is.");
                }
            }
        }
    }

    private static boolean streams(Plan plan, Host host) {
        return plan.index().applicationsOn(host.id()).stream()
                .anyMatch(a -> !plan.index().streamsFrom(a.id()).isEmpty()
                        || !plan.index().receiversOf(a.id()).isEmpty());
    }

    /** Programs that send to each other within one computer. */
    private static void oneComputer(Plan plan, List<String> remarks) {
        PlanIndex index = plan.index();
        Set<String> said = new LinkedHashSet<>();
        for (Stream stream : plan.streams()) {
            Application from = index.application(stream.application());
            for (Port port : index.portsOf(stream.universe())) {
                Application to = index.applicationOf(port.id());
                if (from.id().equals(to.id())
                        || !from.host().equals(to.host())
                        || !stream.protocol().onNetwork()) {
                    continue;
                }
                Host host = index.host(from.host());
                boolean virtual = host.adapters().stream().anyMatch(a -> a.kind() == AdapterKind.VIRTUAL);
                said.add(
                        from.name() + " and " + to.name() + " share " + host.name() + ": "
                                + (stream.protocol() == Protocol.ARTNET && !virtual
                                        ? "bind both to loopback, 127.0.0.1; if one of them offers no loopback, add a virtual adapter in a range both accept."
                                        : virtual
                                                ? "bind both to its virtual adapter, which no cable can take down."
                                                : "bind both to the same adapter; multicast reaches programs on one computer only where the system loops it back."));
            }
        }
        remarks.addAll(said);
    }
}
