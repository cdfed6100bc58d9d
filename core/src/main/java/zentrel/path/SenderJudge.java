package zentrel.path;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.SpecialAddresses;
import zentrel.plan.*;

/** Hop 3: whether the sender's adapter is up and its address one that a host may have. */
final class SenderJudge {
    private final PathContext context;

    SenderJudge(PathContext context) {
        this.context = context;
    }

    void judge(HopDraft hop, Host host, Adapter out) {
        up(hop, host, out);
        if (!out.carrier() && out.needsCarrier()) {
            hop.broken(Reason.UNPLUGGED, out.id(), Facts.of("adapter", out));
        }
    }

    /** All of it but for the cable. */
    void up(HopDraft hop, Host host, Adapter out) {
        hop.passes(out.id(), Facts.as(context.index.find(out.id()).isPresent() ? "up" : "loopback-up", "adapter", out));
        context.judgePower(hop, Reason.NO_POWER, host);
        if (!out.enabled().inForce()) {
            hop.broken(Reason.SWITCHED_OFF, out.id(), Facts.of("adapter", out));
        }
        if (Adapters.first(out).isEmpty()) {
            hop.broken(Reason.NO_ADDRESS, out.id(), Facts.of("adapter", out));
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
                        Facts.of("adapter", adapter, "place", i, "address", address, "special", why.get()));
            }
        }
    }
}
