package zentrel.path.fix;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.path.PathContext;
import zentrel.plan.*;

/** The edits that give an adapter another address or mask. Where the old address is typed elsewhere, that is set as well. */
public final class AddressRemedies {
    private final PathContext context;
    private final TypedPlaces typed;

    AddressRemedies(PathContext context) {
        this.context = context;
        this.typed = new TypedPlaces(context);
    }

    private String name(Id<?> id) {
        return context.index().name(id);
    }

    /** Puts what is planned in force, where that is another address. */
    List<Edit> applyPlanned(Adapter adapter) {
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < adapter.addresses().size(); i++) {
            AdapterAddress a = adapter.addresses().get(i);
            if (a.address().isPending()) {
                edits.add(moveTo(
                        adapter,
                        i,
                        a.address().planned(),
                        "Apply the planned " + a.address().planned().address() + " on the " + name(adapter.id())));
            }
        }
        return edits;
    }

    /** Gives an adapter a free address in the subnet usual on its segment. */
    public List<Edit> giveAddress(Adapter adapter, int at, Optional<Subnet> wanted) {
        List<Edit> edits = new ArrayList<>(applyPlanned(adapter));
        Optional<Id<Segment>> segment = adapter.segment();
        Optional<Subnet> subnet = wanted.or(() -> segment.flatMap(context::usualSubnet));
        if (subnet.isEmpty()) {
            return edits;
        }
        Set<Ipv4Address> used = new HashSet<>();
        List<DhcpServer> pools = new ArrayList<>();
        segment.ifPresent(s -> {
            used.addAll(context.usedOn(s));
            context.index().adaptersOn(s).forEach(a -> a.serves().ifPresent(pools::add));
        });
        long given = pools.stream().mapToLong(DhcpServer::size).sum();
        Ipv4Address near = at < adapter.addresses().size()
                ? adapter.addresses().get(at).inForce().address()
                : subnet.get().network();
        FreeAddress.after(
                        near,
                        subnet.get(),
                        a -> used.contains(a) || pools.stream().anyMatch(p -> p.holds(a)),
                        used.size() + given)
                .map(free -> new HostAddress(free, subnet.get().prefixLength()))
                .ifPresent(free -> edits.add(moveTo(adapter, at, free, "Give the " + name(adapter.id()) + " " + free)));
        return edits;
    }

    /** Gives an adapter an address that somebody sets, where it asked for one or gave itself one. */
    public List<Edit> setByHand(Adapter adapter, Subnet subnet) {
        return giveAddress(adapter, 0, Optional.of(subnet)).stream()
                .map(e -> e.and(p -> p.with(
                        adapter.id(),
                        a -> a.withAddresses(a.addresses().stream()
                                .map(x -> new AdapterAddress(x.address(), AddressOrigin.MANUAL))
                                .toList()))))
                .toList();
    }

    /** Another address for all but the first of several adapters that have one. */
    public List<Edit> giveEachItsOwn(List<Adapter> holders, HostAddress address) {
        List<Adapter> others = holders.subList(1, holders.size());
        List<Edit> last = giveAddress(
                others.get(others.size() - 1),
                at(others.get(others.size() - 1), address.address()),
                Optional.of(address.subnet()));
        if (others.size() == 1) {
            return last;
        }
        // three or more with one address: each but the first gets one of its own, in one step
        return List.of(new Edit(
                "Give " + others.size() + " of the " + holders.size() + " adapters with " + address.address()
                        + " an address of their own",
                plan -> {
                    Plan next = plan;
                    for (Adapter other : others) {
                        next = freshAddress(next, other.id(), address);
                    }
                    return next;
                }));
    }

    /** Worked out on the plan as it is by then, so that no two get the same. */
    private static Plan freshAddress(Plan plan, Id<Adapter> id, HostAddress address) {
        PathContext now = new PathContext(plan);
        Adapter adapter = now.index().adapter(id);
        List<Edit> edits = new AddressRemedies(now)
                .giveAddress(adapter, at(adapter, address.address()), Optional.of(address.subnet()));
        return edits.isEmpty() ? plan : edits.get(edits.size() - 1).applyTo(plan);
    }

    /** The place of an address among those of an adapter, by what is in force; 0 where it has it not. */
    public static int at(Adapter adapter, Ipv4Address address) {
        for (int i = 0; i < adapter.addresses().size(); i++) {
            if (adapter.addresses().get(i).inForce().address().equals(address)) {
                return i;
            }
        }
        return 0;
    }

    /** Mends an adapter that is off its segment's subnet: by its mask where that is enough, else by a free address. */
    public List<Edit> joinSubnet(Adapter adapter, Subnet subnet) {
        List<Edit> edits = new ArrayList<>(applyPlanned(adapter));
        for (int i = 0; i < adapter.addresses().size(); i++) {
            HostAddress now = adapter.addresses().get(i).inForce();
            if (subnet.contains(now.address()) && now.prefixLength() != subnet.prefixLength()) {
                edits.add(setMask(adapter, i, subnet.prefixLength()));
                return edits;
            }
        }
        edits.addAll(giveAddress(adapter, 0, Optional.of(subnet)));
        return edits;
    }

    /** Gives an adapter the mask of its segment, where that no longer covers an address behind a router. */
    List<Edit> narrow(Adapter adapter, Ipv4Address far) {
        return adapter.segment()
                .flatMap(context::usualSubnet)
                .filter(usual -> !usual.contains(far))
                .map(usual -> joinSubnet(adapter, usual))
                .orElse(List.of());
    }

    Edit setMask(Adapter adapter, int at, int prefixLength) {
        HostAddress now = adapter.addresses().get(at).inForce();
        HostAddress then = new HostAddress(now.address(), prefixLength);
        return moveTo(adapter, at, then, "Set the mask of the " + name(adapter.id()) + " to " + then.mask());
    }

    /** Changes an address, and with it the typed copies of it: unicast lists and the destinations of links. */
    private Edit moveTo(Adapter adapter, int at, HostAddress to, String what) {
        Id<Host> owner = context.index().hostOf(adapter.id()).id();
        Optional<Ipv4Address> from = at < adapter.addresses().size()
                ? Optional.of(adapter.addresses().get(at).inForce().address())
                : Optional.empty();
        boolean shared = from.isPresent()
                && adapter.segment().isPresent()
                && context.holdersOf(adapter.segment().get(), from.get()).size() > 1;
        String text = what
                + from.filter(f -> !f.equals(to.address()))
                        .map(f -> typed.said(owner, f))
                        .orElse("");
        return new Edit(text, plan -> {
            AddressOrigin origin = at < adapter.addresses().size()
                            && adapter.addresses().get(at).origin() == AddressOrigin.DHCP
                    ? AddressOrigin.DHCP
                    : AddressOrigin.MANUAL;
            Plan next = plan.with(adapter.id(), a -> a.withAddress(at, new AdapterAddress(Setting.of(to), origin)));
            return from.isPresent() ? TypedPlaces.moved(next, owner, from.get(), to.address(), shared) : next;
        });
    }
}
