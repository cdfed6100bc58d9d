package zentrel.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import zentrel.live.SeenProgram;
import zentrel.standin.StandinSite;

/** What the net that is looked at shows of programs of the plan, for pages beside that which looks. On the JavaFX thread. */
public final class SeenNow {
    private Supplier<List<SeenProgram>> programs = List::of;
    private volatile Supplier<Optional<StandinSite>> site = Optional::empty;

    private Optional<LiveNet> live = Optional.empty();

    /** Told by what looks, as soon as it can. */
    public void by(LiveNet net) {
        live = Optional.of(net);
    }

    /** The net that is looked at; empty until the Bench was opened once. */
    public Optional<LiveNet> live() {
        return live;
    }

    /**
     * Told by what looks.
     *
     * @param on the net that is looked at, behind its guard; may be asked from any thread
     */
    public void from(Supplier<List<SeenProgram>> source, Supplier<Optional<StandinSite>> on) {
        programs = source;
        site = on;
    }

    /** The net that is looked at, which lets out what is armed there; empty where none is. From any thread. */
    public Optional<StandinSite> site() {
        return site.get();
    }

    /** As they are seen now; empty where nothing is looked at. */
    public List<SeenProgram> programs() {
        return programs.get();
    }
}
