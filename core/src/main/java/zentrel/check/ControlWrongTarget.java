package zentrel.check;

/** The destination is not the receiver: {@code control.wrong-target}. */
final class ControlWrongTarget extends PathRule {
    ControlWrongTarget() {
        super(
                "control.wrong-target",
                "The destination is not the receiver",
                "The destination of a link is the control address of the one that is to act: not a backup's, a remote's, or the streaming address of a host that has two.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().links().isEmpty();
    }
}
