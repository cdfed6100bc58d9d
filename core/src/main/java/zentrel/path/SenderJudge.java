package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.SpecialAddresses;
import zentrel.plan.*;

/** Hop 3: whether the sender's adapter is up and its address one that a host may have. */
final class SenderJudge {
    private final PathContext context;
    private final Remedies remedies;

    SenderJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    void judge(HopDraft hop, Host host, Adapter out) {
        up(hop, host, out);
        if (!out.carrier() && out.needsCarrier()) {
            hop.broken(
                    Reason.UNPLUGGED,
                    out.id(),
                    "no cable",
                    "The " + context.index.name(out.id()) + " has no cable. Plug it in" + segmentName(out) + ".",
                    List.of(remedies.plugIn(out, Optional.empty())));
        }
    }

    /** All of it but for the cable. */
    void up(HopDraft hop, Host host, Adapter out) {
        Optional<HostAddress> address = Adapters.first(out);
        hop.passes(
                out.id(),
                address.map(a -> a.address().toString()).orElse("no address"),
                context.index.find(out.id()).isPresent()
                        ? "The " + context.index.name(out.id()) + " is up with "
                                + address.map(HostAddress::toString).orElse("no address") + Adapters.planned(out) + "."
                        : "Loopback is always up with 127.0.0.1.");
        context.judgePower(hop, Reason.NO_POWER, host);
        if (!out.enabled().inForce()) {
            hop.broken(
                    Reason.SWITCHED_OFF,
                    out.id(),
                    "switched off",
                    "The " + context.index.name(out.id()) + " is switched off. Switch it on.",
                    List.of(remedies.switchOn(out)));
        }
        if (address.isEmpty()) {
            hop.broken(
                    Reason.NO_ADDRESS,
                    out.id(),
                    "no address",
                    "The " + context.index.name(out.id()) + " has no address. Give it one.",
                    remedies.addresses().giveAddress(out, 0, Optional.empty()));
        }
        notAHost(hop, Reason.NOT_A_HOST, out);
    }

    void notAHost(HopDraft hop, Reason reason, Adapter adapter) {
        for (int i = 0; i < adapter.addresses().size(); i++) {
            HostAddress address = adapter.addresses().get(i).inForce();
            Optional<String> why = adapter.needsCarrier()
                    ? SpecialAddresses.notOnANetwork(address)
                    : SpecialAddresses.notAHost(address);
            if (why.isPresent()) {
                hop.broken(
                        reason,
                        adapter.id(),
                        address.address() + " no host",
                        "The " + context.index.name(adapter.id()) + " has " + address.address() + ", which " + why.get()
                                + ". Give it another.",
                        remedies.addresses().giveAddress(adapter, i, Optional.empty()));
            }
        }
    }

    String segmentName(Adapter adapter) {
        return adapter.segment()
                .map(s -> " to " + context.index.segment(s).name())
                .orElse("");
    }
}
