/**
 * What stand-ins of desks say to each other in a session: a protocol of our own, made of OSC messages, which no real desk speaks.
 * {@link zentrel.packet.desk.DeskCodec} reads and writes it.
 */
@NullMarked
package zentrel.packet.desk;

import org.jspecify.annotations.NullMarked;
