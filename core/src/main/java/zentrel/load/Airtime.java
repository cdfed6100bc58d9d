package zentrel.load;

import zentrel.profile.Protocol;

/**
 * What groups and broadcasts take of a wireless network's time. An access point sends them at a basic rate and without waiting for
 * an answer (IEEE 802.11), however fast its clients are otherwise.
 */
public final class Airtime {
    /** The lowest basic rate of the 2.4 GHz band, in bits a second (IEEE 802.11b). */
    public static final double SLOWEST_RATE = 1e6;

    /** The lowest of the 5 GHz band (IEEE 802.11a). */
    public static final double SLOWEST_RATE_5_GHZ = 6e6;

    private Airtime() {}

    /**
     * The part of all time that packets take, by their bits alone; headers and gaps of the wireless link come on top.
     *
     * @param packets a second
     * @param rate bits a second
     */
    public static double part(Protocol protocol, double packets, double rate) {
        // the IP packet and 36 bytes of wireless header, check and LLC (IEEE 802.11, 802.2)
        return (WireSize.ipLength(protocol) + 36) * 8 * packets / rate;
    }
}
