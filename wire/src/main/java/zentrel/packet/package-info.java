/**
 * Codecs: bytes to immutable values and back. No sockets, no clock, no state.
 *
 * <p>Each protocol has a package with its packets as records and one codec class. Decoding never throws for bytes: it
 * returns a {@link zentrel.packet.Decoded}, which is a packet, unknown (kept raw), or malformed with field and offset.
 */
@NullMarked
package zentrel.packet;

import org.jspecify.annotations.NullMarked;
