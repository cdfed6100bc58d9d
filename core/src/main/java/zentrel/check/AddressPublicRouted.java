package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.Edit;
import zentrel.plan.Segment;

/** A public range on a segment with a way out: {@code address.public-routed}. */
final class AddressPublicRouted extends PathRule {
    AddressPublicRouted() {
        super("address.public-routed");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().segments().stream().anyMatch(Segment::wayOut);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            Optional<Subnet> usual = context.signalPaths().usualSubnet(segment.id());
            if (segment.wayOut()
                    && usual.isPresent()
                    && SpecialAddresses.isPublic(usual.get().network())) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.empty(),
                        List.of(segment.id()),
                        RuleWords.say("address.public-routed.says", "segment", segment.name(), "subnet", usual.get()),
                        List.of(new Edit(
                                RuleWords.say("address.public-routed.fix", "segment", segment.name()),
                                p -> p.with(segment.id(), s -> s.withWayOut(false))))));
            }
        }
        return findings;
    }
}
