package zentrel.live;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import zentrel.packet.pcap.PcapReader;

/** Where in a recording each time is, so that one can go back without reading it all again. */
public final class RecordingIndex {
    private static final int MOST = 4096;
    private static final long FIRST_GAP = 250_000_000L;
    private static final int LOOK_UP = 0x3FFF;

    private record Mark(long time, PcapReader.Place place) {}

    private final List<Mark> marks;
    private final long last;
    private final long packets;

    private RecordingIndex(List<Mark> marks, long last, long packets) {
        this.marks = marks;
        this.last = last;
        this.packets = packets;
    }

    /**
     * Reads a recording once from its start to its end, or to its damage.
     *
     * @param stopped asked now and then whether it is no longer wanted; then what was read so far is told
     * @throws IOException if it cannot be read
     */
    public static RecordingIndex of(Path file, BooleanSupplier stopped) throws IOException {
        List<Mark> marks = new ArrayList<>();
        long gap = FIRST_GAP;
        long last = Long.MIN_VALUE;
        try (PcapReader reader = new PcapReader(file)) {
            PcapReader.Place place = reader.place();
            while (reader.next()) {
                last = Math.max(last, reader.time());
                // times may go back where several adapters were recorded
                if (marks.isEmpty()
                        || reader.time() >= marks.get(marks.size() - 1).time() + gap) {
                    marks.add(new Mark(reader.time(), place));
                    if (marks.size() == MOST) {
                        gap *= 2;
                        thin(marks);
                    }
                }
                place = reader.place();
                if ((reader.packets() & LOOK_UP) == 0 && stopped.getAsBoolean()) {
                    break;
                }
            }
            return new RecordingIndex(marks, last, reader.packets());
        }
    }

    private static void thin(List<Mark> marks) {
        for (int i = marks.size() - 1; i > 0; i -= 2) {
            marks.remove(i);
        }
    }

    public boolean isEmpty() {
        return marks.isEmpty();
    }

    /** When its first frame was seen, in ns since 1970 in UTC; only where it is not empty. */
    public long first() {
        return marks.get(0).time();
    }

    /** When its last frame was seen. */
    public long last() {
        return last;
    }

    /** How many frames it has. */
    public long packets() {
        return packets;
    }

    /** The place of the last mark that is not after a time; the first one, where the time is before it. */
    public PcapReader.Place before(long time) {
        int low = 0;
        int high = marks.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (marks.get(middle).time() <= time) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return marks.get(low).place();
    }
}
