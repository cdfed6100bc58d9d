package zentrel.profile;

import zentrel.source.Sources;
import zentrel.text.Word;

/** Families of pixel chips, with the timing of their data sheets: the usual time of a bit, the least pause before a frame shows. */
public enum PixelChip implements Word {
    /** One wire at 400 kHz: WS2811 in its slow mode, 2.5 µs a bit, pause of more than 50 µs. */
    WS2811("WS2811, 400 kHz", Sources.SLOW_BIT.value(), Sources.SHORT_PAUSE.value(), 0, 0),
    /** One wire at 800 kHz: WS2812B, 1.25 µs a bit, pause of more than 50 µs. */
    WS2812B("WS2812B", Sources.ONE_WIRE_BIT.value(), Sources.SHORT_PAUSE.value(), 0, 0),
    /** WS2813, with a second data line: 1.25 µs a bit, pause of 300 µs. */
    WS2813("WS2813", Sources.ONE_WIRE_BIT.value(), Sources.WS2813_PAUSE.value(), 0, 0),
    /** WS2815, 12 V: 1.25 µs a bit, pause of 280 µs. */
    WS2815("WS2815", Sources.ONE_WIRE_BIT.value(), Sources.WS2815_PAUSE.value(), 0, 0),
    /** SK6812, RGB or RGBW: 1.25 µs a bit, pause of 80 µs. */
    SK6812("SK6812", Sources.ONE_WIRE_BIT.value(), Sources.SK6812_PAUSE.value(), 0, 0),
    /** Clocked: APA102, 32 bits a pixel, a start frame of 32 bits, an end frame of one bit for two pixels; at 4 MHz. */
    APA102("APA102, 4 MHz", 0.25, 0, Sources.APA102_START.value(), 2),
    /** Clocked: WS2801, 24 bits a pixel, pause of 500 µs; at 2 MHz. */
    WS2801("WS2801, 2 MHz", 0.5, Sources.WS2801_PAUSE.value(), 0, 0);

    private final String title;
    private final double bitMicros;
    private final double pauseMicros;
    private final int startBits;
    private final int pixelsPerEndBit;

    PixelChip(String title, double bitMicros, double pauseMicros, int startBits, int pixelsPerEndBit) {
        this.title = title;
        this.bitMicros = bitMicros;
        this.pauseMicros = pauseMicros;
        this.startBits = startBits;
        this.pixelsPerEndBit = pixelsPerEndBit;
    }

    public String title() {
        return title;
    }

    /** Whether each pixel has its brightness and three colours in 32 bits, whatever its components. */
    private boolean hasFrames() {
        return startBits > 0;
    }

    /**
     * How long a frame takes.
     *
     * @param pixels on one data line
     * @param components colours of a pixel
     * @param bits of each colour, 8 or 16
     * @return milliseconds
     */
    public double frameMillis(int pixels, int components, int bits) {
        long perPixel = hasFrames() ? 32L : (long) components * bits;
        long all = startBits
                + pixels * perPixel
                + (pixelsPerEndBit == 0 ? 0 : (pixels + pixelsPerEndBit - 1L) / pixelsPerEndBit);
        return (all * bitMicros + pauseMicros) / 1000;
    }
}
