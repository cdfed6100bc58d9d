/**
 * sACN, ANSI E1.31-2018: data, synchronization and universe discovery. {@link zentrel.packet.sacn.SacnCodec} reads and
 * writes them.
 */
@NullMarked
package zentrel.packet.sacn;

import org.jspecify.annotations.NullMarked;
