package zentrel.check;

/** Two that must talk have no route to each other: {@code address.unreachable}. */
final class AddressUnreachable extends PathRule {
    AddressUnreachable() {
        super(
                "address.unreachable",
                "Two that must talk have no route to each other",
                "A host reaches only what its own mask calls near, or what a router leads to; a mask that covers what is behind the router keeps it from the router. Where the two ends are in different subnets, or on segments that nothing joins, nothing arrives, one way or both. The sender shows no sign of it.");
    }
}
