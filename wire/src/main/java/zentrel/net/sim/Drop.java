package zentrel.net.sim;

import zentrel.path.Reason;

/**
 * A packet that ended.
 *
 * @param time when, by the net's clock
 * @param packet its number, in the order of sending
 * @param reason why; it names the hop
 * @param place where, as the net was told to call it
 */
public record Drop(long time, long packet, Reason reason, String place) {}
