package zentrel.plan;

import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.StringJoiner;

/** Points of a layout, packed: a hundred thousand are no more than two arrays of numbers. Immutable. */
public final class PixelPoints {
    public static final PixelPoints NONE = new PixelPoints(new float[0]);

    /** As many as a layout ever has. */
    public static final int MOST = 1_000_000;

    /** x and y in turn, metres. */
    private final float[] xy;

    private PixelPoints(float[] xy) {
        this.xy = xy;
    }

    /**
     * Points of their coordinates.
     *
     * @param xy x and y in turn, metres; they are copied
     * @throws IllegalArgumentException with a sentence, where one is no number or too far out
     */
    public static PixelPoints of(float... xy) {
        if (xy.length % 2 != 0 || xy.length > 2 * MOST) {
            throw new IllegalArgumentException("Points come as x and y, at most " + MOST + " of them.");
        }
        for (float each : xy) {
            if (!(Math.abs(each) <= Position.FARTHEST)) {
                throw new IllegalArgumentException("A point is within 100 km of the middle, not at " + each + " m.");
            }
        }
        return new PixelPoints(xy.clone());
    }

    public int count() {
        return xy.length / 2;
    }

    /** Metres to the right. */
    public float x(int point) {
        return xy[2 * point];
    }

    /** Metres up, or away on a floor. */
    public float y(int point) {
        return xy[2 * point + 1];
    }

    /** As a plan file has them: Base64 of 32-bit floats, the lowest byte first. */
    public String packed() {
        ByteBuffer bytes = ByteBuffer.allocate(xy.length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asFloatBuffer().put(xy);
        return Base64.getEncoder().encodeToString(bytes.array());
    }

    /**
     * Reads {@link #packed}.
     *
     * @throws IllegalArgumentException with a sentence, where the text is none
     */
    public static PixelPoints unpacked(String text) {
        byte[] bytes;
        try {
            bytes = Base64.getDecoder().decode(text);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("Points are Base64 of 32-bit floats; this is not.", e);
        }
        if (bytes.length % (2 * Float.BYTES) != 0) {
            throw new IllegalArgumentException(
                    "Points are pairs of 32-bit floats; " + bytes.length + " bytes are not.");
        }
        float[] xy = new float[bytes.length / Float.BYTES];
        ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(xy);
        return of(xy);
    }

    /** As people write them: {@code 0 0, 1.5 2}. */
    public String written() {
        StringJoiner all = new StringJoiner(", ");
        for (int i = 0; i < count(); i++) {
            all.add(plain(x(i)) + " " + plain(y(i)));
        }
        return all.toString();
    }

    /** The fewest digits that are read as the same. */
    private static String plain(float metres) {
        return metres == 0
                ? "0"
                : new BigDecimal(Float.toString(metres)).stripTrailingZeros().toPlainString();
    }

    /**
     * Reads {@link #written}.
     *
     * @throws IllegalArgumentException with a sentence, where a point is not two numbers
     */
    public static PixelPoints read(String text) {
        List<String> points = text.isBlank() ? List.of() : Arrays.asList(text.split("[,;\\n]", -1));
        float[] xy = new float[points.size() * 2];
        for (int i = 0; i < points.size(); i++) {
            String[] two = points.get(i).strip().split("\\s+", -1);
            try {
                if (two.length != 2) {
                    throw new NumberFormatException();
                }
                xy[2 * i] = Float.parseFloat(two[0]);
                xy[2 * i + 1] = Float.parseFloat(two[1]);
            } catch (NumberFormatException e) {
                throw new IllegalArgumentException(
                        String.format(
                                Locale.ROOT,
                                "Point %d, \"%s\", is not two numbers; write metres right and up, such as 0 0, 1.5 2.",
                                i + 1,
                                points.get(i).strip()),
                        e);
            }
        }
        return of(xy);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof PixelPoints other && Arrays.equals(xy, other.xy);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(xy);
    }

    @Override
    public String toString() {
        return count() + " points";
    }
}
