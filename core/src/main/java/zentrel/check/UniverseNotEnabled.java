package zentrel.check;

/** An output, protocol, universe or input is off: {@code universe.not-enabled}. */
final class UniverseNotEnabled extends PathRule {
    UniverseNotEnabled() {
        super(
                "universe.not-enabled",
                "An output, protocol, universe or input is off",
                "A source sends only what is switched on: the protocol, the universe, the range. A receiver may have a switch of its own for taking streams.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
