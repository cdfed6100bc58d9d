package zentrel.check;

/** A slow or half-duplex socket: {@code network.slow-port}. */
final class NetworkSlowPort extends PathRule {
    NetworkSlowPort() {
        super(
                "network.slow-port",
                "A slow or half-duplex socket",
                "A worn cable, or one end that was set by hand while the other is not, leaves a socket at 10 Mbit/s or half duplex. Single packets pass, a ping passes, and a bundle of universes loses some.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.SOCKET_SPEED);
    }
}
