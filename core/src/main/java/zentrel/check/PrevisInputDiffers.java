package zentrel.check;

/** A console and a previs that do not attach: {@code previs.input-differs}. */
final class PrevisInputDiffers extends PathRule {
    PrevisInputDiffers() {
        super(
                "previs.input-differs",
                "A console and a previs that do not attach",
                "A console’s own stream to a previs needs the switch at the console, the right input chosen in the previs, the versions and the driver that its maker asks for. Nothing on the network shows what is missing; only the two screens do.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().attachments().isEmpty();
    }
}
