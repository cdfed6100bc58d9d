package zentrel.check;

/** Preview data towards live output: {@code universe.preview}. */
final class UniversePreview extends PathRule {
    UniversePreview() {
        super(
                "universe.preview",
                "Preview data towards live output",
                "A stream marked as preview must not reach live output (ANSI E1.31-2018 §6.2.6), so a port stays dark.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
