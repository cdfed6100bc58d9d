package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;

/** Hop 5: whether segments, cables, switches and access points carry it from one adapter to the other. */
final class CarryJudge {
    /** Below this a socket holds up a rig of any size, in Mbit/s: about a hundred universes at 44 a second fill half of it. */
    private static final int SLOW = 100;

    private final PathContext context;
    private final RouterJudge routers;

    CarryJudge(PathContext context) {
        this.context = context;
        routers = new RouterJudge(context);
    }

    void judge(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        ttl(hop, s, from, to, pair);
        if (!pair.joined()) {
            if (s.delivery() == Delivery.UNICAST) {
                context.routers()
                        .joining(pair.out(), pair.in())
                        .flatMap(r -> Routers.adapterOn(r, pair.out()))
                        .ifPresent(near -> stretch(hop, s, new Pair(pair.out(), near, true), from, to));
            }
            if (routers.judge(hop, s, from, to, pair)) {
                return;
            }
            if (darkRouter(hop, from, to, pair)) {
                return;
            }
            hop.broken(
                    Reason.APART,
                    pair.in().id(),
                    Facts.of("from", from, "to", to, "out", pair.out(), "in", pair.in(), "delivery", s.delivery()));
            return;
        }
        hop.passes(pair.in().segment().<Id<?>>map(x -> x).orElse(pair.in().id()), carried(pair));
        for (Pair stretch : context.routers().stretches(pair)) {
            stretch(hop, s, stretch, from, to);
        }
    }

    /** What lies between two adapters of one segment, on the way from one device to another. */
    private void stretch(HopDraft hop, Shipment s, Pair stretch, Host from, Host to) {
        Host near = context.hostOf(stretch.out()).orElse(from);
        Host far = context.hostOf(stretch.in()).orElse(to);
        isolated(hop, near, far, stretch);
        if (PathContext.sameSegment(stretch.out(), stretch.in())) {
            vlan(hop, near, far, stretch);
            ring(hop, stretch);
            group(hop, s, near, far, stretch);
            unpowered(hop, near, far, stretch);
        }
        slow(hop, stretch.out());
        slow(hop, stretch.in());
        context.cutBetween(stretch.out(), stretch.in())
                .filter(cut -> !isOwn(cut, stretch.out()) && !isOwn(cut, stretch.in()))
                .ifPresent(cut -> cut(hop, near, far, cut));
    }

    /** Each router takes one off the TTL, and what has none left goes no further (RFC 791, section 3.2). */
    private void ttl(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        boolean toAll = s.delivery() != Delivery.UNICAST && s.delivery() != Delivery.FOUND;
        if (s.ttl().isEmpty() || (toAll && !PathContext.sameSegment(pair.out(), pair.in()))) {
            return; // what is for all ends at the router, whatever its TTL
        }
        int between = PathContext.sameSegment(pair.out(), pair.in())
                ? 0
                : context.routers().chain(pair.out(), pair.in()).size();
        int ttl = s.ttl().get();
        if (ttl <= between) {
            hop.broken(
                    Reason.TTL_ENDS,
                    s.from().id(),
                    Facts.as(
                            between == 0 ? "own" : "",
                            "program",
                            s.from(),
                            "purpose",
                            s.send(),
                            "ttl",
                            ttl,
                            "routers",
                            between,
                            "needed",
                            between + 1,
                            "from",
                            from,
                            "to",
                            to));
        }
    }

    /** The router that joins the two has no power. */
    private boolean darkRouter(HopDraft hop, Host from, Host to, Pair pair) {
        Optional<Host> router = PathContext.real(to).stream()
                .flatMap(in -> context.routers().darkBetween(pair.out(), in).stream())
                .findFirst();
        router.ifPresent(r -> passingOff(hop, from, to, r, "routes"));
        return router.isPresent();
    }

    /** A device that everything between the two goes through has no power. */
    private void passingOff(HopDraft hop, Host from, Host to, Host by, String does) {
        PowerState.Dark dark = context.dark(by).orElseThrow();
        hop.broken(
                Reason.PASSING_OFF,
                dark.at(),
                Facts.as(does + (dark.own() ? "-off" : ""), "device", by, "from", from, "to", to, "why", dark.facts()));
    }

    /** What carries it: a segment, a router, or nothing that is described. */
    private Facts carried(Pair pair) {
        Optional<Id<Segment>> segment = pair.in().segment().or(() -> pair.out().segment());
        List<Host> routedBy = context.routers().between(pair.out(), pair.in());
        String form =
                PathContext.sameSegment(pair.out(), pair.in()) ? "segment" : routedBy.isEmpty() ? "meant" : "routers";
        Facts facts = Facts.as(segment.isPresent() ? form : form + "-not-known", "routers", routedBy);
        return segment.isPresent() ? facts.and("segment", segment.get()) : facts;
    }

