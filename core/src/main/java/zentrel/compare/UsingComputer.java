package zentrel.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.gear.DeviceFactory;
import zentrel.gear.GearEdit;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.text.Counted;

/** Takes a computer as it is into the plan: what its adapters have is in force, what is planned for them stays planned. */
public final class UsingComputer {
    private UsingComputer() {}

    /**
     * A device of the plan is this computer.
     *
     * @param seen the adapters that the computer has
     */
    public static Edit as(Plan plan, Host host, List<SeenAdapter> seen) {
        Map<Adapter, SeenAdapter> matched = SeenComputer.of(host, seen).matched();
        Map<Id<Adapter>, SeenAdapter> real = new HashMap<>();
        matched.forEach((a, s) -> real.put(a.id(), s));
        List<Adapter> adapters = new ArrayList<>();
        for (Adapter adapter : host.adapters()) {
            SeenAdapter is = real.get(adapter.id());
            boolean loopback = adapter.kind() == AdapterKind.LOOPBACK;
            adapters.add(loopback ? adapter : is == null ? missing(adapter) : met(adapter, is));
        }
        Ids ids = new Ids(plan);
        seen.stream()
                .filter(s -> !s.loopback() && !matched.containsValue(s))
                .forEach(s -> adapters.add(added(plan, ids, host.id(), s)));
        return new Edit(
                "Take this computer into the plan as " + host.name(),
                p -> p.with(host.id(), h -> h.withAdapters(adapters)));
    }

    /** A new device of the plan is this computer. */
    public static GearEdit asNew(Plan plan, String name, OperatingSystem system, List<SeenAdapter> seen) {
        Ids ids = new Ids(plan);
        Id<Host> id = Kind.HOST.id(ids.next(Ids.of(name, "computer")));
        List<Adapter> adapters = new ArrayList<>();
        seen.stream().filter(s -> !s.loopback()).forEach(s -> adapters.add(added(plan, ids, id, s)));
        Host host = new Host(
                id, name, HostKind.COMPUTER, "", system, Optional.empty(), adapters, Firewall.OPEN, SourceCheck.NONE);
        return new GearEdit(
                DeviceFactory.put(
                        "Take this computer into the plan as " + name + ", with "
                                + Counted.of(adapters.size(), "adapter"),
                        plan,
                        plan.and(Kind.HOST, host)),
                List.of(id));
    }

    /** The system that this runs on, as a Java system property calls it. */
    public static OperatingSystem system(String osName) {
        return osName.startsWith("Windows")
                ? OperatingSystem.WINDOWS
                : osName.startsWith("Mac") ? OperatingSystem.MACOS : OperatingSystem.LINUX;
    }

    private static Adapter missing(Adapter adapter) {
        return adapter.withEnabled(new Setting<>(adapter.enabled().planned(), false));
    }

    private static Adapter met(Adapter adapter, SeenAdapter is) {
        List<AdapterAddress> addresses = new ArrayList<>();
        for (int i = 0; i < is.addresses().size(); i++) {
            HostAddress real = is.addresses().get(i);
            HostAddress planned = i < adapter.addresses().size()
                    ? adapter.addresses().get(i).address().planned()
                    : real;
            addresses.add(new AdapterAddress(new Setting<>(planned, real), origin(adapter, i, real)));
        }
        return adapter.withName(is.name())
                .withKind(kind(is, adapter.kind()))
                .withMac(is.mac().or(adapter::mac))
                .withEnabled(new Setting<>(
                        adapter.enabled().planned(),
                        is.up() || adapter.enabled().inForce()))
                .withCarrier(is.up())
                .withAddresses(addresses);
    }

    private static AddressOrigin origin(Adapter adapter, int at, HostAddress real) {
        if (real.address().isLinkLocal()) {
            return AddressOrigin.SELF_ASSIGNED;
        }
        return at < adapter.addresses().size() ? adapter.addresses().get(at).origin() : AddressOrigin.MANUAL;
    }

    private static AdapterKind kind(SeenAdapter is, AdapterKind otherwise) {
        return is.wireless()
                .map(w -> w ? AdapterKind.WIRELESS : otherwise == AdapterKind.WIRELESS ? AdapterKind.WIRED : otherwise)
                .orElse(otherwise);
    }

    private static Adapter added(Plan plan, Ids ids, Id<Host> host, SeenAdapter seen) {
        Optional<Id<Segment>> segment = plan.segments().stream()
                .filter(s -> s.subnet()
                        .filter(n -> seen.addresses().stream().anyMatch(a -> n.contains(a.address())))
                        .isPresent())
                .map(Segment::id)
                .findFirst();
        return new Adapter(
                Kind.ADAPTER.id(ids.next(host.value() + "." + Ids.of(seen.name(), "net"))),
                seen.name(),
                kind(seen, AdapterKind.WIRED),
                segment,
                Setting.of(true),
                seen.up(),
                seen.addresses().stream()
                        .map(a -> new AdapterAddress(
                                Setting.of(a),
                                a.address().isLinkLocal() ? AddressOrigin.SELF_ASSIGNED : AddressOrigin.MANUAL))
                        .toList(),
                Optional.empty(),
                seen.mac());
    }
}
