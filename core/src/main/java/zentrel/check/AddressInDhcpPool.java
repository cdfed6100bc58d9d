package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Adapter;
import zentrel.plan.AddressOrigin;
import zentrel.plan.DhcpServer;
import zentrel.plan.Segment;

/** Set by hand inside the pool of a DHCP server: {@code address.in-dhcp-pool}. */
final class AddressInDhcpPool extends PathRule {
    AddressInDhcpPool() {
        super("address.in-dhcp-pool");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.DHCP_SERVER);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            for (Adapter server : Servers.on(context, segment)) {
                DhcpServer pool = server.serving().orElseThrow();
                for (Adapter adapter : context.index().adaptersOn(segment.id())) {
                    for (int i = 0; i < adapter.addresses().size(); i++) {
                        HostAddress address = adapter.addresses().get(i).inForce();
                        if (adapter.addresses().get(i).origin() != AddressOrigin.DHCP
                                && pool.holds(address.address())) {
                            findings.add(unmet(
                                    Severity.AT_RISK,
                                    Optional.empty(),
                                    List.of(adapter.id(), server.id()),
                                    RuleWords.say(
                                            "address.in-dhcp-pool.says",
                                            "adapter",
                                            context.index().name(adapter.id()),
                                            "address",
                                            address.address(),
                                            "pool",
                                            pool.pool(),
                                            "server",
                                            context.index().name(server.id())),
                                    context.remedies()
                                            .addresses()
                                            .giveAddress(adapter, i, Optional.of(address.subnet()))));
                        }
                    }
                }
            }
        }
        return findings;
    }
}
