package zentrel.packet.artnet;

import zentrel.packet.rdm.RdmMessage;
import zentrel.universe.PortAddress;

/**
 * An RDM message on its way to a device on an output, or back.
 *
 * <pre>
 * 12 RdmVer  21 Net  22 Command  23 Address  24 the message without its start code
 * </pre>
 */
public record ArtRdm(PortAddress portAddress, RdmMessage message) implements ArtNetPacket {}
