package zentrel.check;

/** A footprint beyond slot 512: {@code patch.past-end}. */
final class PatchPastEnd extends PathRule {
    PatchPastEnd() {
        super(
                "patch.past-end",
                "A footprint beyond slot 512",
                "A universe has 512 slots (ANSI E1.11). What lies beyond does not exist, so the fixture's last functions do not respond.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().fixtures().isEmpty();
    }
}
