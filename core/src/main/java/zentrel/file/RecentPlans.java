package zentrel.file;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The plan files opened last, the newest first: a text file with one path a line. */
public final class RecentPlans {
    private static final int MOST = 10;

    private final Path file;

    public RecentPlans(Path file) {
        this.file = file;
    }

    /** The files that are still there. */
    public List<Path> list() throws PlanFileException {
        if (!Files.exists(file)) {
            return List.of();
        }
        try {
            return Files.readAllLines(file, StandardCharsets.UTF_8).stream()
                    .filter(l -> !l.isBlank())
                    .flatMap(l -> path(l).stream())
                    .filter(Files::exists)
                    .limit(MOST)
                    .toList();
        } catch (IOException e) {
            throw new PlanFileException(
                    "The list of recent plans " + file + " cannot be read: " + AtomicFile.reason(e) + ".", e);
        }
    }

    /** A line as a path; empty where this system has no such names. */
    static Optional<Path> path(String text) {
        try {
            return Optional.of(Path.of(text));
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    /** Puts a file first. */
    public void add(Path plan) throws PlanFileException {
        Path absolute = plan.toAbsolutePath().normalize();
        List<Path> paths = new ArrayList<>(list());
        paths.remove(absolute);
        paths.add(0, absolute);
        String text =
                String.join("\n", paths.stream().limit(MOST).map(Path::toString).toList()) + "\n";
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
        } catch (IOException e) {
            throw new PlanFileException("The folder of " + file + " cannot be made: " + AtomicFile.reason(e) + ".", e);
        }
        AtomicFile.write(text.getBytes(StandardCharsets.UTF_8), file);
    }
}
