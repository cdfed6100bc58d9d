package zentrel.control;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The messages that a program understands and sends, by what they are for.
 *
 * @param name what the set is called
 */
public record MessageSet(String name, Map<Use, MessageTemplate> messages) {
    /** An example whose addresses are made up; the stand-in of a desk speaks it. */
    public static final MessageSet EXAMPLE = example();

    /** What a message is for; which parts it may have is said with each. */
    public enum Use {
        /** To the program: the next cue. */
        NEXT,
        /** To the program: the cue before. */
        BACK,
        /** To the program: holds the fade. */
        STOP,
        /** To the program: goes to a cue; list, cue. */
        GO_TO,
        /** To the program: lets a list out; list. */
        LIST_OUT,
        /** To the program: asks for all cues. */
        ASK_CUES,
        /** From the program: a cue; list, cue, label, time, note. */
        CUE,
        /** From the program: all cues are sent; count. */
        CUES_END,
        /** From the program: the cue that runs; list, cue. */
        RUNNING,
        /** To the program: renames a cue; list, cue, label. */
        LABEL,
        /** To the program: sets a channel; channel, level. */
        LEVEL,
        /** To the program: asks whether it is there. */
        ASK_ALIVE,
        /** From the program: it is there. */
        ALIVE,
        /** To the program: asks for its active channels. */
        ASK_CHANNELS,
        /** From the program: an active channel; channel, level, label. */
        CHANNEL;

        /** As it is written in a file. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public MessageSet {
        messages = Map.copyOf(messages);
    }

    /** The message for a use, where the program has one. */
    public Optional<MessageTemplate> of(Use use) {
        return Optional.ofNullable(messages.get(use));
    }

    private static MessageSet example() {
        Map<Use, MessageTemplate> all = new EnumMap<>(Use.class);
        Map.ofEntries(
                        Map.entry(Use.NEXT, "/fern/next"),
                        Map.entry(Use.BACK, "/fern/back"),
                        Map.entry(Use.STOP, "/fern/stop"),
                        Map.entry(Use.GO_TO, "/fern/goto list:text cue:decimal"),
                        Map.entry(Use.LIST_OUT, "/fern/out list:text"),
                        Map.entry(Use.ASK_CUES, "/fern/cues"),
                        Map.entry(Use.CUE, "/fern/cue list:text cue:text label:text time:text note:text"),
                        Map.entry(Use.CUES_END, "/fern/cues/end count:int"),
                        Map.entry(Use.RUNNING, "/fern/running list:text cue:text"),
                        Map.entry(Use.LABEL, "/fern/label list:text cue:text label:text"),
                        Map.entry(Use.LEVEL, "/fern/level channel:int level:0-1"),
                        Map.entry(Use.ASK_ALIVE, "/fern/alive"),
                        Map.entry(Use.ALIVE, "/fern/alive/yes"),
                        Map.entry(Use.ASK_CHANNELS, "/fern/channels"),
                        Map.entry(Use.CHANNEL, "/fern/channel channel:int level:0-1 label:text"))
                .forEach((use, text) -> all.put(use, MessageTemplate.parse(text)));
        return new MessageSet("Example desk", all);
    }
}
