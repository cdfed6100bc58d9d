package zentrel.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
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
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    /**
     * Work that was left behind.
     *
     * @param file the plan file it belongs to, if it had one
     * @param journal where it was found
     */
    public record Left(LoadedPlan plan, Optional<Path> file, Path journal) {}

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
            Path lockFile = folder.resolve(name + ".lock");
            FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            channel.lock();
            return new Journal(folder.resolve(name + SUFFIX), lockFile, channel);
        } catch (IOException e) {
            throw new PlanFileException("Unsaved work cannot be kept in " + folder + ": " + e.getMessage() + ".", e);
        }
    }

    /** Keeps the plan as it is now, in place of what was kept before. */
    public void keep(LoadedPlan plan, Optional<Path> file) throws PlanFileException {
        ObjectNode root = MAPPER.createObjectNode();
        file.ifPresent(f -> root.put("file", f.toAbsolutePath().toString()));
        root.set("plan", PlanWriter.tree(plan));
        try {
            PlanFile.writeAtomically(MAPPER.writeValueAsBytes(root), journal);
        } catch (JsonProcessingException e) {
            throw new PlanFileException("Unsaved work could not be written as JSON.", e);
        }
    }

    /** Forgets what was kept: it was saved, or given up on purpose. */
    public void forget() throws PlanFileException {
        try {
            Files.deleteIfExists(journal);
        } catch (IOException e) {
            throw new PlanFileException(journal + " cannot be removed: " + e.getMessage() + ".", e);
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
            throw new PlanFileException(lockFile + " cannot be removed: " + e.getMessage() + ".", e);
        }
    }

    /** What others left in a folder without ending in order, the newest first; each is offered once more until taken. */
    public static List<Left> left(Path folder) throws PlanFileException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        List<Path> journals;
        try (Stream<Path> files = Files.list(folder)) {
            journals =
                    new ArrayList<>(files.filter(f -> f.getFileName().toString().endsWith(SUFFIX))
                            .toList());
        } catch (IOException e) {
            throw new PlanFileException(folder + " cannot be read: " + e.getMessage() + ".", e);
        }
        journals.sort(java.util.Comparator.comparing((Path p) -> p.toFile().lastModified())
                .reversed());
        List<Left> left = new ArrayList<>();
        for (Path journal : journals) {
            if (isAbandoned(journal)) {
                left.add(read(journal));
            }
        }
        return left;
    }

    private static boolean isAbandoned(Path journal) throws PlanFileException {
        String name = journal.getFileName().toString();
        Path lockFile = journal.resolveSibling(name.substring(0, name.length() - SUFFIX.length()) + ".lock");
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false; // a window of this very process holds it
        } catch (IOException e) {
            throw new PlanFileException(lockFile + " cannot be opened: " + e.getMessage() + ".", e);
        }
    }

    private static Left read(Path journal) throws PlanFileException {
        try {
            JsonNode root = MAPPER.readTree(Files.readString(journal));
            LoadedPlan plan = PlanReader.read(root.path("plan").toString().getBytes(StandardCharsets.UTF_8));
            Optional<Path> file = root.path("file").isTextual()
                    ? Optional.of(Path.of(root.path("file").textValue()))
                    : Optional.empty();
            return new Left(plan, file, journal);
        } catch (IOException e) {
            throw new PlanFileException("The journal " + journal + " cannot be read: " + e.getMessage() + ".", e);
        }
    }

    /** Removes what was left behind, after it was taken over or refused. */
    public static void discard(Left left) throws PlanFileException {
        String name = left.journal().getFileName().toString();
        try {
            Files.deleteIfExists(left.journal());
            Files.deleteIfExists(
                    left.journal().resolveSibling(name.substring(0, name.length() - SUFFIX.length()) + ".lock"));
        } catch (IOException e) {
            throw new PlanFileException(left.journal() + " cannot be removed: " + e.getMessage() + ".", e);
        }
    }
}
