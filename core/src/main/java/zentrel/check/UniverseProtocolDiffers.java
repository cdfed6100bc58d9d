package zentrel.check;

/** The two ends use different protocols: {@code universe.protocol-differs}. */
final class UniverseProtocolDiffers extends PathRule {
    UniverseProtocolDiffers() {
        super(
                "universe.protocol-differs",
                "The two ends use different protocols",
                "A port set to sACN does not hear Art-Net, and the reverse, though both travel on the same cable.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }
}
