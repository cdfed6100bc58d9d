package zentrel.app.about;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.logging.ConsoleHandler;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Logs are written in turn, stay small, and hold no addresses unless they are wanted. */
class LogsTest {
    private static final System.Logger LOG = System.getLogger(LogsTest.class.getName());

    @TempDir
    Path folder;

    /** What is written into files here need not be on the console, too. */
    @BeforeEach
    void quiet() {
        console(Level.OFF);
    }

    private static void console(Level level) {
        for (Handler handler : Logger.getLogger("").getHandlers()) {
            if (handler instanceof ConsoleHandler) {
                handler.setLevel(level);
            }
        }
    }

    @AfterEach
    void asBefore() {
        console(Level.INFO);
        for (Handler handler : Logger.getLogger("").getHandlers()) {
            if (handler instanceof FileHandler) {
                Logger.getLogger("").removeHandler(handler);
                handler.close();
            }
        }
        Thread.setDefaultUncaughtExceptionHandler(null);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "No answer from 172.20.3.4:6454.|No answer from <address>:6454.",
                "Adapter 02:5a:11:22:33:44 is gone.|Adapter <address> is gone.",
                "Adapter 02-5A-11-22-33-44 is gone.|Adapter <address> is gone.",
                "Bound to fe80::1c2d:3e4f.|Bound to <address>.",
                "Joined ff02::1 at 12:30:05.|Joined <address> at 12:30:05.",
                "2001:db8:0:0:0:0:0:7 is reached.|<address> is reached.",
                "Version 0.3.0 of 2026-11-29, 3.5 MB.|Version 0.3.0 of 2026-11-29, 3.5 MB.",
                "at zentrel.path.Judge.of(Judge.java:42)|at zentrel.path.Judge.of(Judge.java:42)",
            })
    void addressesAreMasked(String text, String masked) {
        assertThat(Logs.masked(text)).isEqualTo(masked);
    }

    @Test
    void addressesAreWrittenOnlyWhereTheyAreWanted() throws Exception {
        AtomicBoolean wanted = new AtomicBoolean();
        Logs.begin(folder, wanted::get);
        LOG.log(System.Logger.Level.WARNING, "Lost 172.20.3.4.", new IllegalStateException("at 172.20.3.5"));
        wanted.set(true);
        LOG.log(System.Logger.Level.WARNING, "Lost 172.20.3.6.");
        String text = String.join("\n", Logs.newest(folder, 100));
        assertThat(text)
                .contains("Lost <address>.", "IllegalStateException: at <address>", "LogsTest", "Lost 172.20.3.6.")
                .doesNotContain("172.20.3.4", "172.20.3.5");
    }

    @Test
    void whatNothingCaughtIsInTheLog() throws Exception {
        Logs.begin(folder, () -> false);
        Thread thread = new Thread(() -> {
            throw new IllegalStateException("for the log");
        });
        thread.start();
        thread.join();
        assertThat(String.join("\n", Logs.newest(folder, 100))).contains("Nothing caught this", "for the log");
    }

    @Test
    void theyStaySmall() throws Exception {
        Logs.begin(folder, () -> false);
        String line = "x".repeat(990);
        for (int i = 0; i < 4000; i++) {
            LOG.log(System.Logger.Level.INFO, line + i);
        }
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> logs = files.filter(f -> f.toString().endsWith(".log")).toList();
            assertThat(logs).hasSize(3);
            long bytes = 0;
            for (Path log : logs) {
                bytes += Files.size(log);
            }
            assertThat(bytes).isLessThan(1_600_000);
        }
        assertThat(Logs.newest(folder, 2)).hasSize(2).last().asString().endsWith("x3999");
    }
}
