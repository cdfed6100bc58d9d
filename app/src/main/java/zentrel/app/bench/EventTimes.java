package zentrel.app.bench;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Times of a net's clock as those of the day. */
final class EventTimes {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");

    /** Clocks of real nets count from some start; what is earlier than this cannot be a date. */
    private static final long YEAR_2001 = 1_000_000_000_000_000_000L;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

    private EventTimes() {}

    /** A time with its day, from ms since 1970 in UTC. */
    static String ofDay(long millis) {
        return DAY.format(Instant.ofEpochMilli(millis).atZone(ZoneId.systemDefault()));
    }

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
