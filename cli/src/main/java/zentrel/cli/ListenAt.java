package zentrel.cli;

import picocli.CommandLine.Option;
import zentrel.cli.Values.Seconds;
import zentrel.ipv4.Ipv4Address;

/** Where a tool for OSC listens, and how long. */
final class ListenAt {
    @Option(
            names = "--address",
            paramLabel = "ADDRESS",
            defaultValue = "127.0.0.1",
            description = "The address to listen at (default 127.0.0.1).")
    @SuppressWarnings("NullAway.Init")
    Ipv4Address address;

    @Option(names = "--seconds", required = true, paramLabel = "S", description = "How long.")
    @SuppressWarnings("NullAway.Init")
    Seconds seconds;
}
