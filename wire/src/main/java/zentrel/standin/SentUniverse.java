package zentrel.standin;

import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;

/** One universe that a console stand-in sends: its levels, its packet, and when the next one is due. */
final class SentUniverse {
    private static final int FRESH_FRAMES = 3;

    /** Where the sequence number stands (Art-Net 4, ArtDmx; ANSI E1.31-2018 §6.2.5). */
    private static final int ARTNET_SEQUENCE = 12;

    private static final int SACN_SEQUENCE = 111;

    final ConsoleStream stream;
    private final ConsoleSpec spec;
    private final byte[] levels = new byte[512];

    /** The packet as it was sent last, without its sequence number; empty once levels have changed. */
    private byte[] packet = new byte[0];

    private int sequence;
    private int fresh = FRESH_FRAMES;
    private long due;
    private boolean waiting;

    SentUniverse(ConsoleStream stream, ConsoleSpec spec) {
        this.stream = stream;
        this.spec = spec;
    }

    void set(int slot, int level) {
        levels[slot - 1] = (byte) level;
        packet = new byte[0];
        fresh = FRESH_FRAMES;
    }

    void set(byte[] all) {
        if (!java.util.Arrays.equals(levels, all)) {
            System.arraycopy(all, 0, levels, 0, levels.length);
            packet = new byte[0];
            fresh = FRESH_FRAMES;
        }
    }

    void hurry() {
        waiting = false;
    }

    boolean isDue(long now) {
        return !waiting || now - due >= 0;
    }

    /** When the next packet is due. */
    long due(long now) {
        return waiting ? due : now;
    }

    /** A packet was due. Times stay on the grid, so that the rate is kept on average. */
    void sent(long now, boolean left, boolean continuous, long repeatNanos) {
        if (left) {
            fresh = Math.max(0, fresh - 1);
        }
        long frame = (long) (1e9 / stream.ratePerSecond());
        boolean onGrid = waiting && now - due <= 4 * frame;
        due = (onGrid ? due : now) + (continuous || fresh > 0 ? frame : Math.max(frame, repeatNanos));
        waiting = true;
    }

    /** The next packet. */
    byte[] frame(boolean terminated) {
        boolean isArtNet = stream.protocol() == Protocol.ARTNET;
        // Art-Net counts 1 to 255 and keeps 0 for "not numbered"; sACN counts 0 to 255.
        sequence = isArtNet ? sequence % 255 + 1 : (sequence + 1) & 0xFF;
        if (terminated) {
            return encoded(true);
        }
        if (packet.length == 0) {
            packet = encoded(false);
        }
        byte[] next = packet.clone(); // whoever gets it keeps it
        next[isArtNet ? ARTNET_SEQUENCE : SACN_SEQUENCE] = (byte) sequence;
        return next;
    }

    private byte[] encoded(boolean terminated) {
        if (stream.protocol() == Protocol.ARTNET) {
            return ArtNetCodec.encode(new ArtDmx(sequence, 0, new PortAddress(stream.wire()), Bytes.of(levels)));
        }
        return SacnCodec.encode(new SacnData(
                spec.cid(),
                spec.name(),
                stream.priority(),
                stream.syncAddress(),
                sequence,
                stream.preview(),
                terminated,
                stream.forceSync(),
                stream.wire(),
                0,
                Bytes.of(levels)));
    }
}
