package zentrel.plan;

/** What a firewall tells apart. */
public enum Traffic implements Word {
    ARTNET,
    SACN,
    OSC
}
