package zentrel.check;

/** A port that is switched off: {@code port.disabled}. */
final class PortDisabled extends PathRule {
    PortDisabled() {
        super(
                "port.disabled",
                "A port that is switched off",
                "The universe arrives at the device, and the port does not pass it on.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }
}
