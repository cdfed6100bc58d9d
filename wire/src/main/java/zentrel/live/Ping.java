package zentrel.live;

import java.io.IOException;
import java.nio.charset.Charset;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import zentrel.ipv4.Ipv4Address;

/** Asks one address by the system's own ping, which needs no rights that a program lacks. */
@FunctionalInterface
public interface Ping {
    /**
     * Whether it answers within a time; empty where this computer has no ping, or may not use it.
     *
     * @throws InterruptedException where it was told to stop
     */
    Optional<Boolean> answers(Ipv4Address address, Duration limit) throws InterruptedException;

    /** The one of this computer's system. */
    static Ping ofSystem() {
        String system = System.getProperty("os.name", "").toLowerCase(Locale.ROOT);
        boolean windows = system.startsWith("windows");
        boolean mac = system.startsWith("mac");
        return (address, limit) -> {
            long millis = Math.max(1, limit.toMillis());
            List<String> command = windows
                    ? List.of("ping", "-n", "1", "-w", "" + millis, address.toString())
                    : List.of(
                            "ping",
                            "-n",
                            "-c",
                            "1",
                            "-W",
                            mac ? "" + millis : "" + Math.max(1, Math.round(millis / 1000.0)),
                            address.toString());
            return run(command, millis + 1000, windows);
        };
    }

    private static Optional<Boolean> run(List<String> command, long most, boolean windows) throws InterruptedException {
        Process process;
        try {
            process = new ProcessBuilder(command).redirectErrorStream(true).start();
        } catch (IOException e) {
            return Optional.empty(); // there is none on this computer
        }
        try {
            process.getOutputStream().close();
            if (!process.waitFor(most, TimeUnit.MILLISECONDS)) {
                return Optional.of(false);
            }
            String said = new String(process.getInputStream().readAllBytes(), Charset.defaultCharset());
            if (process.exitValue() > 1 && !said.contains("nreachable")) {
                return Optional.empty(); // not allowed here, as in some containers
            }
            // Windows also leaves with 0 where its own stack says that nobody is there.
            return Optional.of(process.exitValue() == 0 && (!windows || said.contains("TTL=")));
        } catch (IOException e) {
            return Optional.empty();
        } finally {
            process.destroy();
        }
    }
}
