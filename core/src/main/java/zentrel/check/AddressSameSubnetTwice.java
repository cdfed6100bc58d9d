package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Setting;
import zentrel.profile.AdapterKind;
import zentrel.profile.OperatingSystem;
import zentrel.source.Sourced;
import zentrel.source.Sources;

/** One computer with two adapters in one subnet: {@code address.same-subnet-twice}. */
final class AddressSameSubnetTwice extends PathRule {
    AddressSameSubnetTwice() {
        super("address.same-subnet-twice");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.SEVERAL_ADAPTERS);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            if (host.system() == OperatingSystem.FIRMWARE) {
                continue; // its sockets are one adapter, or it knows what it does
            }
            List<Adapter> up = host.adapters().stream()
                    .filter(a -> a.isUp() && a.kind() != AdapterKind.LOOPBACK)
                    .toList();
            for (int i = 0; i < up.size(); i++) {
                for (int j = i + 1; j < up.size(); j++) {
                    both(context, findings, host, up.get(i), up.get(j));
                }
            }
        }
        return findings;
    }

    private void both(CheckContext context, List<Finding> findings, Host host, Adapter first, Adapter second) {
        Optional<HostAddress> a = shared(first, second);
        if (a.isEmpty()) {
            return;
        }
        findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.empty(),
                        List.of(second.id(), first.id()),
                        RuleWords.say(
                                "address.same-subnet-twice.says/"
                                        + switch (host.system()) {
                                            case WINDOWS -> "windows";
                                            case MACOS -> "macos";
                                            default -> "linux";
                                        },
                                "device",
                                host.name(),
                                "first",
                                first.name(),
                                "second",
                                second.name(),
                                "subnet",
                                a.get().subnet()),
                        Stream.of(
                                        moved(context, second, a.get()),
                                        moved(context, first, a.get()),
                                        Optional.of(off(context, second)),
                                        Optional.of(off(context, first)))
                                .flatMap(Optional::stream)
                                .toList())
                .restingOn(
                        switch (host.system()) {
                            case WINDOWS ->
                                new Sourced<?>[] {Sources.WINDOWS_SENDS_BY_ROUTE, Sources.WINDOWS_LOWER_METRIC};
                            case MACOS -> new Sourced<?>[] {Sources.MACOS_SERVICE_ORDER};
                            default -> new Sourced<?>[] {Sources.LINUX_SENDS_BY_ROUTE};
                        }));
    }

    /** The address of the first whose subnet the second is in as well; 169.254 is nobody's choice and does not count. */
    private static Optional<HostAddress> shared(Adapter first, Adapter second) {
        return first.addresses().stream()
                .map(x -> x.inForce())
                .filter(x -> !x.address().isLinkLocal())
                .filter(x -> second.addresses().stream()
                        .anyMatch(y -> y.inForce().subnet().overlaps(x.subnet())))
                .findFirst();
    }

    /** Gives an adapter a free address of the subnet that is usual where it is plugged in, if that is another one. */
    private static Optional<Edit> moved(CheckContext context, Adapter adapter, HostAddress shared) {
        Optional<Subnet> usual = adapter.segment()
                .flatMap(s -> context.signalPaths().usualSubnet(s))
                .filter(s -> !s.overlaps(shared.subnet()) && adapter.addresses().size() == 1);
        return usual.flatMap(s -> FreeAddress.after(
                        s.network(),
                        s,
                        context.signalPaths().context().usedOn(adapter.segment().orElseThrow()))
                .map(free -> new HostAddress(free, s.prefixLength()))
                .map(to -> new Edit(
                        RuleWords.say(
                                "address.same-subnet-twice.move",
                                "adapter",
                                context.index().name(adapter.id()),
                                "address",
                                to),
                        p -> p.with(
                                adapter.id(),
                                x -> x.withAddress(0, new AdapterAddress(Setting.of(to), AddressOrigin.MANUAL))))));
    }

    private static Edit off(CheckContext context, Adapter adapter) {
        return new Edit(
                RuleWords.say(
                        "address.same-subnet-twice.fix",
                        "adapter",
                        context.index().name(adapter.id())),
                p -> p.with(adapter.id(), a -> a.withEnabled(Setting.of(false))));
    }
}
