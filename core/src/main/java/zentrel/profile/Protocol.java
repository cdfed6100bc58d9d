package zentrel.profile;

import zentrel.text.Word;

/** A protocol that carries universes, with the range of its universe numbers. */
public enum Protocol implements Word {
    /** Art-Net 4: a 15-bit Port-Address, 0–32767. */
    ARTNET("Art-Net", "Port-Address", 0, 32767),
    /** sACN: universes 1–63999 (ANSI E1.31-2018 §6.2.7). */
    SACN("sACN", "universe", 1, 63999),
    /**
     * DMX512 straight out of the box that makes it, or through a USB interface: no network. Its number is that of the
     * connector.
     */
    DMX("DMX", "connector", 1, 512);

    private final String title;
    private final String numberTitle;
    private final int first;
    private final int last;

    Protocol(String title, String numberTitle, int first, int last) {
        this.title = title;
        this.numberTitle = numberTitle;
        this.first = first;
        this.last = last;
    }

    public String title() {
        return title;
    }

    /** What the protocol calls the number of a universe. */
    public String numberTitle() {
        return numberTitle;
    }

    public int firstNumber() {
        return first;
    }

    public int lastNumber() {
        return last;
    }

    /** Whether a universe of this wire number can exist. */
    public boolean carries(int wireNumber) {
        return wireNumber >= first && wireNumber <= last;
    }

    /** Whether it crosses a network. */
    public boolean onNetwork() {
        return this != DMX;
    }

    /** The network protocol to change over to from this one. */
    public Protocol other() {
        return this == SACN ? ARTNET : SACN;
    }

    /** What a firewall sees of it; only for what crosses a network. */
    public Traffic traffic() {
        requireNetwork();
        return this == ARTNET ? Traffic.ARTNET : Traffic.SACN;
    }

    public void requireNetwork() {
        if (!onNetwork()) {
            throw new IllegalStateException(title + " crosses no network.");
        }
    }
}
