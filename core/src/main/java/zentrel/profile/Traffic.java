package zentrel.profile;

import zentrel.text.Word;

/** What a firewall tells apart. */
public enum Traffic implements Word {
    ARTNET("Art-Net"),
    SACN("sACN"),
    OSC("OSC"),
    /** A console's own stream to a program of its maker. */
    OWN("its own stream");

    private final String title;

    Traffic(String title) {
        this.title = title;
    }

    /** The traffic as people write it. */
    public String title() {
        return title;
    }
}
