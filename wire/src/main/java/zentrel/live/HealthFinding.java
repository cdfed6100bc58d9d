package zentrel.live;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Id;
import zentrel.profile.Protocol;
import zentrel.text.Word;

/**
 * Something about what arrives that may be the reason for a fault.
 *
 * @param at what of the plan it concerns: the stream where it is known, else the universe
 * @param values the numbers and names of its sentence, in order
 * @param seen when it was seen last, in ns by the net's clock
 */
public record HealthFinding(
        Kind kind,
        Protocol protocol,
        int universe,
        List<StreamSeen> sources,
        Optional<Id<?>> at,
        List<String> values,
        long seen) {
    /** The kinds, the worst first. */
    public enum Kind implements Word {
        /** Two sources with the same highest priority, or two in Art-Net: their levels mix. */
        FIGHT(true, "%s fight: %s"),
        /** Two sources say that they are the same one, so receivers drop packets of both. */
        ONE_CID_TWICE(true, "%s: %s and %s use one CID, so receivers drop packets of both"),
        /** A source stopped without a word. */
        GONE(true, "%s: %s is silent, last heard %s ago"),
        /** It asks receivers to wait for synchronization packets that do not come. */
        NO_SYNC(true, "%s: %s waits for sync packets of universe %s, and none comes"),
        LOST(true, "%s: %s of %s packets of %s are lost"),
        OUT_OF_ORDER(false, "%s: %s packets of %s came out of order"),
        /** The same packets twice, as from two adapters on one network. */
        TWICE(false, "%s: %s packets of %s came twice, as by two adapters on one network"),
        /** Packets come unevenly. */
        JITTER(false, "%s: the time between packets of %s varies by %s ms"),
        /** More than DMX512-A carries. */
        TOO_FAST(false, "%s: %s sends %s a second; a DMX line carries 44"),
        PREVIEW(false, "%s: %s sends preview data, which must not reach live output"),
        /** No stream and no port of the plan has this number. */
        NOT_PLANNED(false, "%s from %s is in nobody's plan");

        private final boolean grave;
        private final String form;

        Kind(boolean grave, String form) {
            this.grave = grave;
            this.form = form;
        }

        /** Whether it can make something not respond. */
        public boolean isGrave() {
            return grave;
        }
    }

    public HealthFinding {
        sources = List.copyOf(sources);
        values = List.copyOf(values);
    }

    /** The finding as a sentence. */
    public String text() {
        return kind.form.formatted(values.toArray()) + ".";
    }
}
