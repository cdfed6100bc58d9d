package zentrel.packet.artnet;

/** Asks receivers to put out at once what they hold: 14 bytes with two spare ones. */
public record ArtSync(int aux1, int aux2) implements ArtNetPacket {
    public ArtSync {
        ArtNetPacket.require("Aux1", aux1, 255);
        ArtNetPacket.require("Aux2", aux2, 255);
    }
}
