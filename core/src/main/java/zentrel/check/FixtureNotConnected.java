package zentrel.check;

/** No line leads to the fixture: {@code fixture.not-connected}. */
final class FixtureNotConnected extends PathRule {
    FixtureNotConnected() {
        super(
                "fixture.not-connected",
                "No line leads to the fixture",
                "A fixture hears its universe only by a line from a port of that universe. A cable that is out, or a splitter or wireless link without power, darkens all that hangs behind it.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().fixtures().isEmpty();
    }
}
