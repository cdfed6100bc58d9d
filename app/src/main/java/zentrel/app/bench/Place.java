package zentrel.app.bench;

import java.nio.file.Path;
import java.util.Optional;
import zentrel.net.NetAdapter;
import zentrel.plan.Id;
import zentrel.plan.Segment;

/** Where one can look: an adapter of this computer, a segment of the plan rehearsed, or a recording. */
sealed interface Place {
    /** What it is called to users. */
    String title();

    /** An adapter of this computer. */
    record Real(NetAdapter adapter) implements Place {
        @Override
        public String title() {
            return adapter.loopback()
                    ? "Loopback " + adapter.address().address()
                    : adapter.name() + "  " + adapter.address();
        }
    }

    /** The plan, on a simulated network; nothing leaves this computer. */
    record Rehearsed(Id<Segment> segment, String name) implements Place {
        @Override
        public String title() {
            return "Rehearsal, " + name;
        }
    }

    /** What was seen at another time, or elsewhere; nothing can be sent to it. */
    record Recorded(Path file) implements Place {
        @Override
        public String title() {
            return file.getFileName().toString();
        }
    }

    /** Whether questions, levels and settings can leave by it. */
    default boolean takesOutput() {
        return !(this instanceof Recorded);
    }

    /** Its adapter, where it is a real one. */
    default Optional<NetAdapter> real() {
        return this instanceof Real r ? Optional.of(r.adapter()) : Optional.empty();
    }
}
