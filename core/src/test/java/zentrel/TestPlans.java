package zentrel;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.plan.Plan;

/** Plans for tests, read from their files as a user's plan is. */
public final class TestPlans {
    private TestPlans() {}

    /** A small healthy rig: a desk and a spare, three nodes, Art-Net found and broadcast, sACN, one OSC link. */
    public static Plan pier() {
        return read(pierBytes());
    }

    public static byte[] pierBytes() {
        try (InputStream in = TestPlans.class.getResourceAsStream("/pier.json")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Plan read(byte[] bytes) {
        try {
            return PlanReader.read(bytes).plan();
        } catch (PlanFileException e) {
            throw new AssertionError(e.getMessage(), e);
        }
    }
}
