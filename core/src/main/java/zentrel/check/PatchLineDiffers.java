package zentrel.check;

/** A line of another universe: {@code patch.line-differs}. */
final class PatchLineDiffers extends PathRule {
    PatchLineDiffers() {
        super(
                "patch.line-differs",
                "A line of another universe",
                "The fixture hangs on a line that starts at a port of another universe than the one it is patched in.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().fixtures().isEmpty();
    }
}
