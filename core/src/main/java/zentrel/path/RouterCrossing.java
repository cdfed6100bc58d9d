package zentrel.path;

import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Id;

/**
 * From one adapter to another with routers between, for one address.
 *
 * @param hop where it is said why nothing goes by them
 * @param own the address of the first
 * @param there the address of the other, with the mask of whoever has it
 */
record RouterCrossing(HopDraft hop, Host from, Host to, Adapter out, Adapter in, HostAddress own, HostAddress there) {
    Ipv4Address destination() {
        return there.address();
    }

    /** Nothing goes by the routers between, with facts of which the sender and the receiver are part. */
    void broken(Id<?> cause, Facts facts) {
        hop.broken(
                Reason.NOT_ROUTED,
                cause,
                facts.and(
                        "from",
                        from,
                        "to",
                        to,
                        "out",
                        out,
                        "in",
                        in,
                        "own",
                        own,
                        "there",
                        there,
                        "destination",
                        destination()));
    }
}
