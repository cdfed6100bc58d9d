package zentrel.address;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/**
 * A plan with many addresses changed at the same time, and every place that keeps a copy of one: unicast lists, targets of links,
 * gateways, what was typed in or printed. At the same time, so that two boxes may swap theirs.
 */
final class AddressChangeSet {
    private final PlanIndex index;
    /** Boxes from which on they are changed on all processors; for fewer that takes longer. */
    private static final int MANY = 1000;

    private final Map<Id<Adapter>, List<AddressChange.Change>> byAdapter = new HashMap<>();
    private final Map<Ipv4Address, List<AddressChange.Change>> byOld = new HashMap<>();

    private AddressChangeSet(Plan plan, List<AddressChange.Change> changes) {
        index = plan.index();
        for (AddressChange.Change change : changes) {
            byAdapter.merge(change.adapter(), List.of(change), AddressChangeSet::both);
            change.before().ifPresent(b -> byOld.merge(b.address(), List.of(change), AddressChangeSet::both));
        }
    }

    private static List<AddressChange.Change> both(List<AddressChange.Change> a, List<AddressChange.Change> b) {
        List<AddressChange.Change> both = new ArrayList<>(a);
        both.addAll(b);
        return both;
    }

    static Plan of(Plan plan, List<AddressChange.Change> changes) {
        return changes.isEmpty() ? plan : new AddressChangeSet(plan, changes).plan(plan);
    }

    private Plan plan(Plan plan) {
        java.util.stream.Stream<Host> each =
                plan.hosts().size() < MANY ? plan.hosts().stream() : plan.hosts().parallelStream();
        List<Host> hosts = each.map(this::host).toList();
        List<Stream> streams = new ArrayList<>(plan.streams());
        streams.replaceAll(s -> s.to().stream().anyMatch(byOld::containsKey)
                ? s.withDelivery(
                        s.delivery(), s.to().stream().map(a -> target(s, a)).toList())
                : s);
        List<ControlLink> links = new ArrayList<>(plan.links());
        links.replaceAll(this::link);
        List<TypedCopy> copies = new ArrayList<>(plan.copies());
        copies.replaceAll(this::copy);
        return plan.with(Kind.HOST, hosts)
                .with(Kind.STREAM, streams)
                .with(Kind.LINK, links)
                .with(Kind.COPY, copies);
    }

    /** By plain loops: a whole rig may be numbered at once. */
    @SuppressWarnings("ReferenceEquality") // an adapter that nothing is changed of is given back itself
    private Host host(Host host) {
        List<Adapter> adapters = new ArrayList<>(host.adapters().size());
        boolean touched = false;
        for (Adapter adapter : host.adapters()) {
            Adapter next = adapter(adapter);
            touched = touched || next != adapter;
            adapters.add(next);
        }
        return touched ? host.withAdapters(adapters) : host;
    }

    private Adapter adapter(Adapter adapter) {
        List<AddressChange.Change> changes = byAdapter.getOrDefault(adapter.id(), List.of());
        if (changes.isEmpty() && adapter.gateway().isEmpty()) {
            return adapter;
        }
        Adapter next = adapter;
        Optional<Ipv4Address> moved = adapter.gateway();
        for (AddressChange.Change change : changes) {
            AdapterAddress after = new AdapterAddress(Setting.of(change.after()), AddressOrigin.MANUAL);
            if (change.before().isEmpty()) {
                next = next.withAddress(next.addresses().size(), after);
                continue;
            }
            HostAddress before = change.before().get();
            for (int i = 0; i < adapter.addresses().size(); i++) {
                if (adapter.addresses().get(i).inForce().equals(before)) {
                    next = next.withAddress(i, after);
                }
            }
            Subnet to = change.after().subnet();
            if (!to.contains(
                    before.address())) { // the whole segment has moved, and a router that is not described with it
                moved = moved.map(g -> before.sees(g)
                        ? AddressChange.sameHostPart(new HostAddress(g, before.prefixLength()), to)
                                .orElse(g)
                        : g);
            }
        }
        Optional<Ipv4Address> described = adapter.gateway()
                .flatMap(g -> byOld.getOrDefault(g, List.of()).stream()
                        .filter(c -> index.adapter(c.adapter()).segment().equals(adapter.segment()))
                        .map(c -> c.after().address())
                        .findFirst());
        Optional<Ipv4Address> gateway = described.isPresent() ? described : moved;
        return gateway.equals(adapter.gateway()) ? next : next.withGateway(gateway);
    }

    /** The new address of what a stream is sent to, where it is one of those that take it. */
    private Ipv4Address target(Stream stream, Ipv4Address old) {
        for (AddressChange.Change change : byOld.getOrDefault(old, List.of())) {
            if (index.takes(index.hostOf(change.adapter()).id(), stream.universe())) {
                return change.after().address();
            }
        }
        return old;
    }

    private ControlLink link(ControlLink link) {
        Id<Host> host = index.application(link.to()).host();
        for (Ipv4Address old :
                List.of(link.destination().inForce(), link.destination().planned())) {
            for (AddressChange.Change change : byOld.getOrDefault(old, List.of())) {
                if (index.hostOf(change.adapter()).id().equals(host)) {
                    return link.withDestination(change.after().address());
                }
            }
        }
        return link;
    }

    private TypedCopy copy(TypedCopy copy) {
        if (copy.of().is(Kind.ADAPTER) && index.find(copy.of()).isPresent()) {
            for (Adapter adapter : index.hostOf(copy.of()).adapters()) {
                for (AddressChange.Change change : byAdapter.getOrDefault(adapter.id(), List.of())) {
                    String old =
                            change.before().map(b -> b.address().toString()).orElse("");
                    if (copy.value().inForce().equals(old)
                            || copy.value().planned().equals(old)) {
                        return copy.withValue(change.after().address().toString());
                    }
                }
            }
        }
        return copy;
    }
}
