package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.profile.Protocol;

/**
 * What a receiver takes of what reaches it, and what it does without.
 *
 * @param ranges per protocol, the numbers that it takes; a protocol that is not named is taken in all its numbers
 * @param sources how many sources it takes on one universe at most; empty where nobody has said
 * @param loss what it does when nothing comes any more
 */
@RecordBuilder
public record ReceiverCapability(Map<Protocol, List<NumberRange>> ranges, Optional<Integer> sources, Loss loss)
        implements ReceiverCapabilityBuilder.With {
    /** It takes every number, and nothing more is said. */
    public static final ReceiverCapability ALL = new ReceiverCapability(Map.of(), Optional.empty(), Loss.NOT_KNOWN);

    public ReceiverCapability {
        Map<Protocol, List<NumberRange>> map = new EnumMap<>(Protocol.class);
        ranges.forEach((protocol, list) -> {
            if (!list.isEmpty()) {
                map.put(protocol, List.copyOf(list));
            }
        });
        ranges = Map.copyOf(map);
        if (sources.filter(s -> s < 1).isPresent()) {
            throw new IllegalArgumentException("A receiver accepts one source at least, not " + sources.get() + ".");
        }
    }

    /** The ranges of a protocol; none where it takes all its numbers. */
    public List<NumberRange> of(Protocol protocol) {
        return ranges.getOrDefault(protocol, List.of());
    }

    public boolean takes(Protocol protocol, int number) {
        List<NumberRange> list = of(protocol);
        return list.isEmpty() || list.stream().anyMatch(r -> r.contains(number));
    }

    public ReceiverCapability withRanges(Protocol protocol, List<NumberRange> value) {
        Map<Protocol, List<NumberRange>> map = new EnumMap<>(Protocol.class);
        map.putAll(ranges);
        map.put(protocol, value);
        return new ReceiverCapability(map, sources, loss);
    }
}
