package zentrel.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.Rate;
import zentrel.live.RecordedNet;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.packet.pcap.PcapReader;
import zentrel.text.Counted;

/** {@code zentrel replay FILE}: what a recording holds. Nothing is sent. */
@Command(
        name = "replay",
        mixinStandardHelpOptions = true,
        description = "Lists what a recording in pcap or pcapng holds. Nothing is sent.")
final class ReplayCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "FILE", description = "A recording in pcap or pcapng.")
    @SuppressWarnings("NullAway.Init")
    private Path file;

    @Option(
            names = "--speed",
            paramLabel = "X",
            description = "Play it X times as fast as it was recorded; without it as fast as it is read.")
    private @Nullable Rate speed;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (!Files.isRegularFile(file)) {
            throw new Refusal("There is no file " + file + ".");
        }
        try (PcapReader reader = new PcapReader(file)) {
            RecordedNet net = new RecordedNet(reader);
            long from = net.clock().now();
            try (StreamWatch watch = new StreamWatch(net, net.everything())) {
                watch.start(java.util.List.of());
                play(net, from);
                StreamWatch.Found found = watch.found();
                if (out.json) {
                    json(net, reader, from, found);
                } else {
                    print(net, reader, from, found);
                }
                return reader.damage().isPresent() ? 1 : 0;
            }
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal("It was stopped.", e);
        }
    }

    private void play(RecordedNet net, long from) throws IOException, InterruptedException {
        long start = System.nanoTime();
        boolean more = true;
        while (more) {
            if (speed != null) {
                long due = start + Math.round((net.nextTime() - from) / speed.perSecond());
                long wait = due - System.nanoTime();
                if (wait > 1_000_000) {
                    Thread.sleep(wait / 1_000_000, (int) (wait % 1_000_000));
                }
            }
            more = net.step();
        }
    }

    private void json(RecordedNet net, PcapReader reader, long from, StreamWatch.Found found) {
        ObjectNode root = Output.JSON.objectNode();
        root.set("universes", Seen.universes(found.streams(), true, from));
        root.put("unreadable", found.unreadable())
                .put("start", Instant.ofEpochSecond(0, from).toString())
                .put("seconds", seconds(net, from))
                .put("packets", net.packets())
                .put("otherFrames", net.skipped())
                .put("damage", reader.damage().orElse(null));
        out.json(root);
    }

    private static double seconds(RecordedNet net, long from) {
        return Math.round((net.clock().now() - from) / 1e6) / 1e3;
    }

    private void print(RecordedNet net, PcapReader reader, long from, StreamWatch.Found found) {
        for (StreamSeen s : found.streams()) {
            out.line("%-7s %5d  %-15s  %-24s priority %3d  %6.1f/s  %d packets, %d lost  from %.3f s to %.3f s"
                    .formatted(
                            s.protocol().title(),
                            s.universe(),
                            s.source(),
                            s.name(),
                            s.priority(),
                            s.averageRate(),
                            s.packets(),
                            s.lost(),
                            (s.first() - from) / 1e9,
                            (s.last() - from) / 1e9));
        }
        out.line(Counted.of(net.packets(), "packet") + " in " + seconds(net, from) + " s"
                + Optional.of(net.skipped())
                        .filter(n -> n > 0)
                        .map(n -> ", and " + Counted.of(n, "frame") + " that are no UDP packet")
                        .orElse("")
                + ".");
        reader.damage().ifPresent(out::remark);
    }
}
