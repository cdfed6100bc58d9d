package zentrel.path;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zentrel.plan.Id;

/**
 * One path, from one source to one thing that responds.
 *
 * @param source the sending application; empty where nobody sends
 * @param signal what is sent: the stream, the link or the session; empty where nobody sends
 * @param receiver the port, or for a link or a session the application; empty where nobody takes it
 * @param protocol artnet, sacn, osc, own or session
 * @param delivery the word for how it is delivered
 */
public record SignalPath(
        Optional<Id<?>> source,
        Optional<Id<?>> signal,
        Optional<Id<?>> receiver,
        String protocol,
        String delivery,
        List<Leg> legs) {
    public SignalPath {
        legs = List.copyOf(legs);
    }

    /** The worst hop decides. */
    public Verdict verdict() {
        return Verdict.worst(legs.stream().map(Leg::verdict).toList());
    }

    public Stream<Hop> hops() {
        return legs.stream().flatMap(l -> l.hops().stream());
    }

    public Stream<Issue> issues() {
        return hops().flatMap(h -> h.issues().stream());
    }

    /** Whether nothing is wrong, at risk or unknown on it. */
    boolean isClean() {
        for (Leg leg : legs) {
            for (Hop hop : leg.hops()) {
                if (!hop.issues().isEmpty()) {
                    return false;
                }
            }
        }
        return true;
    }

    /** The first hop with the path's verdict: where it dies, is at risk, or is not known. */
    public Optional<Hop> decisive() {
        Verdict worst = verdict();
        return worst.compareTo(Verdict.PASSES) <= 0
                ? Optional.empty()
                : hops().filter(h -> h.verdict() == worst).findFirst();
    }
}
