package zentrel.app.document;

import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import org.jspecify.annotations.Nullable;
import zentrel.file.PlanFileException;
import zentrel.file.Settings;
import zentrel.file.SettingsFile;

/** The settings of the user as they are now; what changes is written soon. All methods are for the JavaFX thread. */
public final class UserSettings {
    /** How soon a change is written, in milliseconds. */
    private static final int KEEP_AFTER_MILLIS = 400;

    private final SettingsFile file;
    private final ScheduledExecutorService disk;
    private final Consumer<String> tell;
    private final ReadOnlyObjectWrapper<Settings> now = new ReadOnlyObjectWrapper<>(Settings.USUAL);
    private final BooleanProperty day = new SimpleBooleanProperty(false);
    private final AtomicReference<@Nullable Settings> next = new AtomicReference<>();
    private boolean failed;

    /** @param tell told a sentence, once, where settings cannot be kept */
    UserSettings(SettingsFile file, ScheduledExecutorService disk, Consumer<String> tell) {
        this.file = file;
        this.disk = disk;
        this.tell = tell;
        day.addListener((o, was, is) -> change(s -> s.withDay(is)));
        now.addListener((o, was, is) -> day.set(is.day()));
    }

    /** Takes over what was read at the start, and tells what could not be read; it is not written again. */
    public void begin(SettingsFile.Read read) {
        now.set(read.settings());
        next.set(null);
        if (!read.problems().isEmpty()) {
            tell.accept(String.join(" ", read.problems()));
        }
    }

    /** Where they are kept. */
    public SettingsFile file() {
        return file;
    }

    /** The settings, to be listened to. */
    public ReadOnlyObjectProperty<Settings> property() {
        return now.getReadOnlyProperty();
    }

    public Settings get() {
        return now.get();
    }

    /** Whether the day colours are on. */
    public BooleanProperty dayProperty() {
        return day;
    }

    /** Changes them. */
    public void change(UnaryOperator<Settings> how) {
        Settings changed = how.apply(now.get());
        if (changed.equals(now.get())) {
            return;
        }
        now.set(changed);
        if (next.getAndSet(changed) == null && !disk.isShutdown()) {
            ScheduledFuture<?> unused = disk.schedule(this::write, KEEP_AFTER_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    /** Writes what is not written yet; on the thread of the disk. */
    void write() {
        Settings settings = next.getAndSet(null);
        if (settings == null) {
            return;
        }
        try {
            file.write(settings);
        } catch (PlanFileException e) {
            if (!failed) { // once is enough where a home folder is full or may not be written
                failed = true;
                Platform.runLater(() -> tell.accept(String.valueOf(e.getMessage())));
            }
        }
    }
}
