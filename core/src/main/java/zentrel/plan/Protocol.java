package zentrel.plan;

/** A protocol that carries universes, with the range of its universe numbers. */
public enum Protocol implements Word {
    /** Art-Net 4: a 15-bit Port-Address, 0–32767. */
    ARTNET("Art-Net", "Port-Address", 0, 32767),
    /** sACN: universes 1–63999 (ANSI E1.31-2018 §6.2.7). */
    SACN("sACN", "universe", 1, 63999);

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

    public Protocol other() {
        return this == ARTNET ? SACN : ARTNET;
    }

    public Traffic traffic() {
        return this == ARTNET ? Traffic.ARTNET : Traffic.SACN;
    }
}
