package zentrel.check;

/** More universes than the source sends: {@code universe.over-limit}. */
final class UniverseOverLimit extends PathRule {
    UniverseOverLimit() {
        super(
                "universe.over-limit",
                "More universes than the source sends",
                "Licence, version and attached hardware decide how many universes leave; above that some fall away without a word. Which ones is known: those with the highest labels.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().profiles().isEmpty()
                && context.plan().applications().stream()
                        .anyMatch(a -> context.index()
                                .profileOf(a)
                                .filter(p -> !p.limits().isEmpty())
                                .isPresent());
    }
}
