package zentrel.check;

/** Groups that would have to cross a router: {@code network.ttl}. */
final class NetworkTtl extends PathRule {
    NetworkTtl() {
        super(
                "network.ttl",
                "Groups that would have to cross a router",
                "Packets to a group live for one network only, unless their sender is told otherwise and the router between is set up to pass groups on (RFC 1112 §6.1). sACN to a group ends at the router without a word.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.signalPaths().any() && context.has(Trait.ROUTES);
    }
}
