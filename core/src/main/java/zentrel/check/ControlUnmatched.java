package zentrel.check;

/** No target of the receiver matches: {@code control.unmatched}. */
final class ControlUnmatched extends PathRule {
    ControlUnmatched() {
        super(
                "control.unmatched",
                "No target of the receiver matches",
                "The message arrives and is thrown away, because no address in the receiver's list matches its pattern.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().links().isEmpty();
    }
}
