package zentrel.check;

/** Wireless clients that are kept apart: {@code network.isolated}. */
final class NetworkIsolated extends PathRule {
    NetworkIsolated() {
        super(
                "network.isolated",
                "Wireless clients that are kept apart",
                "Many access points keep their clients apart from each other, guests above all: each reaches the wire, and none reaches another tablet or computer on the Wi-Fi.");
    }
}
