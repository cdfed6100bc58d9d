package zentrel.check;

/** A box that is switched off, or that nothing feeds: {@code power.off}. */
final class PowerOff extends PathRule {
    PowerOff() {
        super(
                "power.off",
                "A box that has no power",
                "What is switched off, or fed by a box or cable that is, neither sends nor takes anything, and its network lights are dark. So is all that it passes network, power or DMX on to.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().hosts().isEmpty();
    }
}
