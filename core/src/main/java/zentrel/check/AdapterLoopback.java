package zentrel.check;

/** Loopback, with the partner on another host: {@code adapter.loopback}. */
final class AdapterLoopback extends PathRule {
    AdapterLoopback() {
        super(
                "adapter.loopback",
                "Loopback, with the partner on another host",
                "127.0.0.1 never leaves the computer. It is right for two programs on one computer and for nothing else.");
    }
}
