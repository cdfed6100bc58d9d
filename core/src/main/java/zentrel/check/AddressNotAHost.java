package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.SpecialAddresses;
import zentrel.plan.Adapter;
import zentrel.plan.Host;

/** An address that no host may have: {@code address.not-a-host}. */
final class AddressNotAHost extends PathRule {
    AddressNotAHost() {
        super("address.not-a-host");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.ADAPTER);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            for (Adapter adapter : host.adapters()) {
                for (int i = 0; i < adapter.addresses().size(); i++) {
                    HostAddress address = adapter.addresses().get(i).inForce();
                    Optional<String> reason = adapter.needsCarrier()
                            ? SpecialAddresses.notOnANetwork(address)
                            : SpecialAddresses.notAHost(address);
                    if (reason.isPresent()) {
                        findings.add(unmet(
                                Severity.BROKEN,
                                Optional.empty(),
                                List.of(adapter.id()),
                                RuleWords.say(
                                        "address.not-a-host.says",
                                        "adapter",
                                        context.index().name(adapter.id()),
                                        "address",
                                        address.address(),
                                        "reason",
                                        reason.get()),
                                context.remedies().addresses().giveAddress(adapter, i, Optional.empty())));
                    }
                }
            }
        }
        return findings;
    }
}
