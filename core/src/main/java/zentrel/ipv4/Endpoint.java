package zentrel.ipv4;

/**
 * An address and a port, written {@code 10.42.1.1:24510}.
 *
 * @param port 1–65535
 */
public record Endpoint(Ipv4Address address, int port) {
    private static final int LAST_PORT = 65_535;

    public Endpoint {
        if (port < 1 || port > LAST_PORT) {
            throw new IllegalArgumentException("A port goes from 1 to " + LAST_PORT + ", not " + port + ".");
        }
    }

    /**
     * What a text says.
     *
     * @throws IllegalArgumentException with a sentence, where it is not written so
     */
    public static Endpoint parse(String text) {
        int colon = text.lastIndexOf(':');
        String port = text.substring(colon + 1);
        if (colon < 0 || !port.matches("[0-9]{1,5}")) {
            throw new IllegalArgumentException("Write ADDRESS:PORT, such as 10.42.1.1:24510, not \"" + text + "\".");
        }
        return new Endpoint(Ipv4Address.parse(text.substring(0, colon)), Integer.parseInt(port));
    }

    @Override
    public String toString() {
        return address + ":" + port;
    }
}
