package zentrel.net;

import java.util.Optional;

/**
 * The UDP port that a program asks its system for.
 *
 * @param adapter the adapter that it is bound to; empty where the program leaves that to the system
 * @param port 1–65535; 0 for any that is free
 * @param broadcasts whether it also hears what is sent to everybody
 */
public record PortRequest(Optional<NetAdapter> adapter, int port, boolean broadcasts) {
    public PortRequest {
        if (port < 0 || port > 65_535) {
            throw new IllegalArgumentException("A UDP port goes from 1 to 65535, not " + port + ".");
        }
    }

    /** A port of one adapter that hears what is sent to its address. */
    public static PortRequest at(NetAdapter adapter, int port) {
        return new PortRequest(Optional.of(adapter), port, false);
    }

    /** A port for which the system chooses the adapters. */
    public static PortRequest automatic(int port) {
        return new PortRequest(Optional.empty(), port, true);
    }

    /** The same, hearing broadcasts too. */
    public PortRequest withBroadcasts() {
        return new PortRequest(adapter, port, true);
    }
}
