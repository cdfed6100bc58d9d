package zentrel.text;

/** A number with what it counts: {@code 1 universe}, {@code 24 universes}. */
public final class Counted {
    private Counted() {}

    /**
     * In words.
     *
     * @param one the thing, of which several end in "s"
     */
    public static String of(long count, String one) {
        return of(count, one, one + "s");
    }

    /**
     * In words.
     *
     * @param several more than one of the thing, or none
     */
    public static String of(long count, String one, String several) {
        return count + " " + (count == 1 ? one : several);
    }
}
