package zentrel.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

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
            throw new PlanFileException(file + " cannot be read: " + e.getMessage() + ".", e);
        }
    }

    /**
     * Saves a plan so that the file is either the old one or the new one, whatever happens in between.
     *
     * @throws PlanFileException with one sentence; the old file is still there
     */
    public static void save(LoadedPlan plan, Path file) throws PlanFileException {
        writeAtomically(PlanWriter.write(plan), file);
    }

    static void writeAtomically(byte[] bytes, Path file) throws PlanFileException {
        Path absolute = file.toAbsolutePath();
        Path folder = absolute.getParent();
        try {
            // A link stays a link: what it points to is replaced.
            Path target = Files.exists(absolute) ? absolute.toRealPath() : absolute;
            Path beside = target.getParent() == null ? target : target.getParent();
            Path temporary = Files.createTempFile(beside, "." + target.getFileName(), ".part");
            try {
                try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
                    ByteBuffer buffer = ByteBuffer.wrap(bytes);
                    while (buffer.hasRemaining()) {
                        channel.write(buffer);
                    }
                    channel.force(true);
                }
                move(temporary, target);
            } finally {
                Files.deleteIfExists(temporary);
            }
        } catch (NoSuchFileException e) {
            throw new PlanFileException("There is no folder " + folder + " to save in.", e);
        } catch (AccessDeniedException e) {
            throw new PlanFileException("This user may not write in " + folder + ".", e);
        } catch (IOException e) {
            throw new PlanFileException(file + " cannot be written: " + e.getMessage() + ".", e);
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING); // some network folders cannot do better
        }
    }
}
