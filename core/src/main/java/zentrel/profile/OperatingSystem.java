package zentrel.profile;

import zentrel.source.Sourced;
import zentrel.source.Sources;
import zentrel.text.Word;

/** What a host runs. */
public enum OperatingSystem implements Word {
    WINDOWS,
    MACOS,
    LINUX,
    /** A device's own firmware. */
    FIRMWARE;

    /**
     * Whether it sends by whichever adapter its table of routes says, though a program is bound to the address of another: the
     * "weak host" of RFC 1122, section 3.3.4.2.
     */
    public Sourced<Boolean> sendsByRoute() {
        return switch (this) {
            case WINDOWS -> Sources.WINDOWS_SENDS_BY_ROUTE;
            case MACOS -> Sources.MACOS_SENDS_BY_ROUTE;
            case LINUX -> Sources.LINUX_SENDS_BY_ROUTE;
            case FIRMWARE -> Sources.FIRMWARE_NOT_SPECIFIED;
        };
    }

    /** Whether it accepts what is sent to the address of one of its adapters on any of them, as a "weak host" does. */
    public Sourced<Boolean> receivesOnAny() {
        return switch (this) {
            case WINDOWS -> Sources.WINDOWS_RECEIVES_ON_ANY;
            case MACOS -> Sources.MACOS_RECEIVES_ON_ANY;
            case LINUX -> Sources.LINUX_RECEIVES_ON_ANY;
            case FIRMWARE -> Sources.FIRMWARE_NOT_SPECIFIED;
        };
    }
}
