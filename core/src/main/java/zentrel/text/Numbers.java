package zentrel.text;

/** Numbers as people write them. */
public final class Numbers {
    private Numbers() {}

    /** A value with one decimal place at most, and none where it is whole. */
    public static String plain(double value) {
        double rounded = Math.round(value * 10) / 10.0;
        return rounded == Math.rint(rounded) ? String.valueOf((long) rounded) : String.valueOf(rounded);
    }
}
