package zentrel.check;

/** An adapter in use has no address: {@code address.none}. */
final class AddressNone extends PathRule {
    AddressNone() {
        super(
                "address.none",
                "An adapter in use has no address",
                "An adapter that waits for an address can neither send to an address nor be found.");
    }
}
