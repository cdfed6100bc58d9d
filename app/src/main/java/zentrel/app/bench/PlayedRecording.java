package zentrel.app.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Daemons;
import zentrel.live.RecordedNet;
import zentrel.live.RecordingIndex;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.packet.pcap.PcapReader;

/** A recording that is played, forward and back. */
final class PlayedRecording implements PlayedNet {
    /** Levels that are held are sent again within this time, in ns; so it is played before a time that is gone to. */
    private static final long BEFORE = 4_000_000_000L;

    private final Path file;
    private final PcapReader reader;
    private final RecordedNet.Querier querier;
    private RecordedNet net;
    private volatile @Nullable RecordingIndex index;
    private volatile @Nullable String failure;
    private volatile boolean closed;

    PlayedRecording(Path file, RecordedNet.Querier querier) throws IOException {
        this.file = file;
        this.querier = querier;
        reader = new PcapReader(file);
        net = new RecordedNet(reader, querier);
        Daemons.of(this::index, "indexing").start();
    }

    private void index() {
        try {
            index = RecordingIndex.of(file, () -> closed);
        } catch (IOException e) {
            failure = "One cannot go back in this recording: " + e.getMessage();
        }
    }

    @Override
    public NetHost host() {
        return net;
    }

    @Override
    public NetAdapter adapter() {
        return net.everything();
    }

    @Override
    public void advance(long nanos) throws IOException {
        net.advance(net.clock().now() + nanos);
    }

    @Override
    public Optional<String> trouble() {
        return reader.damage().or(() -> Optional.ofNullable(failure));
    }

    @Override
    public Optional<Span> span() {
        return Optional.ofNullable(index).filter(i -> !i.isEmpty()).map(i -> new Span(i.first(), i.last()));
    }

    @Override
    public boolean goTo(long time) throws IOException {
        RecordingIndex known = index;
        if (known == null || known.isEmpty()) {
            return false;
        }
        reader.seek(known.before(time - BEFORE));
        net = new RecordedNet(reader, querier);
        return true;
    }

    @Override
    public void close() throws IOException {
        closed = true;
        reader.close();
    }
}
