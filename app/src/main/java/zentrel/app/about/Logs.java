package zentrel.app.about;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.logging.FileHandler;
import java.util.logging.Formatter;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.regex.Pattern;

/** The log of the program: three files that are written in turn, in the user's own folder, without addresses unless they are wanted. */
public final class Logs {
    private static final int MOST_BYTES = 500_000;
    private static final int FILES = 3;
    private static final String NAME = "zentrel-%g.log";

    /** What stands in place of an address. */
    static final String MASKED = "<address>";

    /** IPv4, IPv6 and hardware addresses: an IPv6 address has two colons at least, as a time of the day in seconds has. */
    private static final Pattern ADDRESS = Pattern.compile(
            "\\b\\d{1,3}(\\.\\d{1,3}){3}\\b"
                    + "|\\b[0-9A-Fa-f]{2}([:-][0-9A-Fa-f]{2}){5}\\b"
                    + "|\\b[0-9A-Fa-f]{0,4}(:[0-9A-Fa-f]{0,4}){3,7}\\b"
                    + "|\\b(fe80|ff0[0-9a-f])::[0-9A-Fa-f:]*",
            Pattern.CASE_INSENSITIVE);

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss").withZone(ZoneId.systemDefault());

    /** Held here, for the system forgets what was set on a logger that nobody holds. */
    private static final Logger OWN = Logger.getLogger("zentrel");

    private Logs() {}

    /**
     * Writes into files from now on, and notes what no part of the program caught.
     *
     * @param addresses whether addresses may be in it; asked for each line
     * @throws IOException where the folder cannot be written
     */
    public static void begin(Path folder, BooleanSupplier addresses) throws IOException {
        Files.createDirectories(folder);
        FileHandler handler = new FileHandler(folder.resolve(NAME).toString(), MOST_BYTES, FILES, true);
        handler.setEncoding(StandardCharsets.UTF_8.name());
        handler.setLevel(Level.INFO);
        handler.setFormatter(new Lines(addresses));
        Logger.getLogger("").addHandler(handler);
        OWN.setLevel(Level.INFO); // whatever a library sets for all
        Thread.setDefaultUncaughtExceptionHandler((thread, failure) -> System.getLogger(Logs.class.getName())
                .log(
                        System.Logger.Level.ERROR,
                        "Nothing caught this on the thread " + thread.getName() + ".",
                        failure));
    }

    /** The newest lines of the log, the oldest of them first. */
    static List<String> newest(Path folder, int most) throws IOException {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < FILES && lines.size() < most; i++) {
            Path file = folder.resolve(NAME.replace("%g", String.valueOf(i)));
            if (Files.exists(file)) {
                List<String> read = new ArrayList<>(Files.readAllLines(file, StandardCharsets.UTF_8));
                Collections.reverse(read);
                lines.addAll(read);
            }
        }
        List<String> newest = new ArrayList<>(lines.subList(0, Math.min(most, lines.size())));
        Collections.reverse(newest);
        return newest;
    }

    /** A text without addresses. */
    static String masked(String text) {
        return ADDRESS.matcher(text).replaceAll(MASKED);
    }

    /** A line for each record, and its trace below it. */
    static final class Lines extends Formatter {
        private final BooleanSupplier addresses;

        Lines(BooleanSupplier addresses) {
            this.addresses = addresses;
        }

        @Override
        public String format(LogRecord record) {
            StringBuilder text = new StringBuilder(record.getLevel().getName())
                    .append(' ')
                    .append(record.getLoggerName())
                    .append(": ")
                    .append(formatMessage(record))
                    .append('\n');
            for (Throwable at = record.getThrown(); at != null; at = at.getCause()) {
                text.append("    ").append(at).append('\n');
                for (StackTraceElement element : at.getStackTrace()) {
                    text.append("        at ").append(element).append('\n');
                }
            }
            return TIME.format(record.getInstant()) + " "
                    + (addresses.getAsBoolean() ? text.toString() : masked(text.toString()));
        }
    }
}
