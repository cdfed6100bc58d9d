package zentrel.cli;

import picocli.CommandLine.Option;
import zentrel.cli.Values.Seconds;
import zentrel.ipv4.Ipv4Address;

/** Where a tool listens, and how long. */
final class AdapterTime {
    @Option(names = "--adapter", required = true, paramLabel = "ADDRESS", description = "The address of the adapter.")
    @SuppressWarnings("NullAway.Init")
    Ipv4Address adapter;

    @Option(names = "--seconds", required = true, paramLabel = "S", description = "How long.")
    @SuppressWarnings("NullAway.Init")
    Seconds seconds;
}
