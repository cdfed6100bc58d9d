package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Segment;
import zentrel.profile.ProfileAdapter;
import zentrel.source.Sources;

/** A self-assigned address among set ones, or DHCP asked for with no server: {@code address.link-local-mix}. */
final class AddressLinkLocalMix extends PathRule {
    AddressLinkLocalMix() {
        super("address.link-local-mix");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.ADDRESS_NOT_SET);
    }

    /** Whether an adapter has an address that nobody set; a plain loop, for it is asked of every adapter. */
    static boolean anyNotSet(Adapter adapter) {
        for (AdapterAddress address : adapter.addresses()) {
            if (notSet(address)) {
                return true;
            }
        }
        return false;
    }

    private static boolean notSet(AdapterAddress address) {
        return address.origin() == AddressOrigin.DHCP || linkLocal(address);
    }

    private static boolean linkLocal(AdapterAddress address) {
        return address.inForce().address().isLinkLocal();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            List<Adapter> adapters = context.index().adaptersOn(segment.id());
            boolean served = !Servers.on(context, segment).isEmpty();
            List<Adapter> set = adapters.stream()
                    .filter(a -> a.addresses().stream().anyMatch(x -> !notSet(x)))
                    .toList();
            if (set.isEmpty()) {
                continue; // clients among themselves all end at 169.254 and hear each other
            }
            Subnet usual = segment.subnet()
                    .orElseGet(() -> set.get(0).addresses().stream()
                            .filter(x -> !notSet(x))
                            .findFirst()
                            .orElseThrow()
                            .inForce()
                            .subnet());
            for (Adapter adapter : adapters) {
                List<AdapterAddress> own = adapter.addresses();
                if (own.isEmpty() || !own.stream().allMatch(AddressLinkLocalMix::notSet)) {
                    continue;
                }
                boolean selfAssigned = own.stream().allMatch(AddressLinkLocalMix::linkLocal);
                if (selfAssigned) {
                    findings.add(finding(
                            context,
                            adapter,
                            usual,
                            RuleWords.say(
                                    "address.link-local-mix.says/self-assigned",
                                    "adapter",
                                    context.index().name(adapter.id()),
                                    "address",
                                    own.get(0).inForce().address(),
                                    "count",
                                    set.size(),
                                    "segment",
                                    segment.name(),
                                    "subnet",
                                    usual)));
                } else if (!served && !segment.wayOut()) {
                    findings.add(finding(
                            context,
                            adapter,
                            usual,
                            RuleWords.say(
                                    "address.link-local-mix.says/asks",
                                    "adapter",
                                    context.index().name(adapter.id()),
                                    "segment",
                                    segment.name(),
                                    "seconds",
                                    waits(context, adapter).together(),
                                    "count",
                                    set.size())));
                }
            }
        }
        return findings;
    }

    private static ProfileAdapter.Waits waits(CheckContext context, Adapter adapter) {
        return context.index()
                .profileOf(context.index().hostOf(adapter.id()))
                .flatMap(p -> p.adapters().stream()
                        .filter(a -> a.name().equals(adapter.name()))
                        .findFirst())
                .map(ProfileAdapter::waits)
                .orElse(ProfileAdapter.Waits.USUAL);
    }

    private Finding finding(CheckContext context, Adapter adapter, Subnet usual, String text) {
        return unmet(
                        Severity.AT_RISK,
                        Optional.empty(),
                        List.of(adapter.id()),
                        text,
                        context.remedies().addresses().setByHand(adapter, usual))
                .restingOn(Sources.DHCP_WAIT, Sources.CLAIM_WAIT);
    }
}
