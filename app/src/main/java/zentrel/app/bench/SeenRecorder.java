package zentrel.app.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.live.RecordingFile;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.Recorded;

/** Writes what a net hears and sends into a file, while it is told to. */
final class SeenRecorder implements Recorded.Recording {
    private volatile @Nullable RecordingFile file;

    @Override
    public void take(Packet packet) {
        RecordingFile to = file;
        if (to != null) {
            to.take(packet);
        }
    }

    void start(NetHost net, Path to) throws IOException {
        long epoch = System.currentTimeMillis() * 1_000_000L - net.clock().now();
        file = new RecordingFile(
                Files.newOutputStream(to, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING), epoch);
    }

    /** Ends the file; what went wrong with it, as a sentence. */
    Optional<String> stop(NetHost net) {
        RecordingFile ended = file;
        file = null;
        if (ended == null) {
            return Optional.empty();
        }
        try {
            net.call(() -> {
                ended.close(); // in the net's turn, so that no packet is half written
                return true;
            });
            return ended.failure();
        } catch (IOException e) {
            return Optional.of("The recording did not end well: " + e.getMessage());
        }
    }

    /** How many packets were written so far; empty where nothing is recorded. */
    Optional<Long> packets() {
        return Optional.ofNullable(file).map(RecordingFile::packets);
    }
}
