package zentrel.standin;

import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.source.Sources;

/**
 * Art-Net levels that wait for the ArtSync of their source: once a source has sent one, its levels wait for the next, unless the port
 * merges several sources (Art-Net 4, ArtSync). Not for several threads at once.
 */
final class ArtSyncHold {
    /** How long an ArtSync keeps a node synchronous. */
    private static final long LAPSE_NANOS = Math.round(Sources.ARTSYNC_LAPSE.value() * 1e9);

    private static final int MOST = 4096;
    private static final int PATIENCE_SECONDS = 60;

    private final Predicate<Ipv4Address> planned;
    private final BoundedTable<Ipv4Address, long[]> lastSync = new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private final HeldLevels<Ipv4Address> held = new HeldLevels<>();

    ArtSyncHold(Predicate<Ipv4Address> planned) {
        this.planned = planned;
    }

    void sync(Ipv4Address from, long now) {
        lastSync.use(from, planned.test(from), now, () -> new long[1]).ifPresent(last -> last[0] = now);
        held.release(from);
    }

    /** Whether levels wait now. */
    boolean holds(Ipv4Address from, boolean merging, String port, Runnable apply, long now) {
        boolean waits = !merging
                && lastSync.get(from)
                        .filter(last -> now - last[0] < LAPSE_NANOS)
                        .isPresent();
        if (waits) {
            held.hold(from, port, apply, now);
        }
        return waits;
    }

    void sweep(long now) {
        held.sweep(now, LAPSE_NANOS);
    }
}
