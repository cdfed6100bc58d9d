package zentrel.packet.desk;

import java.util.Locale;

/** One thing that a stand-in of a desk says. */
public sealed interface DeskPacket {
    /** The UDP port: one of those that RFC 6335 §6 leaves free for anybody, 49152 to 65535. */
    int PORT = 49_570;

    /** The session that is spoken of. */
    String session();

    /** How far a desk says it is. */
    enum State {
        /** It hears nobody who leads. */
        ALONE("alone"),
        FOUND("found"),
        ASKED("asked"),
        IN_STEP("in step"),
        /** What it typed in is not the key of the session. */
        KEY_REFUSED("key not recognised"),
        VERSION_REFUSED("version refused"),
        /** It was in step and hears the one that leads no more. */
        LOST("lost"),
        LEADS("leads");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Said to everybody every second. */
    record Here(String session, String name, String part, String version, String show, State state)
            implements DeskPacket {}

    /** Asks the one that leads. */
    record Enter(String session, String name, String version, String key) implements DeskPacket {}

    /** Lets in. */
    record Entered(String session, String show) implements DeskPacket {}

    /** Does not let in. */
    record Refused(String session, State why) implements DeskPacket {}

    /**
     * Where the show is.
     *
     * @param position which cue, from 0
     * @param level of the look, 0 to 1
     */
    record At(String session, int position, float level) implements DeskPacket {}

    /** Goes, of its own will. */
    record Leave(String session, String name) implements DeskPacket {}
}
