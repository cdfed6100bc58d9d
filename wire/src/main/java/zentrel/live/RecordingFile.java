package zentrel.live;

import java.io.BufferedOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.net.Packet;
import zentrel.net.Recorded;
import zentrel.packet.pcap.PcapngWriter;

/** A recording in pcapng. A failure to write ends it, and is told; the packets go on. Lives in the net's turn. */
public final class RecordingFile implements Recorded.Recording, Closeable {
    private static final int BUFFER = 1 << 20;

    private final PcapngWriter writer;
    private final long epochNanos;
    private volatile @Nullable String failure;
    private long packets;

    /**
     * Begins a recording.
     *
     * @param epochNanos what is added to the net's clock, in ns, so that times count from 1970 in UTC
     * @throws IOException if it cannot be written
     */
    public RecordingFile(OutputStream out, long epochNanos) throws IOException {
        writer = new PcapngWriter(new BufferedOutputStream(out, BUFFER));
        this.epochNanos = epochNanos;
    }

    @Override
    public void take(Packet packet) {
        if (failure != null) {
            return;
        }
        try {
            writer.write(
                    packet.time() + epochNanos,
                    packet.adapter().name(),
                    packet.source(),
                    packet.sourcePort(),
                    packet.destination(),
                    packet.destinationPort(),
                    packet.ttl(),
                    packet.bytes());
            packets++;
        } catch (IOException e) {
            failure = "The recording ended after " + packets + " packets: " + e.getMessage() + ".";
        }
    }

    /** How many packets were written; within the net's turn, or after it was closed there. */
    public long packets() {
        return packets;
    }

    /** Why it ended before it was closed, as a sentence. */
    public Optional<String> failure() {
        return Optional.ofNullable(failure);
    }

    @Override
    public void close() throws IOException {
        writer.close();
    }
}
