package zentrel.check;

/** The receiver does not take OSC: {@code control.not-receiving}. */
final class ControlNotReceiving extends PathRule {
    ControlNotReceiving() {
        super(
                "control.not-receiving",
                "The receiver does not take OSC",
                "Receiving may need two switches, for the adapter and in the show.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().links().isEmpty();
    }
}
