package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Id;

/** Hop 5 where only several routers, one after the other, lead to the receiver, and one of them does not pass it on. */
final class RouterChain {
    private static final String LOOK = " Look at what the routers between are told.";

    private final PathContext context;
    private final Remedies remedies;

    RouterChain(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    /**
     * Says where a packet stops, why, and what to tell whoever stops it.
     *
     * @param there the address that it is sent to, with the mask of whoever has it
     */
    void judge(HopDraft hop, Host from, Host to, Adapter out, Adapter in, HostAddress there) {
        Ipv4Address destination = there.address();
        Routers.Course course = context.routers.course(out, destination, in);
        if (course.passed().isEmpty()) {
            unsent(hop, course, from, to, out, in, destination);
            return;
        }
        Host at = course.passed().get(course.passed().size() - 1);
        Optional<HostAddress> far = RouterJudge.on(at, in);
        if (far.isPresent() && !far.get().sees(destination)) {
            offItsNetwork(hop, at, far.get(), to, in, there);
            return;
        }
        List<Adapter> up = at.adapters().stream().filter(Adapter::isUp).toList();
        Optional<Routers.Onward> onward = context.routers.onward(up, course.passed(), destination, in);
        broken(
                hop,
                at.id(),
                at,
                stops(course, at, to, destination, in)
                        + onward.map(o -> leads(o, in) + "tell it the way to " + there.subnet() + " by that.")
                                .orElse(LOOK),
                onward.map(o -> List.of(remedies.tellTheWay(o.by(), there.subnet(), o.address())))
                        .orElse(List.of()));
    }

    /**
     * It comes to the last router, and the receiver is not on the network that the router has there.
     *
     * @param far the router's own address there
     */
    void offItsNetwork(HopDraft hop, Host router, HostAddress far, Host to, Adapter in, HostAddress there) {
        hop.broken(
                Reason.NOT_ROUTED,
                in.id(),
                there.address() + " off " + far.subnet(),
                router.name() + " has " + far + " on " + segment(in) + " and sends nothing for " + to.name() + " at "
                        + there + " there. Give " + to.name() + " an address of " + far.subnet() + ".",
                remedies.joinSubnet(in, far.subnet()));
    }

    /** It does not even come to the first router. */
    private void unsent(
            HopDraft hop, Routers.Course course, Host from, Host to, Adapter out, Adapter in, Ipv4Address destination) {
        String what = stops(course, from, to, destination, in);
        if (course.last().filter(w -> w.via().isEmpty()).isPresent()) {
            List<Edit> narrower = remedies.narrow(out, destination);
            broken(hop, out.id(), from, what + " " + RouterJudge.apart(narrower), narrower);
            return;
        }
        Optional<Routers.Onward> onward = context.routers.onward(List.of(out), List.of(), destination, in);
        broken(
                hop,
                out.id(),
                from,
                what + onward.map(o -> leads(o, in) + "make that its gateway.").orElse(LOOK),
                onward.map(o -> List.of(remedies.giveGateway(out, o.address()))).orElse(List.of()));
    }

    private String leads(Routers.Onward o, Adapter in) {
        return " " + o.next().name() + ", which leads on to " + segment(in) + ", is " + o.address() + " there: ";
    }

    private static void broken(HopDraft hop, Id cause, Host at, String text, List<Edit> edits) {
        hop.broken(Reason.NOT_ROUTED, cause, "stops at " + at.name(), text, edits);
    }

    private String stops(Routers.Course course, Host at, Host to, Ipv4Address destination, Adapter in) {
        Optional<RouteTable.Way> way = course.last();
        if (way.isEmpty()) {
            return at.name() + " was told no way to " + destination + ", where " + to.name() + " is.";
        }
        String here = segment(way.get().by());
        if (way.get().via().isEmpty()) {
            return at.name() + " takes " + destination + " for a neighbour and looks for " + to.name() + " on " + here
                    + "; it is on " + segment(in) + ".";
        }
        Ipv4Address via = way.get().via().get();
        return at.name() + " sends what is for " + destination
                + context.routers
                        .at(way.get())
                        .map(back -> " back to " + back.name() + " at " + via + ", and so it goes round in a circle.")
                        .orElse(" to " + via + ", and no router on " + here + " has that address.");
    }

    private String segment(Adapter adapter) {
        return adapter.segment().map(s -> context.index.segment(s).name()).orElse("no segment");
    }
}
