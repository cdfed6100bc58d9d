package zentrel.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import zentrel.cli.Values.Seconds;
import zentrel.plan.Part;
import zentrel.plan.VersionRule;
import zentrel.standin.DeskSpec;
import zentrel.standin.DeskStandin;

/** What the stand-in of a desk in a session is told. */
final class DeskOptions {
    /** Between two cues of a main desk that walks through them. */
    private static final double STEP_SECONDS = 0.5;

    private static final int STEPS = 10;

    @Option(names = "--session", paramLabel = "NAME", description = "Session: the name of the session.")
    private @Nullable String session;

    @Option(
            names = "--part",
            defaultValue = "main",
            paramLabel = "PART",
            description = "Session: main (default), backup, remote, previs or node.")
    @SuppressWarnings("NullAway.Init")
    private Part part;

    @Option(names = "--release", defaultValue = "1.0", paramLabel = "V", description = "Session: its version.")
    @SuppressWarnings("NullAway.Init")
    private String version;

    @Option(
            names = "--versions",
            defaultValue = "exact",
            paramLabel = "RULE",
            description = "Session, main: how versions must agree: exact (default), major-minor, major, any.")
    @SuppressWarnings("NullAway.Init")
    private VersionRule versions;

    @Option(names = "--key", defaultValue = "", paramLabel = "K", description = "Session: the key it types in.")
    @SuppressWarnings("NullAway.Init")
    private String key;

    @Option(names = "--show", defaultValue = "", paramLabel = "T", description = "Session: the show that is open.")
    @SuppressWarnings("NullAway.Init")
    private String show;

    @Option(names = "--waits", description = "Session: it finds the session and does not ask to enter.")
    private boolean waits;

    @Option(names = "--walk", description = "Session, main: goes from cue to cue, two in a second.")
    private boolean walk;

    DeskSpec spec(String name) throws Refusal {
        if (session == null || session.isBlank()) {
            throw new Refusal("--session is missing: give the name of the session.");
        }
        return new DeskSpec(session, name, part, version, key, versions, show, !waits);
    }

    /** Waits until the time is over; a main desk that walks goes from cue to cue meanwhile. */
    void walk(DeskStandin standin, @Nullable Seconds seconds) {
        if (!walk) {
            Nets.waitFor(seconds);
            return;
        }
        double left = seconds == null ? Double.MAX_VALUE : seconds.value();
        for (int cue = 1; left > 0 && !Thread.currentThread().isInterrupted(); cue++) {
            standin.go(cue, (float) (cue % (STEPS + 1)) / STEPS);
            Nets.waitFor(new Seconds(Math.min(left, STEP_SECONDS)));
            left -= STEP_SECONDS;
        }
    }
}
