package zentrel.packet.artnet;

/** A packet of Art-Net 4 that is known here. */
public sealed interface ArtNetPacket
        permits ArtPoll,
                ArtPollReply,
                ArtDmx,
                ArtNzs,
                ArtSync,
                ArtAddress,
                ArtIpProg,
                ArtIpProgReply,
                ArtTodRequest,
                ArtTodControl,
                ArtTodData,
                ArtRdm {
    /** The UDP port of Art-Net, 0x1936. */
    int PORT = 6454;

    /** The protocol version that packets carry. */
    int PROTOCOL_VERSION = 14;

    /** Checks a value against the width of its field. */
    static void require(String field, int value, int last) {
        if (value < 0 || value > last) {
            throw new IllegalArgumentException(field + " goes from 0 to " + last + ", not " + value + ".");
        }
    }
}
