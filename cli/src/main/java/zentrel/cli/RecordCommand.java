package zentrel.cli;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.live.RecordingFile;
import zentrel.live.StreamWatch;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.Recorded;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** {@code zentrel record --adapter ADDRESS --seconds S -o FILE.pcapng}: what arrives, as a recording. */
@Command(
        name = "record",
        mixinStandardHelpOptions = true,
        description = "Records what arrives by Art-Net and sACN on one adapter, as pcapng.")
final class RecordCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private AdapterTime where;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private SacnGroups groups;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "FILE",
            description = "The file to write; no file is written over.")
    @SuppressWarnings("NullAway.Init")
    private Path file;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        StandinSite site = Nets.open(where.adapter, OutputGuard.State.LISTEN);
        RecordingFile recording;
        try (OutputStream bytes = Files.newOutputStream(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
                RecordingFile writing = new RecordingFile(
                        bytes,
                        System.currentTimeMillis() * 1_000_000L
                                - site.host().clock().now());
                NetHost host = new Recorded(site.host(), writing);
                StreamWatch watch = new StreamWatch(host, site.adapter())) {
            recording = writing;
            watch.start(groups.numbers());
            Nets.waitFor(where.seconds);
            watch.found().trouble().forEach(out::remark);
            watch.found().remarks().forEach(out::remark);
            host.call(() -> {
                watch.closeNow(); // nothing is written after the file is closed
                return true;
            });
        } catch (FileAlreadyExistsException e) {
            throw new Refusal(file + " is there already; no file is written over.", e);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        recording.failure().ifPresent(out::remark);
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("file", file.toString())
                    .put("packets", recording.packets())
                    .put("seconds", where.seconds.value()));
        } else {
            out.line(Counted.of(recording.packets(), "packet") + " recorded in " + file + ".");
        }
        return recording.failure().isPresent() ? 1 : 0;
    }
}
