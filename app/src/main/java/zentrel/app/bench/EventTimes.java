package zentrel.app.bench;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;

/** Times of a net's clock as those of the day. */
final class EventTimes {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");

    /** Clocks of real nets count from some start; what is earlier than this cannot be a date. */
    private static final long YEAR_2001 = 1_000_000_000_000_000_000L;

    private EventTimes() {}

    /**
     * A time.
     *
     * @param nanos of a real net, which counts as {@link System#nanoTime}, or of a recording, which counts from 1970
     */
    static String of(long nanos) {
        long epochMillis = nanos > YEAR_2001
                ? nanos / 1_000_000
                : System.currentTimeMillis() - (System.nanoTime() - nanos) / 1_000_000;
        return CLOCK.format(Instant.ofEpochMilli(epochMillis).atZone(ZoneId.systemDefault()));
    }
}
