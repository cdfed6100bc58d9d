/**
 * The one seam between programs and networks: {@link zentrel.net.Clock}, {@link zentrel.net.NetHost}, {@link
 * zentrel.net.NetAdapter}, {@link zentrel.net.UdpPort} and {@link zentrel.net.Packet}. {@link zentrel.net.real} is the real network,
 * {@link zentrel.net.sim} a simulated one. {@link zentrel.net.Guarded} keeps everything in until output is armed; {@link
 * zentrel.net.Recorded} hands every packet to a recording. There are no threads in any of it: all runs in the net's turn.
 */
@NullMarked
package zentrel.net;

import org.jspecify.annotations.NullMarked;
