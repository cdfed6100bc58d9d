package zentrel.packet.artnet;

/**
 * What ArtAddress does by command. Those of a port are the first port's value plus its index, 0–3 (Art-Net 4, ArtAddress, Command;
 * the values of direction are {@link zentrel.source.Sources#ARTADDRESS_DIRECTION}).
 */
public enum ArtAddressCommand {
    NONE(0x00, false),
    CANCEL_MERGE(0x01, false),
    INDICATORS_NORMAL(0x02, false),
    INDICATORS_MUTE(0x03, false),
    INDICATORS_LOCATE(0x04, false),
    FAILSAFE_HOLD(0x08, false),
    FAILSAFE_ZERO(0x09, false),
    FAILSAFE_FULL(0x0A, false),
    FAILSAFE_SCENE(0x0B, false),
    FAILSAFE_RECORD(0x0C, false),
    MERGE_LTP(0x10, true),
    DIRECTION_OUTPUT(0x20, true),
    DIRECTION_INPUT(0x30, true),
    MERGE_HTP(0x50, true),
    ARTNET(0x60, true),
    SACN(0x70, true),
    CLEAR(0x90, true);

    private final int value;
    private final boolean ofPort;

    ArtAddressCommand(int value, boolean ofPort) {
        this.value = value;
        this.ofPort = ofPort;
    }

    /** Its byte, for a command that is not of a port. */
    public int value() {
        return value;
    }

    /** Its byte for a port, 0–3. */
    public int of(int index) {
        return value + index;
    }

    /** Which command a byte is; {@link #NONE} where it is none that is known. */
    public static ArtAddressCommand of(byte command) {
        int unsigned = command & 0xFF;
        for (ArtAddressCommand each : values()) {
            if (unsigned == each.value || (each.ofPort && unsigned > each.value && unsigned < each.value + 4)) {
                return each;
            }
        }
        return NONE;
    }

    /** The port, 0–3, that a byte of this command names. */
    public int index(int command) {
        return ofPort ? command - value : 0;
    }
}
