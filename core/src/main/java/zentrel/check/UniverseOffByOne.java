package zentrel.check;

/** The two ends' wire numbers differ by one: {@code universe.off-by-one}. */
final class UniverseOffByOne extends PathRule {
    UniverseOffByOne() {
        super(
                "universe.off-by-one",
                "The two ends' wire numbers differ by one",
                "Art-Net counts from 0, sACN from 1, and screens count as they like. What must be equal is the number on the wire; both screens may look right.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }
}
