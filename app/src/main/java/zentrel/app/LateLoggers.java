package zentrel.app;

import java.lang.System.Logger.Level;
import java.util.ResourceBundle;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import org.jspecify.annotations.Nullable;

/**
 * Hands what is logged on to java.util.logging, which is made ready only for the first line that is to be seen: to make it ready
 * opens every library there is, and the window would wait for that at each start. What is below INFO is dropped, and what JavaFX
 * says below ERROR: it warns at each start that it is not on the module path, which is meant.
 */
public final class LateLoggers extends System.LoggerFinder {
    /** For the Java runtime, which finds this class by its name under META-INF/services. */
    public LateLoggers() {}

    @Override
    public System.Logger getLogger(String name, Module module) {
        return new Late(name, name.equals("javafx") ? Level.ERROR : Level.INFO);
    }

    private static final class Late implements System.Logger {
        private final String name;
        private final Level least;

        private Late(String name, Level least) {
            this.name = name;
            this.least = least;
        }

        @Override
        public String getName() {
            return name;
        }

        @Override
        public boolean isLoggable(Level level) {
            return level != Level.OFF && level.getSeverity() >= least.getSeverity();
        }

        @Override
        public void log(
                Level level, @Nullable ResourceBundle bundle, @Nullable String text, @Nullable Throwable thrown) {
            if (isLoggable(level)) {
                LogRecord line = line(level, bundle, text);
                line.setThrown(thrown);
                Logger.getLogger(name).log(line);
            }
        }

        @Override
        public void log(
                Level level, @Nullable ResourceBundle bundle, @Nullable String format, @Nullable Object... values) {
            if (isLoggable(level)) {
                LogRecord line = line(level, bundle, format);
                line.setParameters(values);
                Logger.getLogger(name).log(line);
            }
        }

        private LogRecord line(Level level, @Nullable ResourceBundle bundle, @Nullable String text) {
            LogRecord line = new LogRecord(
                    switch (level) {
                        case ERROR -> java.util.logging.Level.SEVERE;
                        case WARNING -> java.util.logging.Level.WARNING;
                        default -> java.util.logging.Level.INFO;
                    },
                    text);
            line.setLoggerName(name);
            line.setResourceBundle(bundle);
            line.setSourceClassName(null); // else it looks for the caller and finds this class
            return line;
        }
    }
}
