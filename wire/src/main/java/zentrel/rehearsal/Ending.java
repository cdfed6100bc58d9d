package zentrel.rehearsal;

import zentrel.path.Reason;

/**
 * Where the packets of a flow ended.
 *
 * @param reason why; it names the hop
 * @param place the adapter, device, program or cable, by kind and id
 */
public record Ending(Reason reason, String place) {
    @Override
    public String toString() {
        return reason.hop().number() + " " + reason + " at " + place;
    }
}
