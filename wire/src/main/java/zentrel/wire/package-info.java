/**
 * Where packets leave and arrive. {@link zentrel.wire.Wire} is the small interface that stand-ins and live views use;
 * {@link zentrel.wire.UdpWire} is real UDP on one adapter. {@link zentrel.wire.OutputGuard} keeps everything in until
 * output is armed.
 */
@NullMarked
package zentrel.wire;

import org.jspecify.annotations.NullMarked;
