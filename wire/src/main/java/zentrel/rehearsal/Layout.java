package zentrel.rehearsal;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.Reason;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.BindingMode;
import zentrel.plan.Cable;
import zentrel.plan.CableKind;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.IgmpSnooping;
import zentrel.plan.PlanIndex;
import zentrel.plan.Purpose;
import zentrel.plan.Segment;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.Protocol;

/** Which devices of a plan share a segment, or are joined by a router. */
final class Layout {
    private final PlanIndex index;

    Layout(PlanIndex index) {
        this.index = index;
    }

    static boolean has(Host host, Ipv4Address address) {
        return host.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .anyMatch(a -> a.inForce().address().equals(address));
    }

    static boolean sees(Host host, Ipv4Address address) {
        return host.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .anyMatch(a -> a.inForce().sees(address));
    }

    /** All that the net calls parts of a device. */
    Set<String> placesOf(Host host) {
        Set<String> there = new HashSet<>();
        there.add(PlanNet.place(host.id()));
        host.adapters().forEach(a -> there.add(PlanNet.place(a.id())));
        index.applicationsOn(host.id()).forEach(a -> there.add(PlanNet.place(a.id())));
        return there;
    }

    /** Whether something is at a device that has no part in it: neither end, and passing nothing on. */
    boolean isAtThird(String place, Host from, Host to) {
        return index.plan().hosts().stream()
                .filter(h -> !h.id().equals(from.id()) && !h.id().equals(to.id()) && h.kind() != HostKind.ROUTER)
                .filter(h -> !IgmpSnooping.passesOn(index, h))
                .anyMatch(h -> placesOf(h).contains(place));
    }

    private static Set<Id<Segment>> segments(List<Adapter> adapters) {
        Set<Id<Segment>> all = new HashSet<>();
        adapters.stream()
                .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                .map(Adapter::segment)
                .forEach(s -> s.ifPresent(all::add));
        return all;
    }

    /** Whether two devices have an adapter on one segment. */
    boolean share(Host a, Host b) {
        Set<Id<Segment>> near = segments(a.adapters());
        return segments(b.adapters()).stream().anyMatch(near::contains);
    }

    /** The adapters that a binding names, or stands for; none where it is left to the system, or loopback. */
    List<Adapter> named(Binding binding, Host host) {
        return switch (binding.mode()) {
            case ADAPTERS -> binding.adapters().stream().map(index::adapter).toList();
            case FIRST -> real(host).stream().limit(1).toList();
            case ALL -> real(host);
            case AUTOMATIC, LOOPBACK -> List.of();
        };
    }

    /** The adapters of a device but loopback. */
    static List<Adapter> real(Host host) {
        return host.adapters().stream()
                .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                .toList();
    }

    /** Whether any adapter that a program may send by is on a segment of a device. */
    boolean boundLead(Application program, Protocol protocol, Host to) {
        Binding binding = program.binding(Purpose.sending(protocol));
        Host host = index.host(program.host());
        Set<Id<Segment>> near = segments(binding.mode() == BindingMode.AUTOMATIC ? real(host) : named(binding, host));
        return segments(to.adapters()).stream().anyMatch(near::contains);
    }

    /** Whether the cables of an adapter are described, and all out. */
    boolean isOut(Adapter adapter) {
        List<Cable> cables = index.cablesOf(adapter.id()).stream()
                .filter(c -> c.kind() == CableKind.NETWORK)
                .toList();
        return !cables.isEmpty() && cables.stream().noneMatch(Cable::connected);
    }

    /** Why the adapter that a program is bound to sends nothing, where it is bound to one. */
    Optional<Reason> closed(Application program, Protocol protocol) {
        Host host = index.host(program.host());
        if (!host.power().on()) {
            return Optional.of(Reason.NO_POWER);
        }
        return program.binding(Purpose.sending(protocol)).adapters().stream()
                .findFirst()
                .map(index::adapter)
                .flatMap(a -> !a.enabled().inForce()
                        ? Optional.of(Reason.SWITCHED_OFF)
                        : a.addresses().isEmpty()
                                ? Optional.of(Reason.NO_ADDRESS)
                                : a.isUp() && !isOut(a) ? Optional.empty() : Optional.of(Reason.UNPLUGGED));
    }

    /** Whether an adapter of a device, by its place, is on a segment of another device, or a router joins the two. */
    boolean leads(String adapter, Host of, Host to) {
        Set<Id<Segment>> near = segments(of.adapters().stream()
                .filter(a -> PlanNet.place(a.id()).equals(adapter))
                .toList());
        Set<Id<Segment>> far = segments(to.adapters());
        return near.stream().anyMatch(far::contains)
                || index.plan().hosts().stream()
                        .filter(h -> h.kind() == HostKind.ROUTER)
                        .map(h -> segments(h.adapters()))
                        .anyMatch(r -> r.stream().anyMatch(near::contains)
                                && r.stream().anyMatch(far::contains));
    }

    /** Whether a router stands between two devices that share no segment. */
    boolean isRouted(Host a, Host b) {
        return router(a, b).isPresent();
    }

    /** A router between two devices that has no power, where none that has any joins them. */
    Optional<Host> darkRouter(Host a, Host b) {
        return router(a, b).filter(r -> !r.power().on());
    }

    private Optional<Host> router(Host a, Host b) {
        if (share(a, b)) {
            return Optional.empty();
        }
        List<Host> joining = index.plan().hosts().stream()
                .filter(h -> h.kind() == HostKind.ROUTER && share(h, a) && share(h, b))
                .toList();
        return joining.stream()
                .filter(r -> r.power().on())
                .findFirst()
                .or(() -> joining.stream().findFirst());
    }
}
