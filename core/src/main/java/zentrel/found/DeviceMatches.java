package zentrel.found;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;

/**
 * Tells which found device is which of the plan: each is one at most, and what is most alike is paired first. A hardware address
 * alone is enough, a name, an address or all universes too; a hardware address that differs speaks against.
 */
public final class DeviceMatches {
    private record Pair(int found, Host host, int score, List<DeviceMatch.Reason> reasons) {}

    /** Shorter beginnings say nothing. */
    private static final int SHORTEST_ALIKE = 4;

    private DeviceMatches() {}

    /** One match a device, in their order. */
    public static List<DeviceMatch> of(Plan plan, Collection<FoundDevice> found) {
        List<FoundDevice> devices = List.copyOf(found);
        List<PlannedDevice> planned =
                plan.hosts().stream().map(h -> PlannedDevice.of(plan, h)).toList();
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            for (PlannedDevice each : planned) {
                List<DeviceMatch.Reason> reasons = reasons(each, devices.get(i));
                int score =
                        reasons.stream().mapToInt(DeviceMatch.Reason::weight).sum();
                if (score >= DeviceMatch.ENOUGH) {
                    pairs.add(new Pair(i, each.host(), score, reasons));
                }
            }
        }
        pairs.sort(Comparator.comparingInt(Pair::score).reversed()); // stable: the order of the plan among equals
        Set<Id<Host>> taken = new HashSet<>();
        List<Optional<Pair>> chosen = new ArrayList<>();
        devices.forEach(d -> chosen.add(Optional.empty()));
        for (Pair pair : pairs) {
            if (chosen.get(pair.found()).isEmpty() && taken.add(pair.host().id())) {
                chosen.set(pair.found(), Optional.of(pair));
            }
        }
        List<DeviceMatch> matches = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            FoundDevice device = devices.get(i);
            matches.add(chosen.get(i)
                    .map(p -> new DeviceMatch(device, Optional.of(p.host().id()), p.score(), p.reasons()))
                    .orElseGet(() -> new DeviceMatch(device, Optional.empty(), 0, List.of())));
        }
        return matches;
    }

    private static List<DeviceMatch.Reason> reasons(PlannedDevice planned, FoundDevice device) {
        List<DeviceMatch.Reason> reasons = new ArrayList<>();
        List<String> macs = planned.adapters().stream()
                .flatMap(a -> a.mac().stream())
                .map(DeviceMatches::plainMac)
                .toList();
        Optional<String> mac = device.mac().map(DeviceMatches::plainMac);
        if (mac.isPresent() && macs.contains(mac.get())) {
            reasons.add(DeviceMatch.Reason.MAC);
        } else if (mac.isPresent() && !macs.isEmpty()) {
            reasons.add(DeviceMatch.Reason.OTHER_MAC);
        }
        if (isCalled(planned, device.shortName()) || isCalled(planned, device.longName())) {
            reasons.add(DeviceMatch.Reason.NAME);
        } else if (isAlike(planned.host().name(), device.shortName())
                || isAlike(planned.host().name(), device.longName())) {
            reasons.add(DeviceMatch.Reason.NAME_ALIKE);
        }
        if (planned.addresses().stream().anyMatch(a -> a.address().equals(device.address()))) {
            reasons.add(DeviceMatch.Reason.ADDRESS);
        }
        if (hasItsUniverses(planned, device)) {
            reasons.add(DeviceMatch.Reason.UNIVERSES);
        }
        reasons.sort(Comparator.comparingInt(DeviceMatch.Reason::weight).reversed());
        return reasons;
    }

    private static String plainMac(String mac) {
        return mac.replaceAll("[^0-9A-Fa-f]", "").toLowerCase(Locale.ROOT);
    }

    private static boolean isCalled(PlannedDevice planned, String name) {
        String wanted = name.strip();
        return !wanted.isEmpty()
                && (planned.host().name().equalsIgnoreCase(wanted)
                        || planned.programs().stream().anyMatch(p -> p.name().equalsIgnoreCase(wanted)));
    }

    /** Whether one is the first words of the other. */
    private static boolean isAlike(String one, String other) {
        String a = one.strip().toLowerCase(Locale.ROOT);
        String b = other.strip().toLowerCase(Locale.ROOT);
        return a.length() >= SHORTEST_ALIKE
                && b.length() >= SHORTEST_ALIKE
                && (a.startsWith(b + " ") || b.startsWith(a + " "));
    }

    /** Whether it has ports, and each is set as its port of the plan: to other numbers than those that devices come with. */
    private static boolean hasItsUniverses(PlannedDevice planned, FoundDevice device) {
        boolean any = false;
        for (FoundPort port : device.ports()) {
            Optional<PlannedDevice.PlannedPort> like = planned.port(port.number());
            if (like.isEmpty()) {
                return false;
            }
            Protocol protocol = like.get().port().protocol().planned();
            Optional<Integer> wire = like.get().port().wire().map(w -> w.planned());
            if (wire.isPresent() && (protocol != port.protocol() || wire.get() != port.wire())) {
                return false;
            }
            any |= wire.isPresent() && wire.get() > 1; // 0 and 1 are what most come with
        }
        return any;
    }

    /** The adapter of a device of the plan that a found one uses: by hardware address, else by address, else the first. */
    static Optional<Adapter> adapter(PlannedDevice planned, FoundDevice device) {
        Optional<String> mac = device.mac().map(DeviceMatches::plainMac);
        return planned.adapters().stream()
                .filter(a ->
                        mac.isPresent() && a.mac().map(DeviceMatches::plainMac).equals(mac))
                .findFirst()
                .or(() -> planned.adapters().stream()
                        .filter(a -> a.addresses().stream()
                                .anyMatch(x -> x.address().planned().address().equals(device.address())
                                        || x.inForce().address().equals(device.address())))
                        .findFirst())
                .or(() -> planned.adapters().stream().findFirst());
    }
}
