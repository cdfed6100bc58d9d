package zentrel.live;

import zentrel.packet.rdm.Uid;
import zentrel.text.PlainText;

/**
 * A fixture with RDM on an output of a node.
 *
 * @param port the output, counted through all pages of the node from 1
 * @param manufacturer what it calls its maker; empty where it does not say
 * @param model what it calls itself
 * @param start its DMX start slot, 1–512; 0 where it did not say
 * @param footprint its slots; 0 where it did not say
 */
public record RdmDevice(Uid uid, int port, String manufacturer, String model, int start, int footprint) {
    private static final int LONGEST = 32;

    public RdmDevice {
        manufacturer = PlainText.shown(manufacturer, LONGEST);
        model = PlainText.shown(model, LONGEST);
    }

    /** Whether it told what it is. */
    public boolean isKnown() {
        return start > 0;
    }
}
