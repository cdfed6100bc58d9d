package zentrel.check;

/** Two sources of equal priority, no merge meant: {@code universe.two-sources}. */
final class UniverseTwoSources extends PathRule {
    UniverseTwoSources() {
        super(
                "universe.two-sources",
                "Two sources of equal priority, no merge meant",
                "Where two sources send one universe at one priority, each receiver settles it in its own way: levels flicker or hang. One should be silent, lower in priority, or the two merged on purpose.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }
}
