package zentrel.standin;

import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import zentrel.net.UdpPort;
import zentrel.universe.SacnUniverse;

/**
 * The multicast groups of synchronization addresses (ANSI E1.31-2018 §11), joined for the sources that a port has taken: one
 * address for each source, at most {@value #MOST} in all, changed at most once a second. So no stranger makes a stand-in open one
 * socket after another. Not for several threads at once.
 */
final class SyncGroups {
    /** More synchronization addresses than any rig uses at once: common practice is one. */
    static final int MOST = 16;

    private static final long SECOND = TimeUnit.SECONDS.toNanos(1);

    private record Use(int address, long sinceNanos) {}

    private final UdpPort port;
    private final Set<Integer> lasting;
    private final Map<Object, Use> uses = new HashMap<>();
    private final Map<Integer, Integer> users = new HashMap<>();
    private final Set<Integer> joined = new HashSet<>();

    /** @param lasting universes that are joined anyway, and stay */
    SyncGroups(UdpPort port, Set<Integer> lasting) {
        this.port = port;
        this.lasting = lasting;
    }

    /** A source that a port has taken says that it is synchronized by an address; 0 where it is not. */
    void use(Object source, int address, long nowNanos) throws IOException {
        Use now = uses.get(source);
        if (now == null ? address == 0 : now.address() == address || nowNanos - now.sinceNanos() < SECOND) {
            return;
        }
        release(source);
        if (address == 0 || (!isHeard(address) && joined.size() >= MOST)) {
            return;
        }
        uses.put(source, new Use(address, nowNanos));
        users.merge(address, 1, Integer::sum);
        if (!isHeard(address)) {
            port.join(SacnUniverse.group(address));
            joined.add(address);
        }
    }

    private boolean isHeard(int address) {
        return lasting.contains(address) || joined.contains(address);
    }

    /** A source is gone: its group is left where no other source uses it. */
    void release(Object source) {
        Use before = uses.remove(source);
        if (before != null
                && users.merge(before.address(), -1, (a, b) -> a + b == 0 ? null : a + b) == null
                && joined.remove(before.address())) {
            port.leave(SacnUniverse.group(before.address()));
        }
    }

    /** Whether some source is synchronized by an address. */
    boolean isUsed(int address) {
        return users.containsKey(address);
    }
}
