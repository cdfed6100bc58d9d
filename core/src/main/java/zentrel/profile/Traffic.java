package zentrel.profile;

import java.util.OptionalInt;
import zentrel.text.Word;

/** What a firewall tells apart. */
public enum Traffic implements Word {
    /** UDP port 6454, 0x1936 (Art-Net 4). */
    ARTNET("Art-Net", OptionalInt.of(6454)),
    /** UDP port 5568 (ANSI E1.31-2018, Appendix A). */
    SACN("sACN", OptionalInt.of(5568)),
    /** At whatever port the program listens. */
    OSC("OSC", OptionalInt.empty()),
    /** A console's own stream to a program of its maker. */
    OWN("its own stream", OptionalInt.empty());

    private final String title;
    private final OptionalInt port;

    Traffic(String title, OptionalInt port) {
        this.title = title;
        this.port = port;
    }

    /** The UDP port that its standard names; empty where it has none. */
    public OptionalInt port() {
        return port;
    }

    /** The traffic as people write it. */
    public String title() {
        return title;
    }
}
