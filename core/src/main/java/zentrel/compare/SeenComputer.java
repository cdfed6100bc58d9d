package zentrel.compare;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.profile.AdapterKind;

/**
 * A computer as it is, beside the same computer of the plan.
 *
 * @param matched which adapter of the plan is which of the computer's: by hardware address, else by name, else by address,
 *     else by subnet
 * @param differences what differs, in sentences; empty where it is as planned
 */
public record SeenComputer(Map<Adapter, SeenAdapter> matched, List<String> differences) {
    public SeenComputer {
        differences = List.copyOf(differences);
    }

    /** Compares. */
    public static SeenComputer of(Host host, List<SeenAdapter> seen) {
        List<Adapter> wanted = new ArrayList<>(host.adapters().stream()
                .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                .toList());
        List<SeenAdapter> left =
                new ArrayList<>(seen.stream().filter(s -> !s.loopback()).toList());
        Map<Adapter, SeenAdapter> matched = new LinkedHashMap<>();
        take(wanted, left, matched, (a, s) -> a.mac().filter(s::hasMac).isPresent());
        take(wanted, left, matched, (a, s) -> a.name().equalsIgnoreCase(s.name()));
        take(
                wanted,
                left,
                matched,
                (a, s) -> a.addresses().stream()
                        .anyMatch(x -> s.addresses().stream()
                                .anyMatch(y -> y.address().equals(x.inForce().address()))));
        take(
                wanted,
                left,
                matched,
                (a, s) -> a.addresses().stream()
                        .anyMatch(x -> s.addresses().stream()
                                .anyMatch(y -> y.subnet().equals(x.inForce().subnet()))));
        List<String> differences = new ArrayList<>();
        for (Adapter adapter : host.adapters()) {
            if (adapter.kind() != AdapterKind.LOOPBACK) {
                Optional.ofNullable(matched.get(adapter))
                        .ifPresentOrElse(
                                s -> differences.addAll(differences(adapter, s)),
                                () -> differences.add("The plan has " + adapter.name() + planned(adapter)
                                        + "; this computer has no adapter like it."));
            }
        }
        for (SeenAdapter extra : left) {
            if (extra.up() && !extra.addresses().isEmpty()) {
                differences.add(
                        "This computer also has " + extra.name() + " with "
                                + extra.addresses().get(0)
                                + ", which the plan does not know; a program that leaves the adapter to the system may take it.");
            }
        }
        return new SeenComputer(matched, differences);
    }

    private static void take(
            List<Adapter> wanted,
            List<SeenAdapter> left,
            Map<Adapter, SeenAdapter> matched,
            BiPredicate<Adapter, SeenAdapter> same) {
        for (Adapter adapter : List.copyOf(wanted)) {
            left.stream().filter(s -> same.test(adapter, s)).findFirst().ifPresent(s -> {
                matched.put(adapter, s);
                wanted.remove(adapter);
                left.remove(s);
            });
        }
    }

    private static String planned(Adapter adapter) {
        return adapter.addresses().stream()
                .findFirst()
                .map(a -> " (" + a.inForce() + ")")
                .orElse("");
    }

    private static List<String> differences(Adapter adapter, SeenAdapter seen) {
        List<String> all = new ArrayList<>();
        String name = adapter.name().equalsIgnoreCase(seen.name())
                ? seen.name()
                : seen.name() + " (" + adapter.name() + " in the plan)";
        if (adapter.isUp() && !seen.up()) {
            all.add(name + " is down here: no cable, or switched off.");
        }
        if (!adapter.isUp() && seen.up()) {
            all.add(name + " is up here, and in the plan it is not.");
        }
        for (AdapterAddress address : adapter.addresses()) {
            HostAddress wanted = address.inForce();
            Optional<HostAddress> there = seen.addresses().stream()
                    .filter(s -> s.address().equals(wanted.address()))
                    .findFirst();
            if (there.isEmpty()) {
                all.add(name + " has "
                        + (seen.addresses().isEmpty()
                                ? "no address"
                                : String.join(
                                        " and ",
                                        seen.addresses().stream()
                                                .map(HostAddress::toString)
                                                .toList()))
                        + " here, and " + wanted + " in the plan.");
            } else if (there.get().prefixLength() != wanted.prefixLength()) {
                all.add(name + " has the mask " + there.get().mask() + " here, and " + wanted.mask() + " in the plan.");
            }
        }
        boolean wireless = adapter.kind() == AdapterKind.WIRELESS;
        if (seen.wireless().isPresent() && seen.wireless().get() != wireless) {
            all.add(name + " is " + (wireless ? "wired here, and Wi-Fi" : "Wi-Fi here, and wired") + " in the plan.");
        }
        return all;
    }
}
