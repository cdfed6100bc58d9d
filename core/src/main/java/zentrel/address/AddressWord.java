package zentrel.address;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * A word typed where an address stands, for an address that nobody types: {@code dhcp}, {@code self} (169.254/16), {@code
 * factory}, {@code none} to take it away; and {@code + 10.1.2.3/8} for one more.
 */
public final class AddressWord {
    /** The words, for a hint. */
    public static final String WORDS = "dhcp, self, factory, none, or + and a second address";

    private AddressWord() {}

    /**
     * The edit for a word.
     *
     * @param at which address of the adapter it stands for, from 0
     * @return empty where the text is none of the words
     * @throws IllegalArgumentException with a sentence, where it cannot be so
     */
    public static Optional<Edit> of(Plan plan, Id<Adapter> id, int at, String text) {
        Adapter adapter = plan.index().adapter(id);
        String name = plan.index().name(id);
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (word.startsWith("+")) {
            String typed = word.substring(1).strip();
            HostAddress second = typed.contains("/")
                    ? HostAddress.parse(typed)
                    : new HostAddress(
                            Ipv4Address.parse(typed),
                            adapter.addresses().isEmpty()
                                    ? 8
                                    : adapter.addresses().get(0).inForce().prefixLength());
            return Optional.of(put(
                    "Give the " + name + " " + second + " as well",
                    id,
                    adapter.addresses().size(),
                    new AdapterAddress(Setting.of(second), AddressOrigin.MANUAL)));
        }
        return switch (word) {
            case "dhcp" ->
                Optional.of(
                        at < adapter.addresses().size()
                                ? put(
                                        "The " + name + " asks for its address",
                                        id,
                                        at,
                                        new AdapterAddress(
                                                adapter.addresses().get(at).address(), AddressOrigin.DHCP))
                                : new Edit("The " + name + " asks for its address", p -> p));
            case "self" ->
                Optional.of(put(
                        "The " + name + " gives itself an address",
                        id,
                        at,
                        new AdapterAddress(Setting.of(self(adapter)), AddressOrigin.SELF_ASSIGNED)));
            case "factory" -> {
                HostAddress factory = FactoryAddresses.factory(plan, adapter)
                        .orElseThrow(() -> new IllegalArgumentException("It is not specified what the " + name
                                + " has when new; its profile would say, or its hardware address."));
                boolean made = plan.index().profileOf(plan.index().hostOf(id)).stream()
                        .flatMap(p -> p.adapters().stream())
                        .anyMatch(a ->
                                a.name().equals(adapter.name()) && a.factory().isEmpty());
                yield Optional.of(put(
                        "The " + name + " is as it left the factory",
                        id,
                        at,
                        new AdapterAddress(
                                Setting.of(factory), made ? AddressOrigin.PROTOCOL : AddressOrigin.FACTORY)));
            }
            case "none" ->
                Optional.of(new Edit(
                        "Take an address from the " + name,
                        p -> p.with(id, a -> {
                            List<AdapterAddress> left = new ArrayList<>(a.addresses());
                            if (at < left.size()) {
                                left.remove(at);
                            }
                            return a.withAddresses(left);
                        })));
            default -> Optional.empty();
        };
    }

    private static Edit put(String text, Id<Adapter> id, int at, AdapterAddress address) {
        return new Edit(
                text,
                p -> p.with(id, a -> a.withAddress(Math.min(at, a.addresses().size()), address)));
    }

    /** An address of 169.254.1.0 to 169.254.254.255 (RFC 3927, section 2.1), the same each time for an adapter. */
    private static HostAddress self(Adapter adapter) {
        int hash = Math.floorMod(adapter.mac().orElse(adapter.id().value()).hashCode(), 254 * 256);
        return new HostAddress(Ipv4Address.of(169, 254, 1 + hash / 256, hash % 256), 16);
    }
}
