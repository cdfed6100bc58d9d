package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Profile;
import zentrel.profile.Protocol;

/** An address outside the ranges that the box accepts: {@code address.artnet-range}. */
final class AddressArtnetRange extends PathRule {
    AddressArtnetRange() {
        super("address.artnet-range");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().hosts().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            Optional<Profile> profile = context.index().profileOf(host);
            if (profile.isEmpty()) {
                unsaid(context, host).ifPresent(findings::add);
                continue;
            }
            if (profile.get().accepts().isEmpty()) {
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

    /** Without a profile nobody has said what a device accepts, so an address outside Art-Net's own ranges is worth a look. */
    private Optional<Finding> unsaid(CheckContext context, Host host) {
        if (host.system() != OperatingSystem.FIRMWARE) {
            return Optional.empty();
        }
        for (Adapter a : host.adapters()) {
            // what is asked of the address goes first: it is nearly always usual, and a box may have hundreds of ports
            if (a.needsCarrier() && isUnusual(a) && takesArtNet(context, host)) {
                return Optional.of(unmet(
                        Severity.NOTE,
                        Optional.empty(),
                        List.of(a.id()),
                        RuleWords.say(
                                "address.artnet-range.says/not-known",
                                "adapter",
                                context.index().name(a.id()),
                                "address",
                                a.addresses().get(0).inForce().address(),
                                "device",
                                host.name()),
                        List.of()));
            }
        }
        return Optional.empty();
    }

    private static boolean isUnusual(Adapter adapter) {
        for (AdapterAddress address : adapter.addresses()) {
            if (usual(address.inForce().address())) {
                return false;
            }
        }
        return !adapter.addresses().isEmpty();
    }

    private static boolean takesArtNet(CheckContext context, Host host) {
        return context.index().applicationsOn(host.id()).stream()
                .flatMap(a -> context.index().receiversOf(a.id()).stream())
                .flatMap(r -> r.ports().stream())
                .anyMatch(p -> p.protocol().inForce() == Protocol.ARTNET);
    }

    /** The ranges that Art-Net was made for, and those that are no address somebody chose. */
    private static boolean usual(Ipv4Address address) {
        return address.octet(0) == 2 || address.octet(0) == 10 || address.isLinkLocal() || address.isLoopback();
    }

    private Finding finding(
            CheckContext context, Host host, Adapter adapter, int at, HostAddress address, Profile profile) {
        String ranges =
                profile.accepts().stream().map(Subnet::toString).collect(Collectors.joining(RuleWords.say("part/or")));
        List<Edit> edits = new ArrayList<>();
        Optional<Subnet> usual = adapter.segment().flatMap(context.signalPaths()::usualSubnet);
        usual.filter(u -> profile.accepts(u.network()))
                .ifPresent(u -> edits.addAll(context.remedies().addresses().giveAddress(adapter, at, Optional.of(u))));
        return unmet(
                Severity.BROKEN,
                Optional.empty(),
                List.of(adapter.id()),
                RuleWords.say(
                        "address.artnet-range.says/" + (edits.isEmpty() ? "move" : "give"),
                        "adapter",
                        context.index().name(adapter.id()),
                        "address",
                        address.address(),
                        "device",
                        host.name(),
                        "ranges",
                        ranges),
                edits);
    }
}
