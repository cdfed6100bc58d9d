package zentrel.path.fix;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;

/** Fixes of what lies between two adapters: cables, switches, access points, routers. */
final class CarryFixes {
    private final PathContext context;
    private final Remedies remedies;

    CarryFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case GROUP_NOT_ROUTED -> atTheRouter(facts);
            case TTL_ENDS ->
                List.of(remedies.setTtl(
                        facts.get("program", Application.class),
                        facts.get("purpose", Purpose.class),
                        facts.number("needed")));
            case APART -> facts.find("router").isPresent() ? atTheRouter(facts) : apart(facts);
            case VLANS_DIFFER ->
                List.of(
                        remedies.setVlan(facts.get("odd", Adapter.class), facts.number("wanted")),
                        remedies.setVlan(facts.get("other", Adapter.class), facts.number("others")));
            case RING -> List.of(remedies.unplug(facts.id("cable", Kind.CABLE)));
            case NOBODY_ASKS ->
                List.of(
                        remedies.letAsk(facts.get("device", Host.class)),
                        remedies.noSnooping(facts.get("device", Host.class)));
            case SLOW_SOCKET -> List.of(remedies.fullSpeed(facts.get("adapter", Adapter.class)));
            case NOT_ROUTED -> notRouted(facts);
            case CLIENTS_APART -> List.of(remedies.noIsolation(facts.get("segment", Segment.class)));
            case CABLE_OUT ->
                List.of(plugIn(context, issue.cause().as(Kind.CABLE).orElseThrow()));
            default -> throw new IllegalArgumentException("No fix on the way for " + issue.reason());
        };
    }

    static Edit plugIn(PathContext context, Id<Cable> cable) {
        return new Edit(
                "Plug in the cable " + context.index().name(cable), p -> p.with(cable, c -> c.withConnected(true)));
    }

    private List<Edit> atTheRouter(Facts facts) {
        Stream stream = context.index().get(facts.id("sent", Kind.STREAM));
        Edit listed = remedies.addToList(stream, facts.get("address", Ipv4Address.class));
        ProtocolOutput output =
                context.index().application(stream.application()).output(stream.protocol());
        boolean kept = output.ttl().filter(t -> t <= 1).isPresent(); // it would end there all the same
        return List.of(
                kept
                        ? listed.and(p -> p.with(
                                stream.application(),
                                a -> a.withOutput(stream.protocol(), output.withTtl(Optional.empty()))))
                        : listed);
    }

    /** One of the two into the segment of the other, where it hangs on none. */
    private List<Edit> apart(Facts facts) {
        Adapter out = facts.get("out", Adapter.class);
        Adapter in = facts.get("in", Adapter.class);
        if (in.segment().isEmpty() && in.needsCarrier() && out.segment().isPresent()) {
            return List.of(remedies.plugIn(in, out.segment()));
        }
        return out.segment().isEmpty() && out.needsCarrier() && in.segment().isPresent()
                ? List.of(remedies.plugIn(out, in.segment()))
                : List.of();
    }

    private List<Edit> notRouted(Facts facts) {
        Adapter out = facts.get("out", Adapter.class);
        return switch (facts.form()) {
            case "off" -> remedies.addresses().joinSubnet(out, facts.get("subnet", Subnet.class));
            case "off-its-network" ->
                remedies.addresses().joinSubnet(facts.get("in", Adapter.class), facts.get("subnet", Subnet.class));
            case "near", "near-at" -> remedies.addresses().narrow(out, facts.get("destination", Ipv4Address.class));
            case "another-router", "no-router" ->
                List.of(remedies.giveGateway(out, facts.get("near", Ipv4Address.class)));
            case "unsent-onward" -> List.of(remedies.giveGateway(out, facts.get("address", Ipv4Address.class)));
            case "chain-onward" ->
                List.of(remedies.tellTheWay(
                        facts.get("by", Adapter.class),
                        facts.get("there", HostAddress.class).subnet(),
                        facts.get("address", Ipv4Address.class)));
            default -> List.of();
        };
    }
}
