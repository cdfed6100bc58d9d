package zentrel.app.shell;

import java.util.List;
import java.util.function.Supplier;
import zentrel.live.SeenProgram;

/** What the net that is looked at shows of programs of the plan, for pages beside that which looks. On the JavaFX thread. */
public final class SeenNow {
    private Supplier<List<SeenProgram>> programs = List::of;

    /** Told by what looks. */
    public void from(Supplier<List<SeenProgram>> source) {
        programs = source;
    }

    /** As they are seen now; empty where nothing is looked at. */
    public List<SeenProgram> programs() {
        return programs.get();
    }
}
