package zentrel.app.bench;

import java.util.Optional;
import zentrel.net.NetAdapter;
import zentrel.plan.Id;
import zentrel.plan.Segment;

/** Where one can look: an adapter of this computer, or a segment of the plan rehearsed. */
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

    /** Its adapter, where it is a real one. */
    default Optional<NetAdapter> real() {
        return this instanceof Real r ? Optional.of(r.adapter()) : Optional.empty();
    }
}
