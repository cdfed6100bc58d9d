package zentrel.app.bench;

import java.io.IOException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.rehearsal.RehearsedNet;

/** The plan rehearsed: its stand-ins on a simulated network, seen from one segment. */
final class PlayedRehearsal implements PlayedNet {
    private static final double SLOW = 0.9;

    private final RehearsedNet net;
    private @Nullable String slow;

    PlayedRehearsal(Plan plan, Id<Segment> segment) throws IOException {
        net = new RehearsedNet(plan, segment, System.nanoTime());
    }

    @Override
    public NetHost host() {
        return net;
    }

    @Override
    public NetAdapter adapter() {
        return net.adapter();
    }

    @Override
    public void advance(long nanos) {
        long passed = net.advance(nanos);
        double part = nanos == 0 ? 1 : passed / (double) nanos;
        slow = part < SLOW
                ? "This plan is too large to be rehearsed as fast as it would be: × %.2f of it.".formatted(part)
                : null;
    }

    @Override
    public Optional<String> trouble() {
        return Optional.ofNullable(slow);
    }

    @Override
    public Optional<Span> span() {
        return Optional.empty();
    }

    @Override
    public boolean goTo(long time) {
        return false;
    }

    @Override
    public void close() {
        net.close();
    }
}
