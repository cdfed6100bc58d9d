package zentrel.packet.rdm;

/**
 * The identity of an RDM device (ANSI E1.20): 16 bits of manufacturer, 32 bits of device.
 *
 * @param manufacturer 0–65535
 * @param device all 32 bits
 */
public record Uid(int manufacturer, int device) implements Comparable<Uid> {
    public Uid {
        if (manufacturer < 0 || manufacturer > 0xFFFF) {
            throw new IllegalArgumentException("A manufacturer goes from 0 to 65535, not " + manufacturer + ".");
        }
    }

    /** Reads one as it is shown: four hexadecimal digits, a colon, eight more. */
    public static Uid parse(String text) {
        if (!text.matches("[0-9A-Fa-f]{4}:[0-9A-Fa-f]{8}")) {
            throw new IllegalArgumentException("An RDM identity is written as 7ff0:00000001, not \"" + text + "\".");
        }
        return new Uid(Integer.parseInt(text.substring(0, 4), 16), Integer.parseUnsignedInt(text.substring(5), 16));
    }

    @Override
    public int compareTo(Uid other) {
        int byMaker = Integer.compare(manufacturer, other.manufacturer);
        return byMaker != 0 ? byMaker : Integer.compareUnsigned(device, other.device);
    }

    @Override
    public String toString() {
        return "%04x:%08x".formatted(manufacturer, device);
    }
}
