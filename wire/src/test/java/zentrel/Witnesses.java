package zentrel;

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
}
