package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * How an application sends one protocol.
 *
 * @param enabled the application's own switch for the protocol
 * @param ranges label to wire; where none is given every label is its own wire number
 * @param sync the universe on which it sends sACN synchronisation packets (ANSI E1.31-2018 §6.3), if it does
 * @param alsoHere whether programs on the same computer get a copy whatever adapter it goes out by; empty where the program has no
 *     such switch or nobody has said how it stands, and the system decides
 * @param ownLevels whether a console sends levels of its own beside those that it passes on from its input; empty where nobody has
 *     said so
 * @param ttl how many networks what it sends may cross, itself counted (RFC 791, section 3.2); empty where it is left to the system,
 *     which is 1 for groups (RFC 1112, section 6.1)
 * @param sourcePort the UDP port that it sends from; empty where it is left to the program
 */
@RecordBuilder
public record ProtocolOutput(
        Setting<Boolean> enabled,
        List<LabelRange> ranges,
        Optional<Integer> sync,
        Optional<Setting<Boolean>> alsoHere,
        Optional<Setting<Boolean>> ownLevels,
        Optional<Integer> ttl,
        Optional<Integer> sourcePort)
        implements ProtocolOutputBuilder.With {
    /** An output that sends no synchronisation. */
    public ProtocolOutput(Setting<Boolean> enabled, List<LabelRange> ranges) {
        this(enabled, ranges, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

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
        return withEnabled(Setting.of(value));
    }
}
