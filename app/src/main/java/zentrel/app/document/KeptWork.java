package zentrel.app.document;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.file.Journal;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;
import zentrel.plan.Plan;

/** What is kept of unsaved work for after a kill. All but {@link #soon} is for the thread of the disk. */
final class KeptWork {
    private static final System.Logger LOG = System.getLogger(KeptWork.class.getName());

    /** How soon an edit is kept, in milliseconds. */
    private static final int KEEP_AFTER_MILLIS = 250;

    /** What the journal is to keep. */
    private record Kept(LoadedPlan plan, boolean dirty, Optional<Path> file) {}

    /** What the file of a recovered plan holds, to tell what is unsaved; a damaged one holds nothing that counts. */
    record OnDisk(Plan plan, Optional<String> problem) {}

    private final Path folder;
    private final ScheduledExecutorService disk;
    private final Consumer<String> troubled;
    private final AtomicReference<@Nullable Kept> next = new AtomicReference<>();
    private @Nullable Journal journal;

    /** @param troubled told a sentence where the journal cannot be written */
    KeptWork(Path folder, ScheduledExecutorService disk, Consumer<String> troubled) {
        this.folder = folder;
        this.disk = disk;
        this.troubled = troubled;
    }

    /** Keeps a plan soon; edits that come close together are written once. */
    void soon(LoadedPlan plan, boolean dirty, Optional<Path> file) {
        if (next.getAndSet(new Kept(plan, dirty, file)) == null) {
            ScheduledFuture<?> unused = disk.schedule(this::write, KEEP_AFTER_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    private void write() {
        Kept kept = next.getAndSet(null);
        if (kept == null) {
            return;
        }
        try {
            if (journal == null) {
                if (!kept.dirty()) {
                    return;
                }
                journal = Journal.start(folder);
            }
            if (kept.dirty()) {
                journal.keep(kept.plan(), kept.file());
            } else {
                journal.forget();
            }
        } catch (PlanFileException e) {
            troubled.accept(String.valueOf(e.getMessage()));
        }
    }

    /** Work that an earlier run left behind; removes temporary files of runs that were killed. */
    Journal.Found leftWork(List<Path> recent) throws PlanFileException {
        PlanFile.removeLeftovers(recent);
        return Journal.left(folder);
    }

    /** What the file of a plan holds now. */
    static OnDisk onDisk(Optional<Path> path) {
        if (path.isEmpty() || !Files.exists(path.get())) {
            return new OnDisk(Plan.EMPTY, Optional.empty());
        }
        try {
            return new OnDisk(PlanFile.open(path.get()).plan(), Optional.empty());
        } catch (PlanFileException e) {
            return new OnDisk(
                    Plan.EMPTY,
                    Optional.of("Recovered. The file " + path.get() + " itself cannot be read: " + e.getMessage()
                            + " Save replaces it."));
        }
    }

    /** Work that was recovered is in this window's own journal now, and the old one goes. */
    void taken(Journal.Left left) {
        write();
        try {
            Journal.discard(left);
        } catch (PlanFileException e) {
            LOG.log(System.Logger.Level.WARNING, e.getMessage(), e);
        }
    }

    /** The window closes, and what was not saved is given up on purpose. */
    void giveUp() {
        next.set(null);
        try {
            if (journal != null) {
                journal.close();
            }
        } catch (PlanFileException e) {
            LOG.log(System.Logger.Level.WARNING, e.getMessage(), e);
        }
    }
}
