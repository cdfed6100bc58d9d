package zentrel.live;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zentrel.packet.Bytes;
import zentrel.profile.Protocol;

/**
 * A universe as it was heard: its sources, and what a receiver makes of them.
 *
 * @param sources by address and identity
 * @param winners those whose levels count, the first of them the one with the highest priority
 * @param levels 512, merged: in sACN of the sources with the highest priority, the highest level of each slot; in Art-Net of the first
 *     two. Where none sends any more, those of the last one
 */
public record UniverseSeen(
        Protocol protocol, int number, List<StreamSeen> sources, List<StreamSeen> winners, Bytes levels) {
    private static final int SLOTS = 512;
    private static final int MERGED_IN_ARTNET = 2;

    private record Key(Protocol protocol, int number) {}

    public UniverseSeen {
        sources = List.copyOf(sources);
        winners = List.copyOf(winners);
    }

    /** The universes of what was heard, in order. */
    public static List<UniverseSeen> of(List<StreamSeen> streams) {
        Map<Key, List<StreamSeen>> by = new LinkedHashMap<>();
        for (StreamSeen stream : streams) {
            by.computeIfAbsent(new Key(stream.protocol(), stream.universe()), k -> new ArrayList<>())
                    .add(stream);
        }
        List<UniverseSeen> all = new ArrayList<>();
        by.forEach((key, list) -> all.add(of(key, list)));
        all.sort(Comparator.comparing(UniverseSeen::protocol).thenComparing(UniverseSeen::number));
        return all;
    }

    private static UniverseSeen of(Key key, List<StreamSeen> sources) {
        List<StreamSeen> live = sources.stream()
                .filter(s -> s.state() == StreamSeen.State.SENDS && !s.preview())
                .toList();
        List<StreamSeen> winners;
        if (live.isEmpty()) {
            winners = sources.stream()
                    .max(Comparator.comparingLong(StreamSeen::last))
                    .map(List::of)
                    .orElse(List.of());
        } else if (key.protocol() == Protocol.SACN) {
            int top = live.stream().mapToInt(StreamSeen::priority).max().orElse(0);
            winners = live.stream().filter(s -> s.priority() == top).toList();
        } else {
            winners = live.stream()
                    .sorted(Comparator.comparingLong(StreamSeen::first))
                    .limit(MERGED_IN_ARTNET)
                    .toList();
        }
        byte[] levels = new byte[SLOTS];
        for (StreamSeen winner : winners) {
            for (int i = 0; i < SLOTS; i++) {
                levels[i] = (byte) Math.max(levels[i] & 0xFF, winner.levels().at(i));
            }
        }
        return new UniverseSeen(key.protocol(), key.number(), sources, winners, Bytes.of(levels));
    }

    /** Whether a source sends it now. */
    public boolean isLive() {
        return sources.stream().anyMatch(s -> s.state() == StreamSeen.State.SENDS);
    }

    /** Packets a second of all its sources. */
    public double rate() {
        return sources.stream().mapToDouble(StreamSeen::ratePerSecond).sum();
    }
}
