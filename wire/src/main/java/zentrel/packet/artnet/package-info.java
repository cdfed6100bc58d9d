/** Art-Net 4: poll, poll reply, DMX and sync. {@link zentrel.packet.artnet.ArtNetCodec} reads and writes them. */
@NullMarked
package zentrel.packet.artnet;

import org.jspecify.annotations.NullMarked;
