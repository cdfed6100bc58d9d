package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

/** Questions about adapters that several hops ask. */
final class Adapters {
    private Adapters() {}

    static boolean contains(List<Adapter> adapters, Adapter wanted) {
        return adapters.stream().anyMatch(a -> a.id().equals(wanted.id()));
    }

    static Optional<HostAddress> first(Adapter adapter) {
        return adapter.addresses().stream().findFirst().map(AdapterAddress::inForce);
    }

    /** The address of {@code of} that shares a subnet with {@code partner}; else its first. */
    static Optional<HostAddress> best(Adapter of, Adapter partner) {
        for (AdapterAddress mine : of.addresses()) {
            for (AdapterAddress theirs : partner.addresses()) {
                if (mine.inForce().subnet().equals(theirs.inForce().subnet())) {
                    return Optional.of(mine.inForce());
                }
            }
        }
        for (AdapterAddress mine : of.addresses()) {
            for (AdapterAddress theirs : partner.addresses()) {
                if (mine.inForce().sees(theirs.inForce().address())
                        || theirs.inForce().sees(mine.inForce().address())) {
                    return Optional.of(mine.inForce());
                }
            }
        }
        return first(of);
    }

    static String shown(Adapter adapter) {
        return first(adapter).map(a -> ", " + a.address()).orElse("");
    }

    static String planned(Adapter adapter) {
        return adapter.addresses().stream()
                .filter(a -> a.address().isPending())
                .findFirst()
                .map(a -> " (" + a.address().planned() + " is planned, not in force)")
                .orElse("");
    }

    static String capitalised(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
