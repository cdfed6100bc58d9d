package zentrel.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Replaces a file by new content so that it is either the old one or the new one, whatever happens in between: the content is
 * written beside it, forced to the disk, and takes its place. Permissions and group stay, a link stays a link, and what is no
 * ordinary file stays as it is.
 */
final class AtomicFile {
    /** How the names of temporary files end. They begin with a dot and the name of the file. */
    private static final String PART = ".zentrel-part";

    /** A link that leads to a link, and so on, is followed so many times at most. */
    private static final int MOST_LINKS = 40;

    /** A temporary file younger than this may be one that is being made. */
    private static final long YOUNG_MILLIS = 2000;

    private static final System.Logger LOG = System.getLogger(AtomicFile.class.getName());

    private AtomicFile() {}

    /**
     * Writes a file, in place of the one that is there.
     *
     * @throws PlanFileException with one sentence that names the file; what was there is still there
     */
    static void write(byte[] bytes, Path file) throws PlanFileException {
        Path target = target(file);
        @Nullable Path beside = target.getParent();
        if (beside == null) {
            throw new PlanFileException(file + " is a folder, so nothing was saved there.");
        }
        requireOrdinary(file, target);
        try {
            Path temporary = beside.resolve("." + target.getFileName() + "." + UUID.randomUUID() + PART);
            try {
                writeWhole(bytes, temporary, target);
                move(temporary, target);
            } finally {
                Files.deleteIfExists(temporary);
            }
            sync(beside);
        } catch (NoSuchFileException | NotDirectoryException e) {
            throw new PlanFileException("There is no folder " + beside + " to save in.", e);
        } catch (AccessDeniedException e) {
            throw new PlanFileException(file + " was not saved: this user may not write in " + beside + ".", e);
        } catch (IOException e) {
            throw new PlanFileException(file + " was not saved: " + reason(e) + ".", e);
        }
    }

    /** The file itself, where the name is that of a link; the link may lead to a file that is not there yet. */
    private static Path target(Path file) throws PlanFileException {
        Path target = file.toAbsolutePath();
        try {
            for (int i = 0; Files.isSymbolicLink(target); i++) {
                if (i == MOST_LINKS) {
                    throw new PlanFileException(file + " is a link that leads back to itself, so nothing was saved.");
                }
                target = target.resolveSibling(Files.readSymbolicLink(target)).normalize();
            }
        } catch (IOException e) {
            throw new PlanFileException(file + " is a link that cannot be followed: " + reason(e) + ".", e);
        }
        return target;
    }

    private static void requireOrdinary(Path file, Path target) throws PlanFileException {
        if (Files.isDirectory(target, LinkOption.NOFOLLOW_LINKS)) {
            throw new PlanFileException(file + " is a folder, so nothing was saved there.");
        }
        if (Files.exists(target, LinkOption.NOFOLLOW_LINKS)
                && !Files.isRegularFile(target, LinkOption.NOFOLLOW_LINKS)) {
            throw new PlanFileException(
                    file + " is not an ordinary file but a device or a pipe, so nothing was saved there.");
        }
    }

    private static void writeWhole(byte[] bytes, Path temporary, Path target) throws IOException {
        try (FileChannel channel =
                        FileChannel.open(temporary, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW);
                FileLock lock = channel.lock()) {
            keepRights(target, temporary);
            ByteBuffer buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) {
                channel.write(buffer);
            }
            channel.force(true);
            LOG.log(System.Logger.Level.TRACE, "Written under {0}.", lock);
        }
    }

    /** A shared plan stays shared and a private one private; a new file gets what the system gives new files. */
    private static void keepRights(Path from, Path to) throws IOException {
        @Nullable PosixFileAttributeView view = Files.getFileAttributeView(to, PosixFileAttributeView.class);
        if (view == null || !Files.exists(from)) {
            return;
        }
        PosixFileAttributes rights = Files.readAttributes(from, PosixFileAttributes.class);
        if (!view.readAttributes().group().equals(rights.group())) {
            try {
                view.setGroup(rights.group());
            } catch (IOException e) {
                LOG.log(System.Logger.Level.DEBUG, "Only a member of the group may keep it: " + from, e);
            }
        }
        if (!view.readAttributes().owner().equals(rights.owner())) {
            try {
                view.setOwner(rights.owner());
            } catch (IOException e) {
                LOG.log(System.Logger.Level.DEBUG, "Only the administrator may keep the owner: " + from, e);
            }
        }
        view.setPermissions(rights.permissions());
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING); // some network folders cannot do better
        }
    }

    /** A renamed file is safe from a power cut once its folder is on the disk; not every system opens a folder. */
    private static void sync(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, "This system does not sync folders: " + folder, e);
        }
    }

    /** What the system says, without the name of a temporary file that nobody knows. */
    static String reason(IOException e) {
        if (e instanceof FileSystemException f && f.getReason() != null) {
            return f.getReason();
        }
        return e instanceof FileSystemException || e.getMessage() == null
                ? "the system gives no reason"
                : e.getMessage();
    }

    /**
     * Removes the temporary files that a run which was killed left in a folder. One that is being written is locked, and stays.
     *
     * @param file only those of this file; null for all
     * @return how many were removed
     */
    static int removeLeftovers(Path folder, @Nullable Path file) {
        String begin = file == null ? "." : "." + file.getFileName() + ".";
        int removed = 0;
        try (DirectoryStream<Path> parts = Files.newDirectoryStream(
                folder,
                p -> p.getFileName().toString().startsWith(begin)
                        && p.getFileName().toString().endsWith(PART))) {
            for (Path part : parts) {
                removed += isLeftOver(part) && Files.deleteIfExists(part) ? 1 : 0;
            }
        } catch (IOException | java.nio.file.DirectoryIteratorException e) {
            LOG.log(System.Logger.Level.DEBUG, "Temporary files in " + folder + " were not removed.", e);
        }
        return removed;
    }

    private static boolean isLeftOver(Path part) throws IOException {
        if (System.currentTimeMillis() - Files.getLastModifiedTime(part).toMillis() < YOUNG_MILLIS) {
            return false;
        }
        try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false; // this very process writes it
        }
    }
}