    /**
     * Where no cables are described, all on a segment are joined by its switches and access points; where none of them has power,
     * nothing is. A wireless adapter needs an access point.
     */
    private void unpowered(HopDraft hop, Host from, Host to, Pair pair) {
        if (context.isPowerPlain() || context.isCabled(pair.out()) || context.isCabled(pair.in())) {
            return;
        }
        boolean wireless =
                pair.out().kind() == AdapterKind.WIRELESS || pair.in().kind() == AdapterKind.WIRELESS;
        List<Host> passing = context.index.adaptersOn(pair.in().segment().orElseThrow()).stream()
                .map(a -> context.index.hostOf(a.id()))
                .distinct()
                .filter(h -> !h.id().equals(from.id()) && !h.id().equals(to.id()))
                .filter(h -> wireless ? h.kind() == HostKind.ACCESS_POINT : IgmpSnooping.passesOn(context.index, h))
                .filter(h -> h.kind() == HostKind.SWITCH || h.kind() == HostKind.ACCESS_POINT)
                .toList();
        if (!passing.isEmpty() && passing.stream().noneMatch(context::hasPower)) {
            passingOff(hop, from, to, passing.get(0), "passes");
        }
    }

    private void isolated(HopDraft hop, Host from, Host to, Pair pair) {
        if (pair.out().kind() != AdapterKind.WIRELESS
                || pair.in().kind() != AdapterKind.WIRELESS
                || !PathContext.sameSegment(pair.out(), pair.in())) {
            return;
        }
        Segment segment = context.index.segment(pair.in().segment().orElseThrow());
        if (segment.isolated()) {
            hop.broken(Reason.CLIENTS_APART, segment.id(), Facts.of("from", from, "to", to, "segment", segment));
        }
    }

    /** Whether it is a cable of the adapter itself, which is told where the adapter is judged. */
    private boolean isOwn(CableLayout.Cut cut, Adapter adapter) {
        return cut.box().isEmpty()
                && !adapter.carrier()
                && context.index.cablesOf(adapter.id()).stream().anyMatch(c -> c.id().equals(cut.at()));
    }

    private void cut(HopDraft hop, Host from, Host to, CableLayout.Cut cut) {
        if (cut.box()
                .filter(b -> b.id().equals(from.id()) || b.id().equals(to.id()))
                .isPresent()) {
            return; // a box without power at either end is told there
        }
        if (cut.box().isEmpty()) {
            hop.broken(Reason.CABLE_OUT, cut.at(), Facts.as("between", "cable", cut.at(), "from", from, "to", to));
            return;
        }
        PowerState.Dark dark = cut.dark().orElseThrow();
        hop.broken(
                Reason.PASSING_OFF,
                cut.at(),
                Facts.as(
                        dark.own() ? "cut-off" : "cut",
                        "device",
                        cut.box().get(),
                        "from",
                        from,
                        "to",
                        to,
                        "why",
                        dark.facts()));
    }

    private void vlan(HopDraft hop, Host from, Host to, Pair pair) {
        Optional<Integer> out = pair.out().plug().vlan().map(Setting::inForce);
        Optional<Integer> in = pair.in().plug().vlan().map(Setting::inForce);
        if (out.isEmpty() || in.isEmpty() || out.equals(in)) {
            return;
        }
        int usual = context.usualVlan(pair.in().segment().orElseThrow()).orElse(out.get());
        boolean inIsOdd = out.get() == usual;
        Adapter odd = inIsOdd ? pair.in() : pair.out();
        int wanted = inIsOdd ? out.get() : in.get();
        Adapter other = pair.otherThan(odd);
        int others = inIsOdd ? in.get() : out.get();
        hop.broken(
                Reason.VLANS_DIFFER,
                odd.id(),
                Facts.of(
                        "from", from, "to", to, "out", out.get(), "in", in.get(), "odd", odd, "wanted", wanted, "other",
                        other, "others", others));
    }

    private void ring(HopDraft hop, Pair pair) {
        context.ringAt(pair.out())
                .or(() -> context.ringAt(pair.in()))
                .ifPresent(ring -> hop.broken(
                        Reason.RING, ring.closing(), Facts.of("devices", ring.over(), "cable", ring.closing())));
    }

    private void group(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        IgmpSnooping care = context.snooping(pair.in().segment().orElseThrow());
        if (s.delivery() != Delivery.MULTICAST
                || care.snoopers().isEmpty()
                || care.querier().isPresent()) {
            return;
        }
        Host box = context.index.host(care.snoopers().get(0));
        boolean drops = care.snoopers().stream()
                .anyMatch(h -> context.index.host(h).switching().dropsUnasked());
        if (!drops) {
            return; // it floods as if it did not snoop
        }
        hop.atRisk(
                Reason.NOBODY_ASKS,
                box.id(),
                Facts.of(
                        "device",
                        box,
                        "segment",
                        pair.in().segment().orElseThrow(),
                        "from",
                        from,
                        "to",
                        to,
                        "seconds",
                        SwitchFeatures.GROUP_SECONDS));
    }

    private void slow(HopDraft hop, Adapter adapter) {
        Plug plug = adapter.plug();
        boolean slow = plug.megabits().filter(m -> m < SLOW).isPresent();
        if (adapter.kind() != AdapterKind.WIRED || !(slow || plug.halfDuplex())) {
            return;
        }
        String form = !slow ? "half" : plug.halfDuplex() ? "slow-half" : "";
        Facts facts = Facts.as(plug.megabits().isEmpty() ? "half-of-unknown-speed" : form, "adapter", adapter);
        hop.atRisk(
                Reason.SLOW_SOCKET,
                adapter.id(),
                plug.megabits().map(m -> facts.and("megabits", m)).orElse(facts));
    }
}
