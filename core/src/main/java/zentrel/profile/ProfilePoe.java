package zentrel.profile;

/**
 * The power that a switch gives over its network sockets.
 *
 * @param perPortWatts at one socket (IEEE 802.3af 15.4 W, at 30 W, bt 60 or 90 W)
 * @param totalWatts at all sockets together
 */
public record ProfilePoe(double perPortWatts, double totalWatts) {
    public ProfilePoe {
        if (!(perPortWatts > 0 && totalWatts > 0)) {
            throw new IllegalArgumentException("A switch that powers others gives more than 0 W.");
        }
    }
}
