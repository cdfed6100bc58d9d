package zentrel.plan;

import zentrel.profile.Protocol;
import zentrel.text.Word;

/** What an application uses an adapter for; each is bound on its own. */
public enum Purpose implements Word {
    ARTNET_SEND("Art-Net out"),
    ARTNET_LISTEN("Art-Net in"),
    SACN_SEND("sACN out"),
    SACN_LISTEN("sACN in"),
    OSC_SEND("OSC out"),
    OSC_LISTEN("OSC in"),
    SESSION("session"),
    PREVIS_LINK("previs link"),
    MANAGEMENT("management");

    private final String title;

    Purpose(String title) {
        this.title = title;
    }

    /** The purpose in words, as a label. */
    public String title() {
        return title;
    }

    public static Purpose sending(Protocol protocol) {
        protocol.requireNetwork();
        return protocol == Protocol.ARTNET ? ARTNET_SEND : SACN_SEND;
    }

    public static Purpose listening(Protocol protocol) {
        protocol.requireNetwork();
        return protocol == Protocol.ARTNET ? ARTNET_LISTEN : SACN_LISTEN;
    }
}
