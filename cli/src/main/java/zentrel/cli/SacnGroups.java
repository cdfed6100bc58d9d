package zentrel.cli;

import java.util.List;
import picocli.CommandLine.Option;
import zentrel.cli.Values.UniverseRanges;

/** The sACN universes whose groups a tool joins. */
final class SacnGroups {
    @Option(
            names = "--universes",
            paramLabel = "RANGES",
            defaultValue = "1-64",
            description =
                    "sACN universes to join, such as 1-64,100 (default 1-64); others that are announced are named.")
    @SuppressWarnings("NullAway.Init")
    private UniverseRanges universes;

    List<Integer> numbers() {
        return universes.numbers();
    }
}
