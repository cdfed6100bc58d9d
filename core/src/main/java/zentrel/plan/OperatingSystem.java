package zentrel.plan;

/** What a host runs. */
public enum OperatingSystem implements Word {
    WINDOWS,
    MACOS,
    LINUX,
    /** A device's own firmware. */
    FIRMWARE
}
