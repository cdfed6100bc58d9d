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

    /** Says where a packet stops, why, and what to tell whoever stops it. */
    void judge(Crossing c) {
        Routers.Course course = context.routers().course(c.out(), c.destination(), c.in());
        if (course.passed().isEmpty()) {
            unsent(c, course);
            return;
        }
        Host at = course.passed().get(course.passed().size() - 1);
        Optional<HostAddress> far = Routers.addressOn(at, c.in());
        if (far.isPresent() && !far.get().sees(c.destination())) {
            offItsNetwork(c, at, far.get());
            return;
        }
        List<Adapter> up = at.adapters().stream().filter(Adapter::isUp).toList();
        Optional<Routers.Onward> onward = context.routers().onward(up, course.passed(), c.destination(), c.in());
        broken(
                c,
                at.id(),
                at,
                stops(c, course, at)
                        + onward.map(o -> leads(c, o) + "tell it the way to "
                                        + c.there().subnet() + " by that.")
                                .orElse(LOOK),
                onward.map(o -> List.of(remedies.tellTheWay(o.by(), c.there().subnet(), o.address())))
                        .orElse(List.of()));
    }

    /**
     * It comes to the last router, and the receiver is not on the network that the router has there.
     *
     * @param far the router's own address there
     */
    void offItsNetwork(Crossing c, Host router, HostAddress far) {
        c.broken(
                c.in().id(),
                c.destination() + " off " + far.subnet(),
                router.name() + " has " + far + " on " + segment(c.in()) + " and sends nothing for "
                        + c.to().name() + " at " + c.there() + " there. Give "
                        + c.to().name() + " an address of " + far.subnet() + ".",
                remedies.addresses().joinSubnet(c.in(), far.subnet()));
    }

    /** What to do about a mask that covers what is behind a router. */
    static String apart(List<Edit> narrower) {
        return narrower.isEmpty()
                ? "Give one of the two segments a range outside the other's."
                : "Give it the mask of its segment.";
    }

    /** It does not even come to the first router. */
    private void unsent(Crossing c, Routers.Course course) {
        String what = stops(c, course, c.from());
        if (course.last().filter(w -> w.via().isEmpty()).isPresent()) {
            List<Edit> narrower = remedies.addresses().narrow(c.out(), c.destination());
            broken(c, c.out().id(), c.from(), what + " " + apart(narrower), narrower);
            return;
        }
        Optional<Routers.Onward> onward =
                context.routers().onward(List.of(c.out()), List.of(), c.destination(), c.in());
        broken(
                c,
                c.out().id(),
                c.from(),
                what + onward.map(o -> leads(c, o) + "make that its gateway.").orElse(LOOK),
                onward.map(o -> List.of(remedies.giveGateway(c.out(), o.address())))
                        .orElse(List.of()));
    }

    private String leads(Crossing c, Routers.Onward o) {
        return " " + o.next().name() + ", which leads on to " + segment(c.in()) + ", is " + o.address() + " there: ";
    }

    private static void broken(Crossing c, Id<?> cause, Host at, String text, List<Edit> edits) {
        c.broken(cause, "stops at " + at.name(), text, edits);
    }

    private String stops(Crossing c, Routers.Course course, Host at) {
        Optional<RouteTable.Way> way = course.last();
        if (way.isEmpty()) {
            return at.name() + " was told no way to " + c.destination() + ", where " + c.to().name() + " is.";
        }
        String here = segment(way.get().by());
        if (way.get().via().isEmpty()) {
            return at.name() + " takes " + c.destination() + " for a neighbour and looks for " + c.to().name() + " on "
                    + here + "; it is on " + segment(c.in()) + ".";
        }
        Ipv4Address via = way.get().via().get();
        return at.name() + " sends what is for " + c.destination()
                + context.routers()
                        .at(way.get())
                        .map(back -> " back to " + back.name() + " at " + via + ", and so it goes round in a circle.")
                        .orElse(" to " + via + ", and no router on " + here + " has that address.");
    }

    private String segment(Adapter adapter) {
        return adapter.segment().map(s -> context.index.segment(s).name()).orElse("no segment");
    }
}
