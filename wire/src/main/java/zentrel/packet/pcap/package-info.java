/** Recordings: pcapng as other tools read it. {@link zentrel.packet.pcap.PcapngWriter} writes it. */
@NullMarked
package zentrel.packet.pcap;

import org.jspecify.annotations.NullMarked;
