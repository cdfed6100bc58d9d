package zentrel.check;

/** The two ends' wire numbers differ: {@code universe.numbers-differ}. */
final class UniverseNumbersDiffer extends PathRule {
    UniverseNumbersDiffer() {
        super(
                "universe.numbers-differ",
                "The two ends' wire numbers differ",
                "The port waits for another number than the one its universe is sent as.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }
}
