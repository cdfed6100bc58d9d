package zentrel.standin;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Application;
import zentrel.plan.Id;

/**
 * Which loopback address stands for which application in one run. The last three numbers of a planned address are kept
 * where they are free, so that 10.41.20.1 is 127.41.20.1; a second one with the same three (2.41.20.1) gets the next free
 * address of 127.201/16.
 */
public final class AddressTable {
    private final Map<Id<Application>, Ipv4Address> table = new LinkedHashMap<>();
    private final Map<Ipv4Address, Id<Application>> taken = new HashMap<>();
    private Ipv4Address next = Ipv4Address.of(127, 201, 0, 1);

    /** Gives an application its address; the same one when asked again. */
    public Ipv4Address assign(Id<Application> application, Optional<Ipv4Address> planned) {
        return table.computeIfAbsent(application, a -> {
            Ipv4Address wanted = planned.map(p -> Ipv4Address.of(127, p.octet(1), p.octet(2), p.octet(3)))
                    .filter(this::usable)
                    .orElseGet(this::nextFree);
            taken.put(wanted, a);
            return wanted;
        });
    }

    private boolean usable(Ipv4Address address) {
        boolean edge = address.octet(3) == 0 || address.octet(3) == 255 || address.equals(Ipv4Address.LOOPBACK);
        return !edge && !taken.containsKey(address);
    }

    private Ipv4Address nextFree() {
        while (!usable(next)) {
            next = next.plus(1);
        }
        return next;
    }

    public Optional<Ipv4Address> of(Id<Application> application) {
        return Optional.ofNullable(table.get(application));
    }

    /** The application that an address stands for. */
    public Optional<Id<Application>> at(Ipv4Address loopback) {
        return Optional.ofNullable(taken.get(loopback));
    }

    /** Every assignment, in the order in which they were made. */
    public Map<Id<Application>, Ipv4Address> all() {
        return new LinkedHashMap<>(table);
    }
}
