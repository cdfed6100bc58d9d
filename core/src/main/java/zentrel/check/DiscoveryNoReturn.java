package zentrel.check;

/** The reply to a poll cannot come back: {@code discovery.no-return}. */
final class DiscoveryNoReturn extends PathRule {
    DiscoveryNoReturn() {
        super(
                "discovery.no-return",
                "The reply to a poll cannot come back",
                "Art-Net sends unicast only to those found. Finding is a round trip: the poll goes out by broadcast, the reply comes back by unicast, which needs a route from the receiver to the sender.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
