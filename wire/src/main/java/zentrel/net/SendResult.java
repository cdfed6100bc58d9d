package zentrel.net;

/**
 * What became of a packet that was to be sent.
 *
 * @param why a sentence where it did not leave; empty text where it did
 */
public record SendResult(Outcome outcome, String why) {
    /** The ways in which sending ends. */
    public enum Outcome {
        /** It left the program; nobody knows yet whether it arrives. */
        LEFT,
        /** The guard kept it: output is not armed for it. */
        HELD,
        /** The system has no way to the destination, or takes another than the adapter of the port. */
        NO_ROUTE,
        /** The system refused for another reason. */
        REFUSED
    }

    public static final SendResult LEFT = new SendResult(Outcome.LEFT, "");
    public static final SendResult HELD = new SendResult(Outcome.HELD, "Output is not armed.");

    public static SendResult noRoute(String why) {
        return new SendResult(Outcome.NO_ROUTE, why);
    }

    public static SendResult refused(String why) {
        return new SendResult(Outcome.REFUSED, why);
    }

    public boolean left() {
        return outcome == Outcome.LEFT;
    }

    /** Whether the net failed to send it; being held is no failure. */
    public boolean failed() {
        return outcome == Outcome.NO_ROUTE || outcome == Outcome.REFUSED;
    }
}
