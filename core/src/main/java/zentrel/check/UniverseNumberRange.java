package zentrel.check;

/** A number outside the protocol: {@code universe.number-range}. */
final class UniverseNumberRange extends PathRule {
    UniverseNumberRange() {
        super(
                "universe.number-range",
                "A number outside the protocol",
                "An Art-Net Port-Address is 0 to 32767 (15 bits), an sACN universe 1 to 63999 (ANSI E1.31-2018 §6.2.7). A number outside cannot be sent.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
