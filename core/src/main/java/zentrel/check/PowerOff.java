package zentrel.check;

/** A box that is switched off: {@code power.off}. */
final class PowerOff extends PathRule {
    PowerOff() {
        super(
                "power.off",
                "A box that is switched off",
                "What has no power neither sends nor takes anything, and its network lights are dark.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().hosts().isEmpty();
    }
}
