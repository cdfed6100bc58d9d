package zentrel.address;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.text.Counted;

/** Several adapters numbered one after the other. */
public final class AddressSequence {
    private AddressSequence() {}

    /**
     * The first adapter gets the address, each other one the next that nobody else on its segment has.
     *
     * @throws IllegalArgumentException with a sentence, where the range ends before all have one
     */
    public static AddressChange of(Plan plan, List<Id<Adapter>> adapters, HostAddress first) {
        Set<Id<Adapter>> chosen = new HashSet<>(adapters);
        Set<Ipv4Address> taken = new HashSet<>();
        for (Id<Adapter> id : chosen) {
            plan.index().adapter(id).segment().stream()
                    .flatMap(s -> plan.index().adaptersOn(s).stream())
                    .filter(a -> !chosen.contains(a.id()))
                    .flatMap(a -> a.addresses().stream())
                    .forEach(a -> taken.add(a.inForce().address()));
        }
        List<AddressChange.Change> changes = new ArrayList<>();
        Ipv4Address next = first.address();
        for (Id<Adapter> id : adapters) {
            Optional<HostAddress> before =
                    plan.index().adapter(id).addresses().stream().findFirst().map(AdapterAddress::inForce);
            changes.add(new AddressChange.Change(
                    id, plan.index().name(id), before, new HostAddress(next, first.prefixLength()), true));
            taken.add(next);
            if (changes.size() < adapters.size()) {
                Ipv4Address from = next;
                next = FreeAddress.after(from, first.subnet(), taken)
                        .filter(a -> a.compareTo(from) > 0)
                        .orElseThrow(() -> new IllegalArgumentException(first.subnet() + " has fewer than "
                                + adapters.size() + " free addresses from " + first.address() + " on."));
            }
        }
        return AddressChange.of(
                plan,
                "Number " + Counted.of(adapters.size(), "adapter") + " from " + first.address(),
                changes,
                Optional.empty(),
                List.of(),
                p -> p);
    }
}
