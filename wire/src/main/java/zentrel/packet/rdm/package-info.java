/** RDM messages (ANSI E1.20), as Art-Net carries them. */
@NullMarked
package zentrel.packet.rdm;

import org.jspecify.annotations.NullMarked;
