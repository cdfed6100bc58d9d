package zentrel.standin;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/**
 * Decides what one port puts out: sACN by priority and among equals as set, Art-Net of two sources as set. Time is given
 * in, so that it can be tried without waiting.
 */
final class PortMerge {
    /** Network data loss of sACN. */
    static final long SACN_LOSS_NANOS = Math.round(Sources.SACN_LOSS.value() * 1e9);

    /** How long a node keeps an Art-Net source. */
    static final long ARTNET_LOSS_NANOS = Math.round(Sources.ARTNET_MERGE_LAPSE.value() * 1e9);

    private static final int SLOTS = 512;
    private static final int MOST_ARTNET_SOURCES = Sources.ARTNET_MERGED_SOURCES.value();

    /** Sources of one sACN universe held at once; more than this on one universe is no show but a flood. */
    static final int MOST_SACN_SOURCES = 32;

    private static final class Source {
        private int priority;
        private int sequence;
        private long seenNanos;
        private boolean planned;
        private byte[] levels = new byte[0];
    }

    private final StandinPort port;
    private final Protocol protocol;
    private final Merge merge;
    private final Map<SourceIdentity, Source> sources = new LinkedHashMap<>();

    /** Written anew where it changes, so that anybody may read it at any time. */
    private volatile byte[] output = new byte[SLOTS];

    /** Whether a source came, went or changed since the output was worked out. */
    private boolean changed;

    PortMerge(StandinPort port) {
        this.port = port;
        protocol = port.protocol();
        merge = port.merge();
    }

    /** A source that was not heard for too long. */
    record Lost(SourceIdentity source, boolean planned) {}

    /** Whether a source that it knows is one of the plan. */
    boolean isPlanned(SourceIdentity source) {
        Source known = sources.get(source);
        return known != null && known.planned;
    }

    boolean knows(SourceIdentity source) {
        return sources.containsKey(source);
    }

    int sourceCount() {
        return sources.size();
    }

    /**
     * Takes a packet.
     *
     * @param planned whether it comes from a source of the plan, for which there is always room
     * @return false if it came out of order (§6.7.2), or from a source too many
     */
    boolean take(SourceIdentity name, boolean planned, int priority, int sequence, byte[] levels, long nowNanos) {
        Source source = sources.get(name);
        if (source == null) {
            if (!hasRoom(planned, priority)) {
                return false;
            }
            source = new Source();
            sources.put(name, source);
            changed = true;
        } else if (isOld(source.sequence, sequence)) {
            return false;
        }
        changed |= source.priority != priority || !Arrays.equals(source.levels, levels) || merge == Merge.LTP;
        source.planned = planned;
        source.priority = priority;
        source.sequence = sequence;
        source.seenNanos = nowNanos;
        source.levels = levels;
        return true;
    }

    /** Whether a new source finds room; in sACN it may take the place of one with a lower priority that is not planned. */
    private boolean hasRoom(boolean planned, int priority) {
        if (protocol == Protocol.ARTNET) {
            return sources.size() < (merge == Merge.NONE ? 1 : port.sources().orElse(MOST_ARTNET_SOURCES));
        }
        if (sources.size() < Math.min(MOST_SACN_SOURCES, port.sources().orElse(MOST_SACN_SOURCES))) {
            return true;
        }
        Optional<Map.Entry<SourceIdentity, Source>> weakest = sources.entrySet().stream()
                .filter(e -> !e.getValue().planned)
                .min(Comparator.comparingInt(e -> e.getValue().priority));
        if (weakest.isEmpty() || (!planned && weakest.get().getValue().priority >= priority)) {
            return false;
        }
        drop(weakest.get().getKey());
        return true;
    }

    private boolean isOld(int last, int now) {
        if (protocol == Protocol.ARTNET) {
            return false; // numbers are optional there, and nodes of all makers accept gaps
        }
        byte difference = (byte) (now - last);
        return difference <= 0 && difference > -20;
    }

    void drop(SourceIdentity source) {
        changed |= sources.remove(source) != null;
    }

    /** Removes sources not heard for too long and names them. */
    List<Lost> lapse(long nowNanos) {
        long patience = protocol == Protocol.SACN ? SACN_LOSS_NANOS : ARTNET_LOSS_NANOS;
        List<Lost> lost = new ArrayList<>();
        for (Iterator<Map.Entry<SourceIdentity, Source>> it = sources.entrySet().iterator(); it.hasNext(); ) {
            Map.Entry<SourceIdentity, Source> entry = it.next();
            if (nowNanos - entry.getValue().seenNanos > patience) {
                lost.add(new Lost(entry.getKey(), entry.getValue().planned));
                it.remove();
                changed = true;
            }
        }
        return lost;
    }

    /** Works out the output and returns the slots, from 1, that changed. With no source left it does what it is set to. */
    Map<Integer, Integer> update() {
        if (!changed) {
            return Map.of();
        }
        changed = false;
        if (sources.isEmpty()) {
            return switch (port.loss()) {
                case BLACK -> put(slot -> 0);
                case FULL -> put(slot -> 255);
                case HOLD, SCENE, NOT_KNOWN -> Map.of(); // a stand-in has no stored scene; its spec says so
            };
        }
        int top = sources.values().stream().mapToInt(s -> s.priority).max().orElse(0);
        List<Source> winners = sources.values().stream()
                .filter(s -> protocol == Protocol.ARTNET || s.priority == top)
                .toList();
        Source latest = winners.get(0);
        for (Source s : winners) {
            latest = s.seenNanos >= latest.seenNanos ? s : latest;
        }
        List<Source> shown =
                merge == Merge.HTP ? winners : merge == Merge.LTP ? List.of(latest) : List.of(winners.get(0));
        return put(slot -> {
            int level = 0;
            for (Source s : shown) {
                level = Math.max(level, slot < s.levels.length ? s.levels[slot] & 0xFF : 0);
            }
            return level;
        });
    }

    private Map<Integer, Integer> put(IntUnaryOperator levelOfSlot) {
        byte[] next = output.clone();
        Map<Integer, Integer> different = new LinkedHashMap<>();
        for (int i = 0; i < SLOTS; i++) {
            int level = levelOfSlot.applyAsInt(i);
            if ((next[i] & 0xFF) != level) {
                next[i] = (byte) level;
                different.put(i + 1, level);
            }
        }
        if (!different.isEmpty()) {
            output = next;
        }
        return different;
    }

    /** What it puts out now, 512 levels; from any thread. */
    byte[] output() {
        return output.clone();
    }
}
