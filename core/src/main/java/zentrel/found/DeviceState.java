package zentrel.found;

import zentrel.text.Word;

/** How a found device is, the worst first. */
public enum DeviceState implements Word {
    /** Another device has the same address, as their hardware addresses tell. */
    DUPLICATE_ADDRESS("one of two on one address"),
    /** Its address is in no range that the adapter reaches. */
    OUT_OF_REACH("out of reach from this adapter"),
    /** It was heard, and is not any more. */
    SILENT("silent"),
    /** Others of its kind, or the plan, have another version. */
    FIRMWARE_DIFFERS("firmware differs"),
    /** It answers, and can be reached. */
    READY("ready");

    private final String words;

    DeviceState(String words) {
        this.words = words;
    }

    /** The state in words. */
    public String words() {
        return words;
    }
}
