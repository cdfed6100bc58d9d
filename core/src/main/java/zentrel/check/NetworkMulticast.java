package zentrel.check;

/** Snooping, and nobody asks: {@code network.multicast}. */
final class NetworkMulticast extends PathRule {
    NetworkMulticast() {
        super(
                "network.multicast",
                "Snooping, and nobody asks",
                "A switch that snoops passes a group only to those that asked for it, and forgets them unless somebody asks again. Without a querier everything works at first and stops up to 260 s later (RFC 2236 §8.4), which looks like a fault of the console.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.SNOOPS);
    }
}
