package zentrel;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Assumptions;

/**
 * What stands outside the project and is asked for its word: the kernel, a dissector, servers. Where one is missing its test is
 * skipped with the reason; with {@code -Dzentrel.witnesses=required}, as the project's own test command says, it fails.
 */
public final class Witnesses {
    private Witnesses() {}

    /** Goes on where a witness is there. */
    public static void need(boolean there, String otherwise) {
        if ("required".equals(System.getProperty("zentrel.witnesses"))) {
            Assertions.assertThat(there).as(otherwise).isTrue();
        }
        Assumptions.assumeTrue(there, otherwise);
    }

    /** What a tool of the system writes to its output, at most a minute later. */
    public static String said(String... command) throws IOException, InterruptedException {
        Process process;
        try {
            process = new ProcessBuilder(command)
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
        } catch (IOException e) {
            need(false, command[0] + " is not installed; ./zentrel test installs it");
            throw e;
        }
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        Assertions.assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return said;
    }
}
