package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Segment;

/** Masks differ on one segment: {@code address.mask-differs}. */
final class AddressMaskDiffers extends PathRule {
    AddressMaskDiffers() {
        super("address.mask-differs");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.ADAPTER);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            Optional<Subnet> usual = context.signalPaths().usualSubnet(segment.id());
            if (usual.isEmpty()) {
                continue;
            }
            List<Adapter> adapters = context.index().adaptersOn(segment.id());
            for (Adapter adapter : adapters) {
                for (int i = 0; i < adapter.addresses().size(); i++) {
                    HostAddress address = adapter.addresses().get(i).inForce();
                    if (address.prefixLength() != usual.get().prefixLength()
                            && address.subnet().overlaps(usual.get())) {
                        findings.add(unmet(
                                Severity.AT_RISK,
                                Optional.empty(),
                                List.of(adapter.id()),
                                text(context, segment, usual.get(), adapter, address, adapters),
                                context.remedies().addresses().joinSubnet(adapter, usual.get())));
                    }
                }
            }
        }
        return findings;
    }

    /** Says what still works, and which way. */
    private static String text(
            CheckContext context,
            Segment segment,
            Subnet usual,
            Adapter adapter,
            HostAddress address,
            List<Adapter> all) {
        int seesAll = 0;
        int seenByAll = 0;
        int others = 0;
        for (Adapter other : all) {
            if (other.id().equals(adapter.id()) || other.addresses().isEmpty()) {
                continue;
            }
            HostAddress theirs = other.addresses().get(0).inForce();
            others++;
            seesAll += address.sees(theirs.address()) ? 1 : 0;
            seenByAll += theirs.sees(address.address()) ? 1 : 0;
        }
        String name = context.index().name(adapter.id());
        return RuleWords.say(
                "address.mask-differs.says",
                "adapter",
                name,
                "mask",
                address.mask(),
                "segment",
                segment.name(),
                "usual",
                new HostAddress(usual.network(), usual.prefixLength()).mask(),
                "reached",
                seesAll,
                "others",
                others,
                "reaching",
                seenByAll,
                "broadcast",
                address.broadcast(),
                "theirs",
                usual.last());
    }
}
