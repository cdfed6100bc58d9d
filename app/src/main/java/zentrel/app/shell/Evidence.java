package zentrel.app.shell;

import java.util.Map;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;

/** What was seen of a path, by the bench. */
public interface Evidence {
    /** No evidence of anything. */
    Evidence NONE = path -> Map.of();

    /**
     * What was seen at the hops of a path.
     *
     * @return for each hop that was looked at, words that say what was seen and when; hops not looked at are absent
     */
    Map<HopKind, Sight> of(SignalPath path);

    /**
     * One look.
     *
     * @param arrived whether the signal was there
     */
    record Sight(boolean arrived, String text) {}

    /** The look at one hop. */
    default Optional<Sight> at(SignalPath path, HopKind hop) {
        return Optional.ofNullable(of(path).get(hop));
    }
}
