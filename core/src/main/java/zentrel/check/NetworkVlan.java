package zentrel.check;

/** Sockets in different VLANs: {@code network.vlan}. */
final class NetworkVlan extends PathRule {
    NetworkVlan() {
        super(
                "network.vlan",
                "Sockets in different VLANs",
                "A switch passes nothing from one VLAN to another. Two boxes on one switch with the right addresses still do not hear each other where the sockets they are plugged into belong to different VLANs.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.VLAN);
    }
}
