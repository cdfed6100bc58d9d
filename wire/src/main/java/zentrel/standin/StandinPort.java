package zentrel.standin;

import java.util.Optional;
import zentrel.plan.Loss;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/**
 * A port of a stand-in.
 *
 * @param id what events call it
 * @param wire the universe number it is set to
 * @param output whether it passes levels out; a port set to input does not
 * @param enabled whether it takes anything at all
 * @param live whether preview data must not reach it (ANSI E1.31-2018 §6.2.6); a previs may show it
 * @param merge what it does with sources of equal priority
 * @param sources how many sources it takes at most; empty where nobody has said
 * @param loss what it does when nothing comes any more
 */
public record StandinPort(
        String id,
        Protocol protocol,
        int wire,
        boolean output,
        boolean enabled,
        boolean live,
        Merge merge,
        Optional<Integer> sources,
        Loss loss) {
    /** A live port that holds the last look. */
    public StandinPort(String id, Protocol protocol, int wire, boolean output, boolean enabled, Merge merge) {
        this(id, protocol, wire, output, enabled, true, merge, Optional.empty(), Loss.HOLD);
    }

    /** The same, which merges by the highest level. */
    public StandinPort(String id, Protocol protocol, int wire, boolean output, boolean enabled) {
        this(id, protocol, wire, output, enabled, Merge.HTP);
    }
}
