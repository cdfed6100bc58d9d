package zentrel.plan;

/** What a host runs. */
public enum OperatingSystem implements Word {
    WINDOWS,
    MACOS,
    LINUX,
    /** A device's own firmware. */
    FIRMWARE;

    /**
     * Whether it sends by whichever adapter its table of routes says, though a program is bound to the address of another: the
     * "weak host" of RFC 1122, section 3.3.4.2. Linux does (tested against its kernel), macOS too (from memory, 60 %); Windows
     * follows the address (from memory, 85 %). Of firmware nobody knows, so it is taken to follow the address.
     */
    public boolean sendsByRoute() {
        return this == LINUX || this == MACOS;
    }

    /**
     * Whether it takes what is sent to the address of one of its adapters by any of them, as a "weak host" does. Linux does
     * (tested against its kernel), macOS too (from memory, 60 %), Windows does not (from memory, 85 %).
     */
    public boolean takesOnAny() {
        return this == LINUX || this == MACOS;
    }
}
