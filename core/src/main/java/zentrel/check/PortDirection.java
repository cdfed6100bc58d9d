package zentrel.check;

/** An input where an output is meant: {@code port.direction}. */
final class PortDirection extends PathRule {
    PortDirection() {
        super(
                "port.direction",
                "An input where an output is meant",
                "A port set to input takes DMX in and sends it on; the fixtures behind it hear nothing.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }
}
