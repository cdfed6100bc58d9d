package zentrel.packet;

import java.util.List;
import java.util.Optional;

/**
 * What bytes turned out to be.
 *
 * @param <P> the packets of the protocol
 */
public sealed interface Decoded<P> {
    /**
     * A packet.
     *
     * @param tolerated deviations from the published layout that were let pass, each named with its clause
     */
    record Packet<P>(P value, List<String> tolerated) implements Decoded<P> {
        public Packet {
            tolerated = List.copyOf(tolerated);
        }
    }

    /** Bytes of the protocol, but of a kind not known here; or not of the protocol at all. */
    record Unknown<P>(String what, Bytes raw) implements Decoded<P> {}

    /**
     * Bytes that claim to be a packet and are not.
     *
     * @param field the field that is wrong, by the name the standard gives it
     * @param offset where it starts, in bytes
     */
    record Malformed<P>(String field, int offset, String reason, Bytes raw) implements Decoded<P> {
        @Override
        public String toString() {
            return field + " at byte " + offset + ": " + reason;
        }
    }

    /** The packet, if it is one. */
    default Optional<P> packet() {
        return this instanceof Packet<P> p ? Optional.of(p.value()) : Optional.empty();
    }
}
