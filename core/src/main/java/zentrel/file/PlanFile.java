package zentrel.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;

/** Opens and saves plan files. */
public final class PlanFile {
    /** A plan file larger than this is refused; 100,000 fixtures need about a third of it. */
    public static final long LARGEST_BYTES = 64L * 1024 * 1024;

    private PlanFile() {}

    /**
     * Opens a plan file.
     *
     * @throws PlanFileException with one sentence that names the file and the place in it
     */
    public static LoadedPlan open(Path file) throws PlanFileException {
        return PlanReader.read(bytes(file));
    }

    static byte[] bytes(Path file) throws PlanFileException {
        if (Files.isDirectory(file)) {
            throw new PlanFileException(file + " is a folder, not a plan file.");
        }
        try (InputStream in = Files.newInputStream(file)) {
            byte[] bytes = in.readNBytes((int) LARGEST_BYTES + 1);
            if (bytes.length > LARGEST_BYTES) {
                throw new PlanFileException(
                        file + " is larger than " + LARGEST_BYTES / (1024 * 1024) + " MB, so it is no plan file.");
            }
            return bytes;
        } catch (NoSuchFileException e) {
            throw new PlanFileException("There is no file " + file + ".", e);
        } catch (AccessDeniedException e) {
            throw new PlanFileException(file + " may not be read by this user.", e);
        } catch (IOException e) {
            throw new PlanFileException(file + " cannot be read: " + AtomicFile.reason(e) + ".", e);
        }
    }

    /**
     * Saves a plan so that the file is either the old one or the new one, whatever happens in between.
     *
     * @throws PlanFileException with one sentence; the old file is still there
     */
    public static void save(LoadedPlan plan, Path file) throws PlanFileException {
        AtomicFile.write(PlanWriter.write(plan), file);
        removeLeftovers(List.of(file));
    }

    /**
     * Removes temporary files that killed runs left beside plan files.
     *
     * @param files the plan files, such as those opened last
     */
    public static void removeLeftovers(Collection<Path> files) {
        for (Path file : files) {
            Path folder = file.toAbsolutePath().getParent();
            if (folder != null) {
                AtomicFile.removeLeftovers(folder, file);
            }
        }
    }
}
