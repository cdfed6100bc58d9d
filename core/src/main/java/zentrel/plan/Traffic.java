package zentrel.plan;

/** What a firewall tells apart. */
public enum Traffic implements Word {
    ARTNET("Art-Net"),
    SACN("sACN"),
    OSC("OSC");

    private final String title;

    Traffic(String title) {
        this.title = title;
    }

    /** The traffic as people write it. */
    public String title() {
        return title;
    }
}
