package zentrel.path;

import java.util.Collection;
import zentrel.text.Word;

/** What is said of a hop or a path, from harmless to worst. */
public enum Verdict implements Word {
    /** There is nothing to judge: two programs on one computer have no cable. */
    NOT_APPLICABLE,
    /** It arrives. */
    PASSES,
    /** The plan does not say enough. */
    NOT_KNOWN,
    /** It works by luck, load or loss. */
    AT_RISK,
    /** It does not arrive. */
    BROKEN;

    /** The verdict in words for people. */
    public String title() {
        return word().replace('-', ' ');
    }

    /** The worst of several; not applicable if there are none. */
    public static Verdict worst(Collection<Verdict> verdicts) {
        return verdicts.stream().max(Verdict::compareTo).orElse(NOT_APPLICABLE);
    }
}
