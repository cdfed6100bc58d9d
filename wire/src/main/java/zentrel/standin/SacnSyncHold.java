package zentrel.standin;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;

/**
 * sACN levels that wait for the synchronization packet of their address: once one has come, and not for ever (ANSI E1.31-2018
 * §11.1). Not for several threads at once.
 */
final class SacnSyncHold {
    private static final System.Logger LOG = System.getLogger(SacnSyncHold.class.getName());

    /** How long data is held for a synchronization packet that stays away (§11; the loss time). */
    private static final long PATIENCE_NANOS = 2_500_000_000L;

    private final String name;
    private final SyncGroups groups;
    private final Map<Integer, Long> lastSync = new HashMap<>();
    private final HeldLevels<Integer> held = new HeldLevels<>();

    SacnSyncHold(String name, SyncGroups groups) {
        this.name = name;
        this.groups = groups;
    }

    void sync(int address, long now) {
        if (groups.isUsed(address)) { // else of a source that no port takes
            lastSync.put(address, now);
            held.release(address);
        }
    }

    /** Whether levels wait now. */
    boolean holds(SourceIdentity source, int address, String port, Runnable apply, long now) {
        try {
            groups.use(source, address, now);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, name + " could not join a synchronization group.", e);
        }
        Long last = lastSync.get(address);
        boolean waits = address != 0 && last != null && now - last < PATIENCE_NANOS;
        if (waits) {
            held.hold(address, port, apply, now);
        }
        return waits;
    }

    void release(SourceIdentity source) {
        groups.release(source);
    }

    void sweep(long now) {
        held.sweep(now, PATIENCE_NANOS);
        lastSync.keySet().removeIf(address -> !groups.isUsed(address));
    }
}
