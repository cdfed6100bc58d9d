package zentrel.text;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** The version of Zentrel, from the one place where it stands: the project's pom. */
public final class Version {
    private Version() {}

    /** As it is written: {@code 0.3.0}. */
    public static String current() {
        return text("/zentrel/version.txt");
    }

    /** The commit that it was built from, in a few digits; {@code not known} for a build that nobody told. */
    public static String commit() {
        return text("/zentrel/commit.txt");
    }

    private static String text(String resource) {
        try (InputStream in = Version.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is in the jar of this class
        }
    }
}
