package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.System.Logger.Level;
import java.util.ArrayList;
import java.util.List;
import java.util.logging.Handler;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import org.junit.jupiter.api.Test;

/** What is logged reaches java.util.logging, but for what JavaFX says at each start. */
class LateLoggersTest {
    /** What is handed on under a name, while something is done. */
    private static List<LogRecord> handedOn(String name, Runnable work) {
        List<LogRecord> lines = new ArrayList<>();
        Handler handler = new Handler() {
            @Override
            public void publish(LogRecord line) {
                lines.add(line);
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        };
        Logger logger = Logger.getLogger(name);
        logger.addHandler(handler);
        logger.setUseParentHandlers(false);
        try {
            work.run();
        } finally {
            logger.removeHandler(handler);
            logger.setUseParentHandlers(true);
        }
        return lines;
    }

    @Test
    void handsOnWithItsReasonAndItsValues() {
        System.Logger log = System.getLogger("zentrel.test");
        Exception why = new IllegalStateException("why");

        List<LogRecord> lines = handedOn("zentrel.test", () -> {
            log.log(Level.DEBUG, "not this");
            log.log(Level.WARNING, "{0} of {1}", 3, "four");
            log.log(Level.ERROR, "gone", why);
        });

        assertThat(lines)
                .extracting(LogRecord::getLevel)
                .containsExactly(java.util.logging.Level.WARNING, java.util.logging.Level.SEVERE);
        assertThat(new SimpleFormatter().format(lines.get(0)))
                .contains("zentrel.test")
                .contains("3 of four");
        assertThat(lines.get(1).getThrown()).isSameAs(why);
    }

    @Test
    void javaFxIsHeardWhenSomethingFails() {
        System.Logger log = System.getLogger("javafx");

        List<LogRecord> lines = handedOn("javafx", () -> {
            log.log(Level.WARNING, "classes were loaded from an unnamed module");
            log.log(Level.ERROR, "failed");
        });

        assertThat(lines).extracting(LogRecord::getMessage).containsExactly("failed");
    }
}
