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
                        segment.name() + " uses " + usual.get()
                                + ", which belongs to somebody on the internet, and has an uplink. Close it, or move it to 10/8, 172.16/12 or 192.168/16.",
                        List.of(new Edit(
                                "Say that " + segment.name() + " has no uplink",
                                p -> p.with(segment.id(), s -> s.withWayOut(false))))));
            }
        }
        return findings;
    }
}
