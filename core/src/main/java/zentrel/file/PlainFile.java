package zentrel.file;

import java.nio.file.Path;

/** A file of another kind than ours, written so that it is either the old one or the new one. */
public final class PlainFile {
    private PlainFile() {}

    /**
     * Writes a file, in place of the one that is there.
     *
     * @throws PlanFileException with one sentence that names the file; what was there is still there
     */
    public static void write(byte[] bytes, Path file) throws PlanFileException {
        AtomicFile.write(bytes, file);
    }
}
