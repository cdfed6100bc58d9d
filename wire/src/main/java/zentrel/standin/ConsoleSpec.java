package zentrel.standin;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * What a console stand-in sends.
 *
 * @param name what it calls itself in sACN
 * @param cid its identity in sACN (ANSI E1.31-2018 §5.6)
 * @param streams its universes
 * @param continuous whether it sends every frame at the rate, changed or not
 * @param sync the sACN universe on which it sends a synchronization packet after each frame; empty where it sends none
 */
public record ConsoleSpec(
        String name, UUID cid, List<ConsoleStream> streams, boolean continuous, Optional<Integer> sync) {
    public ConsoleSpec {
        streams = List.copyOf(streams);
    }

    /** A console that sends no synchronization. */
    public ConsoleSpec(String name, UUID cid, List<ConsoleStream> streams, boolean continuous) {
        this(name, cid, streams, continuous, Optional.empty());
    }
}
