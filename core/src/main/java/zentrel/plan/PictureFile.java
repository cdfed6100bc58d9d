package zentrel.plan;

import java.util.Arrays;
import java.util.Base64;

/** A picture as it is in a file of its own, PNG or JPEG, with its size. Immutable. */
public final class PictureFile {
    public static final PictureFile NONE = new PictureFile(0, 0, new byte[0]);

    /** Pixels along either side; larger ones are reduced before they come into a plan. */
    public static final int MOST_PIXELS = 4096;

    /** Bytes of its file, so that a plan stays small. */
    public static final int MOST_BYTES = 700_000;

    private final int width;
    private final int height;
    private final byte[] bytes;

    private PictureFile(int width, int height, byte[] bytes) {
        this.width = width;
        this.height = height;
        this.bytes = bytes;
    }

    /**
     * A picture of its file.
     *
     * @param bytes of the file; they are copied
     * @throws IllegalArgumentException with a sentence, where it is too large for a plan
     */
    public static PictureFile of(int width, int height, byte[] bytes) {
        if (bytes.length == 0) {
            return NONE;
        }
        if (width < 1 || height < 1 || width > MOST_PIXELS || height > MOST_PIXELS || bytes.length > MOST_BYTES) {
            throw new IllegalArgumentException("A picture in a plan has 1 to " + MOST_PIXELS
                    + " pixels along each side and at most " + MOST_BYTES / 1000 + " kB, not " + width + " x "
                    + height + " and " + bytes.length + " bytes.");
        }
        return new PictureFile(width, height, bytes.clone());
    }

    /** The same from Base64, as a plan file has it. */
    public static PictureFile unpacked(int width, int height, String packed) {
        try {
            return of(width, height, Base64.getDecoder().decode(packed));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(
                    e.getMessage() != null && e.getMessage().startsWith("A picture")
                            ? e.getMessage()
                            : "The bytes of this picture are damaged.",
                    e);
        }
    }

    public boolean isThere() {
        return bytes.length > 0;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** A copy of its file. */
    public byte[] bytes() {
        return bytes.clone();
    }

    public String packed() {
        return Base64.getEncoder().encodeToString(bytes);
    }

    @Override
    public boolean equals(Object other) {
        if (!(other instanceof PictureFile p)) {
            return false;
        }
        return this == p || (p.width == width && p.height == height && Arrays.equals(p.bytes, bytes));
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(bytes);
    }

    @Override
    public String toString() {
        return isThere() ? width + " x " + height + " pixels" : "no picture";
    }
}
