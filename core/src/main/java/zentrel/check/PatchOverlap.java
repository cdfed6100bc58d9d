package zentrel.check;

/** Shared slots: {@code patch.overlap}. */
final class PatchOverlap extends PathRule {
    PatchOverlap() {
        super(
                "patch.overlap",
                "Shared slots",
                "Two fixtures on one slot move together. Where that is meant, say so on both.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().fixtures().isEmpty();
    }
}
