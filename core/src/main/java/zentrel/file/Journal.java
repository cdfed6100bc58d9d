package zentrel.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * Unsaved work, kept beside the application so that a kill or a power cut loses nothing. Each running window has a journal
 * of its own and holds a lock on it; a journal whose lock is free was left by one that did not end in order.
 */
public final class Journal implements AutoCloseable {
    private static final String SUFFIX = ".journal.json";
    private static final String LOCK = ".lock";

    /** A lock younger than this may belong to a window that is just starting. */
    private static final long YOUNG_MILLIS = 2000;

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    /**
     * Work that was left behind.
     *
     * @param file the plan file it belongs to, if it had one
     * @param journal where it was found
     */
    public record Left(LoadedPlan plan, Optional<Path> file, Path journal) {}

    /**
     * What was found in a folder of journals.
     *
     * @param left work that can be recovered, the newest first
     * @param problems a sentence for each journal that cannot; the file stays where it is
     */
    public record Found(List<Left> left, List<String> problems) {
        public Found {
            left = List.copyOf(left);
            problems = List.copyOf(problems);
        }
    }

    private final Path journal;
    private final Path lockFile;
    private final FileChannel lockChannel;

    private Journal(Path journal, Path lockFile, FileChannel lockChannel) {
        this.journal = journal;
        this.lockFile = lockFile;
        this.lockChannel = lockChannel;
    }

    /**
     * Starts a journal.
     *
     * @param folder made if it is not there
     * @throws PlanFileException if the folder cannot be written
     */
    public static Journal start(Path folder) throws PlanFileException {
        try {
            Files.createDirectories(folder);
            String name = UUID.randomUUID().toString();
            Path lockFile = folder.resolve(name + LOCK);
            FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            try {
                channel.lock();
            } catch (IOException e) {
                channel.close();
                throw e;
            }
            return new Journal(folder.resolve(name + SUFFIX), lockFile, channel);
        } catch (IOException e) {
            throw new PlanFileException(
                    "Unsaved work cannot be kept in " + folder + ": " + AtomicFile.reason(e) + ".", e);
        }
    }

    /** Keeps the plan as it is now, in place of what was kept before. */
    public void keep(LoadedPlan plan, Optional<Path> file) throws PlanFileException {
        ObjectNode root = MAPPER.createObjectNode();
        file.ifPresent(f -> root.put("file", f.toAbsolutePath().toString()));
        root.set("plan", PlanWriter.tree(plan));
        try {
            AtomicFile.write(MAPPER.writeValueAsBytes(root), journal);
        } catch (JsonProcessingException e) {
            throw new PlanFileException("Unsaved work could not be written as JSON.", e);
        } catch (PlanFileException e) {
            throw new PlanFileException("Unsaved changes are not protected against a crash now. " + e.getMessage(), e);
        }
    }

    /** Forgets what was kept: it was saved, or given up on purpose. */
    public void forget() throws PlanFileException {
        try {
            Files.deleteIfExists(journal);
        } catch (IOException e) {
            throw new PlanFileException(journal + " cannot be removed: " + AtomicFile.reason(e) + ".", e);
        }
    }

    /** Ends the journal in order: nothing is left behind. */
    @Override
    public void close() throws PlanFileException {
        forget();
        try {
            lockChannel.close();
            Files.deleteIfExists(lockFile);
        } catch (IOException e) {
            throw new PlanFileException(lockFile + " cannot be removed: " + AtomicFile.reason(e) + ".", e);
        }
    }

    /**
     * What others left in a folder without ending in order, each offered once more until taken. Every journal is read by itself, so
     * that a damaged one hides no other. Temporary files and locks that nobody holds any more are removed.
     *
     * @throws PlanFileException if the folder cannot be listed
     */
    public static Found left(Path folder) throws PlanFileException {
        if (!Files.isDirectory(folder)) {
            return new Found(List.of(), List.of());
        }
        AtomicFile.removeLeftovers(folder, null);
        List<Path> files;
        try (Stream<Path> all = Files.list(folder)) {
            files = all.toList();
        } catch (IOException | UncheckedIOException e) {
            throw new PlanFileException(folder + " cannot be read.", e);
        }
        List<Path> journals = new ArrayList<>(
                files.stream().filter(f -> name(f).endsWith(SUFFIX)).toList());
        journals.sort(
                Comparator.comparing((Path p) -> p.toFile().lastModified()).reversed());
        List<Left> left = new ArrayList<>();
        List<String> problems = new ArrayList<>();
        for (Path journal : journals) {
            try {
                if (isAbandoned(lockOf(journal))) {
                    left.add(read(journal));
                }
            } catch (PlanFileException e) {
                problems.add(e.getMessage());
            }
        }
        for (Path lock : files) {
            removeUnused(lock);
        }
        return new Found(left, problems);
    }

    private static String name(Path file) {
        return file.getFileName().toString();
    }

    private static Path lockOf(Path journal) {
        String name = name(journal);
        return journal.resolveSibling(name.substring(0, name.length() - SUFFIX.length()) + LOCK);
    }

    /** Removes a lock without a journal, which a run left that was killed before its first edit. */
    private static void removeUnused(Path lock) throws PlanFileException {
        String name = name(lock);
        if (!name.endsWith(LOCK)
                || Files.exists(lock.resolveSibling(name.substring(0, name.length() - LOCK.length()) + SUFFIX))) {
            return;
        }
        try {
            if (System.currentTimeMillis() - Files.getLastModifiedTime(lock).toMillis() > YOUNG_MILLIS
                    && isAbandoned(lock)) {
                Files.deleteIfExists(lock);
            }
        } catch (IOException e) {
            System.getLogger(Journal.class.getName())
                    .log(System.Logger.Level.DEBUG, "The lock " + lock + " was not removed.", e);
        }
    }

    private static boolean isAbandoned(Path lockFile) throws PlanFileException {
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false; // a window of this very process holds it
        } catch (IOException e) {
            throw new PlanFileException(
                    "It is not known whether another window uses " + lockFile + ": " + AtomicFile.reason(e) + ".", e);
        }
    }

    private static Left read(Path journal) throws PlanFileException {
        try {
            JsonNode root = MAPPER.readTree(PlanFile.bytes(journal));
            if (!root.path("plan").isObject()) {
                throw new PlanFileException(
                        "The journal " + journal + " cannot be recovered: it is empty or not whole.");
            }
            LoadedPlan plan = PlanReader.read(MAPPER.writeValueAsBytes(root.path("plan")));
            Optional<Path> file = Optional.of(root.path("file"))
                    .filter(JsonNode::isTextual)
                    .flatMap(f -> SettingsFile.path(f.textValue()));
            return new Left(plan, file, journal);
        } catch (IOException e) {
            throw new PlanFileException("The journal " + journal + " cannot be recovered: it is not whole.", e);
        } catch (PlanFileException e) {
            throw String.valueOf(e.getMessage()).contains(name(journal))
                    ? e
                    : new PlanFileException("The journal " + journal + " cannot be recovered. " + e.getMessage(), e);
        }
    }

    /** Removes what was left behind, after it was recovered or refused. */
    public static void discard(Left left) throws PlanFileException {
        try {
            Files.deleteIfExists(left.journal());
            Files.deleteIfExists(lockOf(left.journal()));
        } catch (IOException e) {
            throw new PlanFileException(left.journal() + " cannot be removed: " + AtomicFile.reason(e) + ".", e);
        }
    }
}
