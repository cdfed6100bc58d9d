package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;

/** Hop 5: whether segments, cables, switches and access points carry it from one adapter to the other. */
final class CarryJudge {
    /** Below this a socket holds up a rig of any size, in Mbit/s: about a hundred universes at 44 a second fill half of it. */
    private static final int SLOW = 100;

    private final PathContext context;
    private final Remedies remedies;
    private final RouterJudge routers;

    CarryJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        routers = new RouterJudge(context, remedies);
    }

    void judge(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        if (!pair.joined()) {
            if (routers.judge(hop, s, from, to, pair)) {
                return;
            }
            if (darkRouter(hop, from, to, pair)) {
                return;
            }
            String out = pair.out()
                    .segment()
                    .map(x -> context.index.segment(x).name())
                    .orElse("no segment");
            String in = pair.in()
                    .segment()
                    .map(x -> context.index.segment(x).name())
                    .orElse("no segment");
            List<Edit> edits = new ArrayList<>();
            if (pair.in().segment().isEmpty()
                    && pair.in().needsCarrier()
                    && pair.out().segment().isPresent()) {
                edits.add(remedies.plugIn(pair.in(), pair.out().segment()));
            } else if (pair.out().segment().isEmpty()
                    && pair.out().needsCarrier()
                    && pair.in().segment().isPresent()) {
                edits.add(remedies.plugIn(pair.out(), pair.in().segment()));
            }
            hop.broken(
                    Reason.APART,
                    pair.in().id(),
                    "no way from " + out,
                    from.name() + " is on " + out + ", " + to.name() + " on " + in + "; nothing joins the two for "
                            + s.delivery().word().replace('-', ' ') + ". Put both on one segment.",
                    edits);
            return;
        }
        String segment = pair.in()
                .segment()
                .or(() -> pair.out().segment())
                .map(x -> context.index.segment(x).name())
                .orElse("the cable");
        List<String> routedBy = context.routers().between(pair.out(), pair.in()).stream()
                .map(Host::name)
                .toList();
        hop.passes(
                pair.in().segment().<Id<?>>map(x -> x).orElse(pair.in().id()),
                segment,
                PathContext.sameSegment(pair.out(), pair.in())
                        ? "Both are on " + segment + "."
                        : routedBy.isEmpty()
                                ? "Meant for " + segment + "."
                                : "Routed by " + String.join(" and ", routedBy) + " to " + segment + ".");
        isolated(hop, from, to, pair);
        if (PathContext.sameSegment(pair.out(), pair.in())) {
            vlan(hop, from, to, pair);
            ring(hop, pair);
            group(hop, s, from, to, pair);
            unpowered(hop, from, to, pair);
        }
        slow(hop, pair.out());
        slow(hop, pair.in());
        if (pair.out().carrier() && pair.in().carrier()) {
            context.cutBetween(pair.out(), pair.in()).ifPresent(cut -> cut(hop, from, to, cut));
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
        Powering.Dark dark = context.dark(by).orElseThrow();
        hop.broken(
                Reason.PASSING_OFF,
                dark.at(),
                dark.own() ? by.name() + " is off" : by.name() + ": " + dark.brief(),
                by.name() + ", which " + does + " between " + from.name() + " and " + to.name()
                        + (dark.own() ? ", is switched off. Switch it on." : ", has no power: " + dark.why()),
                dark.mends());
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
                .filter(h -> wireless ? h.kind() == HostKind.ACCESS_POINT : Snooping.passesOn(context.index, h))
                .filter(h -> h.kind() == HostKind.SWITCH || h.kind() == HostKind.ACCESS_POINT)
                .toList();
        if (!passing.isEmpty() && passing.stream().noneMatch(context::hasPower)) {
            passingOff(hop, from, to, passing.get(0), "passes the network on");
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
            hop.broken(
                    Reason.CLIENTS_APART,
                    segment.id(),
                    "clients kept apart",
                    from.name() + " and " + to.name() + " are both on the Wi-Fi of " + segment.name()
                            + ", which keeps its clients apart. Switch that off at the access point, or cable one of them.",
                    List.of(remedies.noIsolation(segment)));
        }
    }

    private void cut(HopDraft hop, Host from, Host to, Cabling.Cut cut) {
        if (cut.box()
                .filter(b -> b.id().equals(from.id()) || b.id().equals(to.id()))
                .isPresent()) {
            return; // a box without power at either end is told there
        }
        if (cut.box().isEmpty()) {
            String name = context.index.name(cut.at());
            hop.broken(
                    Reason.CABLE_OUT,
                    cut.at(),
                    "cable out",
                    "The cable " + name + " on the way from " + from.name() + " to " + to.name()
                            + " is not plugged in, so all behind it is cut off. Plug it in.",
                    cut.mends());
            return;
        }
        Powering.Dark dark = cut.dark().orElseThrow();
        String box = cut.box().get().name();
        hop.broken(
                Reason.PASSING_OFF,
                cut.at(),
                dark.own() ? box + " is off" : box + ": " + dark.brief(),
                box + ", which passes the network on from " + from.name() + " to " + to.name()
                        + (dark.own()
                                ? ", is switched off, so all behind it is cut off. Switch it on."
                                : ", has no power, so all behind it is cut off: " + dark.why()),
                cut.mends());
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
                "VLAN " + out.get() + " ≠ " + in.get(),
                from.name() + " is plugged into a socket of VLAN " + out.get() + " and " + to.name()
                        + " into one of VLAN " + in.get() + ", so the switch keeps them apart. Set the socket of the "
                        + context.index.name(odd.id()) + " to " + wanted + ".",
                List.of(remedies.setVlan(odd, wanted), remedies.setVlan(other, others)));
    }

    private void ring(HopDraft hop, Pair pair) {
        context.ringAt(pair.out())
                .or(() -> context.ringAt(pair.in()))
                .ifPresent(ring -> hop.broken(
                        Reason.RING,
                        ring.closing(),
                        "a ring of cables",
                        "The cables run in a ring over " + ring.names()
                                + ", and nothing there cuts rings: broadcasts go round for ever and fill every cable. Unplug "
                                + context.index.name(ring.closing()) + ".",
                        List.of(remedies.unplug(ring.closing()))));
    }

    private void group(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        Snooping care = context.snooping(pair.in().segment().orElseThrow());
        if (s.delivery() != Delivery.MULTICAST
                || care.snoopers().isEmpty()
                || care.querier().isPresent()) {
            return;
        }
        Host box = context.index.host(care.snoopers().get(0));
        String segment = context.index.name(pair.in().segment().orElseThrow());
        boolean drops = care.snoopers().stream()
                .anyMatch(h -> context.index.host(h).switching().dropsUnasked());
        if (!drops) {
            return; // it floods as if it did not snoop
        }
        hop.atRisk(
                Reason.NOBODY_ASKS,
                box.id(),
                "stops after " + Switching.GROUP_SECONDS + " s",
                box.name() + " passes groups on only to those that asked, and nobody on " + segment
                        + " asks who still wants them: what " + from.name() + " sends to " + to.name() + " stops up to "
                        + Switching.GROUP_SECONDS
                        + " s after it began. Let one switch or router ask, or switch snooping off.",
                List.of(remedies.letAsk(box), remedies.noSnooping(box)));
    }

    private void slow(HopDraft hop, Adapter adapter) {
        Plug plug = adapter.plug();
        boolean slow = plug.megabits().filter(m -> m < SLOW).isPresent();
        if (adapter.kind() != AdapterKind.WIRED || !(slow || plug.halfDuplex())) {
            return;
        }
        String what = plug.megabits().map(m -> m + " Mbit/s").orElse("its speed")
                + (plug.halfDuplex() ? " and half duplex, so only one end talks at a time" : "");
        hop.atRisk(
                Reason.SLOW_SOCKET,
                adapter.id(),
                slow ? plug.megabits().get() + " Mbit/s" : "half duplex",
                "The socket of the " + context.index.name(adapter.id()) + " settled on " + what
                        + ": packets are lost when several universes come at once. Let both ends find the speed by themselves, "
                        + "or change the cable.",
                List.of(remedies.fullSpeed(adapter)));
    }
}
