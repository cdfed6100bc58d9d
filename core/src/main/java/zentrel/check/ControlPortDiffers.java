package zentrel.check;

/** The two ends' UDP ports differ: {@code control.port-differs}. */
final class ControlPortDiffers extends PathRule {
    ControlPortDiffers() {
        super(
                "control.port-differs",
                "The two ends' UDP ports differ",
                "OSC arrives only where somebody listens: the sender's destination port must equal the receiver's listening port. UDP gives no sign that nobody does.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().links().isEmpty();
    }
}
