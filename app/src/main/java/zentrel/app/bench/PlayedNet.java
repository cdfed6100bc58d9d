package zentrel.app.bench;

import java.io.IOException;
import java.util.Optional;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;

/** A net whose time goes on only as it is told to: a recording, or the plan rehearsed. Not for several threads at once. */
interface PlayedNet {
    NetHost host();

    /** What is looked at on it. */
    NetAdapter adapter();

    /** Lets time pass, in ns. */
    void advance(long nanos) throws IOException;

    /** What keeps it from going on as it should, as a sentence. */
    Optional<String> trouble();

    /** From when to when it lasts; empty where it has no end, or that is not known yet. */
    Optional<Span> span();

    /**
     * Goes to a time within its span; {@link #host} is another one afterwards.
     *
     * @return whether it can
     */
    boolean goTo(long time) throws IOException;

    void close() throws IOException;

    /**
     * A time from its start to its end.
     *
     * @param from in ns by the net's clock
     */
    record Span(long from, long to) {}
}
