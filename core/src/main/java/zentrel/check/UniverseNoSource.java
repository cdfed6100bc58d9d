package zentrel.check;

/** Used but not sent: {@code universe.no-source}. */
final class UniverseNoSource extends PathRule {
    UniverseNoSource() {
        super(
                "universe.no-source",
                "Used but not sent",
                "Fixtures are patched in the universe, or a port waits for it, and no source sends it.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().universes().isEmpty();
    }
}
