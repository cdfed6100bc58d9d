package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.fix.AddressRemedies;
import zentrel.plan.Adapter;
import zentrel.plan.Id;
import zentrel.plan.Segment;

/** One address on two adapters: {@code address.duplicate}. */
final class AddressDuplicate extends PathRule {
    AddressDuplicate() {
        super("address.duplicate");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.ADAPTER);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            context.signalPaths()
                    .sharedAddresses(segment.id())
                    .forEach((address, adapters) -> findings.add(duplicate(context, segment, address, adapters)));
        }
        return findings;
    }

    private Finding duplicate(CheckContext context, Segment segment, Ipv4Address address, List<Adapter> adapters) {
        Adapter last = adapters.get(adapters.size() - 1);
        List<Id<?>> subjects = new ArrayList<>();
        subjects.add(last.id());
        adapters.stream().map(Adapter::id).filter(a -> !a.equals(last.id())).forEach(subjects::add);
        String names = String.join(
                RuleWords.say("part/and"),
                adapters.stream()
                        .map(a -> context.index().hostOf(a.id()).name())
                        .toList());
        int at = AddressRemedies.at(last, address);
        return unmet(
                Severity.AT_RISK,
                Optional.empty(),
                subjects,
                RuleWords.say(
                        "address.duplicate.says",
                        "address",
                        address,
                        "devices",
                        names,
                        "segment",
                        segment.name(),
                        "last",
                        context.index().name(last.id())),
                context.remedies()
                        .addresses()
                        .giveEachItsOwn(adapters, last.addresses().get(at).inForce()));
    }
}
