package zentrel.plan;

import java.util.List;
import java.util.Optional;

/**
 * How an application sends one protocol.
 *
 * @param enabled the application's own switch for the protocol
 * @param ranges label to wire; where none is given every label is its own wire number
 */
public record ProtocolOutput(Setting<Boolean> enabled, List<LabelRange> ranges) {
    /** Switched on, every label its own wire number. */
    public static final ProtocolOutput PLAIN = new ProtocolOutput(Setting.of(true), List.of());

    public ProtocolOutput {
        ranges = List.copyOf(ranges);
    }

    /** The wire number of a label; empty where no range covers it, and so it is not sent. */
    public Optional<Integer> wire(int label) {
        if (ranges.isEmpty()) {
            return Optional.of(label);
        }
        return ranges.stream().filter(r -> r.contains(label)).findFirst().map(r -> label + r.offset());
    }

    public ProtocolOutput withEnabled(boolean value) {
        return new ProtocolOutput(Setting.of(value), ranges);
    }
}
