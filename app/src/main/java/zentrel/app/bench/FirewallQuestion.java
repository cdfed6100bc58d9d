package zentrel.app.bench;

import java.util.Optional;

/** What some systems ask when a program listens for the first time, and what to answer. */
final class FirewallQuestion {
    private FirewallQuestion() {}

    /**
     * What is said before it listens.
     *
     * @param system the name of the operating system, as Java says it; empty where nothing is asked
     */
    static Optional<String> words(String system) {
        if (system.startsWith("Windows")) {
            return Optional.of(
                    "Windows asks at the first listening whether Zentrel may receive. Allow it on private networks,"
                            + " and let this network be a private one; if it was refused, nothing comes in and nothing says so.");
        }
        if (system.startsWith("Mac")) {
            return Optional.of(
                    "macOS asks at the first listening whether Zentrel may accept incoming connections. Allow it;"
                            + " if it was refused, nothing comes in and nothing says so.");
        }
        return Optional.empty();
    }
}
