package zentrel.check;

/** The link is switched off at the sender: {@code control.not-sending}. */
final class ControlNotSending extends PathRule {
    ControlNotSending() {
        super(
                "control.not-sending",
                "The link is switched off at the sender",
                "A link that is switched off sends nothing.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().links().isEmpty();
    }
}
