/**
 * OSC 1.0 (published specification, 2002): messages and bundles. {@link zentrel.packet.osc.OscCodec} reads and writes
 * them.
 */
@NullMarked
package zentrel.packet.osc;

import org.jspecify.annotations.NullMarked;
