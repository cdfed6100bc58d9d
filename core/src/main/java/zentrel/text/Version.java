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
        try (InputStream in = Version.class.getResourceAsStream("/zentrel/version.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is in the jar of this class
        }
    }
}
