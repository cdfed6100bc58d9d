package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Profile;

/** An address outside the ranges that the box accepts: {@code address.artnet-range}. */
final class AddressArtnetRange extends PathRule {
    AddressArtnetRange() {
        super(
                "address.artnet-range",
                "Outside the ranges that the box accepts",
                "Older Art-Net gear works in 2.0.0.0/8 or 10.0.0.0/8 only; newer gear takes any range. What a box accepts is said by its profile.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().profiles().stream().anyMatch(p -> !p.accepts().isEmpty());
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            Optional<Profile> profile = context.index().profileOf(host);
            if (profile.isEmpty() || profile.get().accepts().isEmpty()) {
                continue;
            }
            for (Adapter adapter : host.adapters()) {
                for (int i = 0; i < adapter.addresses().size(); i++) {
                    HostAddress address = adapter.addresses().get(i).inForce();
                    if (adapter.needsCarrier() && !profile.get().accepts(address.address())) {
                        findings.add(finding(context, host, adapter, i, address, profile.get()));
                    }
                }
            }
        }
        return findings;
    }

    private Finding finding(
            CheckContext context, Host host, Adapter adapter, int at, HostAddress address, Profile profile) {
        String ranges = profile.accepts().stream().map(Subnet::toString).collect(Collectors.joining(" or "));
        List<Edit> edits = new ArrayList<>();
        Optional<Subnet> usual = adapter.segment().flatMap(context.signalPaths()::usualSubnet);
        usual.filter(u -> profile.accepts(u.network()))
                .ifPresent(
                        u -> edits.addAll(context.signalPaths().remedies().giveAddress(adapter, at, Optional.of(u))));
        return unmet(
                Severity.BROKEN,
                Optional.empty(),
                List.of(adapter.id()),
                "The " + context.index().name(adapter.id()) + " has " + address.address() + ", and " + host.name()
                        + " accepts " + ranges + " only."
                        + (edits.isEmpty() ? " Move its segment to one of these." : ""),
                edits);
    }
}
