package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Traffic;

/** Fixes of bindings, adapters, addresses and destinations. */
final class AdapterFixes {
    private final PathContext context;
    private final Remedies remedies;

    AdapterFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case BOUND_ELSEWHERE, BOUND_TO_LOOPBACK, LEFT_TO_SYSTEM -> bound(facts);
            case JOINS_LEFT_TO_SYSTEM -> bound(facts);
            case LISTENS_ELSEWHERE, JOINED_ELSEWHERE, LISTENS_ON_LOOPBACK -> listening(facts);
            case UNPLUGGED ->
                facts.form().isEmpty()
                        ? List.of(remedies.plugIn(adapter(facts, "adapter"), Optional.empty()))
                        : List.of(byLoopback(facts), remedies.plugIn(adapter(facts, "adapter"), Optional.empty()));
            case FAR_UNPLUGGED ->
                List.of(remedies.plugIn(
                        adapter(facts, "adapter"), facts.find("segment").map(s -> facts.id("segment", Kind.SEGMENT))));
            case SWITCHED_OFF, FAR_SWITCHED_OFF -> List.of(remedies.switchOn(adapter(facts, "adapter")));
            case NO_ADDRESS, FAR_NO_ADDRESS ->
                remedies.addresses().giveAddress(adapter(facts, "adapter"), 0, Optional.empty());
            case NOT_A_HOST, FAR_NOT_A_HOST ->
                remedies.addresses().giveAddress(adapter(facts, "adapter"), facts.number("place"), Optional.empty());
            case NOT_DELIVERED, WRONG_TARGET, ATTACHED_ELSEWHERE -> destination(facts);
            case NO_ROUTE, REPLY_LOST, BROADCAST_DIFFERS, POLL_DIFFERS -> joinSubnets(facts);
            case SOURCE_CHECK ->
                facts.is("no-route")
                        ? joinSubnets(facts)
                        : List.of(remedies.checkLoosely(facts.get("device", Host.class)));
            case OTHER_ADAPTER ->
                first(adapter(facts, "adapter"))
                        .map(own -> List.of(remedies.aim(facts.get("sent", Id.class), own.address())))
                        .orElse(List.of());
            case DUPLICATE, OWN_ADDRESS -> duplicate(facts);
            case ADDRESS_NOT_USED, FAR_ADDRESS_NOT_USED -> usedRange(facts);
            case FIREWALL -> firewall(facts);
            default -> throw new IllegalArgumentException("No fix of an adapter for " + issue.reason());
        };
    }

    private static Adapter adapter(Facts facts, String name) {
        return facts.get(name, Adapter.class);
    }

    private static Optional<HostAddress> first(Adapter adapter) {
        return adapter.addresses().stream().findFirst().map(AdapterAddress::inForce);
    }

    private Edit bind(Facts facts, Adapter wanted) {
        return remedies.bind(facts.get("program", Application.class), facts.get("purpose", Purpose.class), wanted);
    }

    private boolean namesAdapters(Facts facts) {
        return facts.find("mode").equals(Optional.of(BindingMode.ADAPTERS));
    }

    private List<Edit> bound(Facts facts) {
        Optional<Adapter> wanted = facts.find("wanted", Adapter.class);
        if (wanted.isEmpty()) {
            return List.of();
        }
        List<Edit> edits = new ArrayList<>(List.of(bind(facts, wanted.get())));
        if (namesAdapters(facts)) {
            edits.add(remedies.bindAlso(
                    facts.get("program", Application.class), facts.get("purpose", Purpose.class), wanted.get()));
        }
        if (facts.find("adapters").isPresent()) { // a way too, and the way back is to switch them on again
            edits.add(remedies.onlyAdapter(context.index().hostOf(wanted.get().id()), wanted.get()));
        }
        return edits;
    }

    private List<Edit> listening(Facts facts) {
        if (facts.is("other-address")) {
            return List.of(bind(facts, adapter(facts, "adapter")));
        }
        Application program = facts.get("program", Application.class);
        Purpose purpose = facts.get("purpose", Purpose.class);
        Adapter in = adapter(facts, "wanted");
        List<Edit> edits = new ArrayList<>(List.of(bind(facts, in)));
        if (namesAdapters(facts) && in.kind() != AdapterKind.LOOPBACK) {
            edits.add(remedies.bindAlso(program, purpose, in));
        }
        edits.add(remedies.listenOnAll(program, purpose));
        return edits;
    }

    /** It goes to somebody else, or to an address that the receiver will have but has not yet. */
    private List<Edit> destination(Facts facts) {
        Id<?> sent = facts.get("sent", Id.class);
        if (facts.is("not-primary")) {
            return List.of(remedies.link(
                    facts.id("sent", Kind.LINK),
                    facts.get("primary", Application.class),
                    facts.get("right", Ipv4Address.class),
                    facts.number("port")));
        }
        if (facts.is("planned")) {
            List<Edit> edits = new ArrayList<>(remedies.addresses().applyPlanned(adapter(facts, "adapter")));
            edits.add(remedies.aim(sent, facts.get("now", Ipv4Address.class)));
            return edits;
        }
        return facts.find("right", Ipv4Address.class)
                .or(() -> facts.find("address", HostAddress.class).map(HostAddress::address))
                .map(right -> List.of(remedies.aim(sent, right)))
                .orElse(List.of());
    }

    /** The odd one of two adapters into the subnet that is meant, or the other into its own. */
    private List<Edit> joinSubnets(Facts facts) {
        List<Edit> edits = new ArrayList<>();
        facts.find("wanted", Subnet.class)
                .ifPresent(subnet -> edits.addAll(remedies.addresses().joinSubnet(adapter(facts, "odd"), subnet)));
        facts.find("own", Subnet.class)
                .ifPresent(subnet -> edits.addAll(remedies.addresses().joinSubnet(adapter(facts, "other"), subnet)));
        return edits;
    }

    private List<Edit> firewall(Facts facts) {
        Host device = facts.get("device", Host.class);
        if (facts.is("public")) {
            return List.of(remedies.takeAsPrivate(device, adapter(facts, "adapter")), remedies.openEverywhere(device));
        }
        return List.of(
                remedies.openFirewall(device, facts.get("traffic", Traffic.class)),
                remedies.openFirewall(device, facts.get("program", Application.class)));
    }

    /** Another adapter that has such an address, or such an address here where its segment allows it. */
    private List<Edit> usedRange(Facts facts) {
        List<Edit> edits = new ArrayList<>();
        facts.find("wanted", Adapter.class).ifPresent(wanted -> edits.add(bind(facts, wanted)));
        Adapter adapter = adapter(facts, "adapter");
        List<Subnet> ranges = facts.list("ranges", Subnet.class);
        Optional<Subnet> usual = adapter.segment().flatMap(context::usualSubnet);
        Optional<Subnet> allowed = adapter.segment().isEmpty() && adapter.kind() == AdapterKind.VIRTUAL
                ? ranges.stream().findFirst()
                : usual.filter(u -> ranges.stream().anyMatch(r -> r.contains(u.network())));
        allowed.ifPresent(range -> edits.addAll(remedies.addresses()
                .giveAddress(
                        adapter,
                        AddressRemedies.at(
                                adapter, facts.get("address", HostAddress.class).address()),
                        Optional.of(range))));
        return edits;
    }

    private List<Edit> duplicate(Facts facts) {
        HostAddress address = facts.get("address", HostAddress.class);
        if (facts.is("several")) {
            return remedies.addresses().giveEachItsOwn(facts.list("holders", Adapter.class), address);
        }
        List<Edit> edits = new ArrayList<>();
        for (Adapter one : List.of(adapter(facts, "adapter"), adapter(facts, "own"))) {
            edits.addAll(remedies.addresses()
                    .giveAddress(one, AddressRemedies.at(one, address.address()), Optional.of(address.subnet())));
        }
        return edits;
    }

    /** Both programs on loopback, and the signal sent there. */
    private Edit byLoopback(Facts facts) {
        Application from = facts.get("program", Application.class);
        Application to = facts.get("partner", Application.class);
        Purpose send = facts.get("purpose", Purpose.class);
        Purpose listen = facts.get("listen", Purpose.class);
        Id<?> sent = facts.get("sent", Id.class);
        return new Edit(
                "Bind " + send.title() + " of " + context.index().name(from.id()) + " and "
                        + context.index().name(to.id()) + " to loopback",
                plan -> {
                    Plan bound = plan.with(from.id(), a -> a.withBinding(send, Setting.of(Binding.LOOPBACK)))
                            .with(to.id(), a -> a.withBinding(listen, Setting.of(Binding.LOOPBACK)));
                    return facts.get("delivery", Delivery.class) == Delivery.UNICAST ? aimed(bound, sent) : bound;
                });
    }

    private static Plan aimed(Plan plan, Id<?> signal) {
        Object found = plan.index().find(signal).orElseThrow();
        if (found instanceof ControlLink link) {
            return plan.with(link.id(), l -> l.withDestination(Ipv4Address.LOOPBACK));
        }
        if (found instanceof Attachment attachment) {
            return plan.with(attachment.id(), a -> a.withDestination(Optional.of(Setting.of(Ipv4Address.LOOPBACK))));
        }
        return found instanceof Stream stream
                ? plan.with(stream.id(), x -> x.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.LOOPBACK)))
                : plan;
    }
}
