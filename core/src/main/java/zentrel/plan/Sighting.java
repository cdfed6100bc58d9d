package zentrel.plan;

import java.time.Instant;
import zentrel.text.PlainText;

/**
 * What a person saw of a signal, kept with the plan as evidence beside what is computed.
 *
 * @param signal the stream or link
 * @param receiver the port or program that it goes to
 * @param hop the hop that was looked at, from 1; those of a second leg go on from 11
 * @param at when it was seen
 * @param by who saw it; may be empty
 */
public record Sighting(Id<?> signal, Id<?> receiver, int hop, Answer answer, Instant at, String by) {
    public Sighting {
        PlainText.require("A person's name", by);
    }

    /** Whether it is of this signal on its way to this receiver. */
    public boolean isOf(Id<?> otherSignal, Id<?> otherReceiver) {
        return signal.equals(otherSignal) && receiver.equals(otherReceiver);
    }
}
