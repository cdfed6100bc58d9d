package zentrel.check;

/** Nobody told the source of the receiver: {@code universe.not-delivered}. */
final class UniverseNotDelivered extends PathRule {
    UniverseNotDelivered() {
        super(
                "universe.not-delivered",
                "Nobody told the source of the receiver",
                "By unicast a source sends to the addresses in its list, or to those that answered its poll. Who is not on the list and does not answer gets nothing.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
