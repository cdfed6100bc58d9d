package zentrel.gear;

import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import zentrel.control.OscPattern;
import zentrel.plan.ControlLink;
import zentrel.plan.Plan;

/**
 * What OSC a plan knows of.
 *
 * @param patterns the addresses that its programs act on, and those that its links send
 * @param ports where its programs listen, in order
 */
public record OscAddresses(List<String> patterns, List<Integer> ports) {
    public OscAddresses {
        patterns = List.copyOf(patterns);
        ports = List.copyOf(ports);
    }

    public static OscAddresses of(Plan plan) {
        TreeSet<Integer> ports = new TreeSet<>();
        plan.applications()
                .forEach(a -> a.osc().ifPresent(o -> ports.add(o.port().inForce())));
        return new OscAddresses(
                Stream.concat(
                                plan.applications().stream()
                                        .flatMap(a -> a.osc().stream())
                                        .flatMap(o -> o.addresses().stream()),
                                plan.links().stream().map(ControlLink::sentPattern))
                        .distinct()
                        .toList(),
                List.copyOf(ports));
    }

    /** Whether an address that arrived is one of them. */
    public boolean has(String address) {
        return patterns.stream().anyMatch(p -> OscPattern.matches(p, address));
    }
}
