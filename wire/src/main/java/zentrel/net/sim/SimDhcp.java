package zentrel.net.sim;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.source.Sources;

/**
 * How simulated adapters come by an address: they ask a DHCP server (RFC 2131, of which only asking and giving is here), and where none
 * answers they assign themselves one of 169.254/16 (RFC 3927). Until then they have none.
 */
public final class SimDhcp {
    /** From one question to the next, doubled each time up to the last (RFC 2131 §4.1). */
    private static final long FIRST_WAIT = TimeUnit.SECONDS.toNanos(4);

    private static final long LONGEST_WAIT = TimeUnit.SECONDS.toNanos(64);

    /** How long a computer asks before it assigns itself an address. */
    private static final long PATIENCE = Math.round(Sources.DHCP_WAIT.value() * 1e9);

    /** The first and the last address that may be self-assigned (RFC 3927 §2.1), and their mask. */
    private static final Ipv4Address FIRST_OWN = Ipv4Address.of(169, 254, 1, 0);

    private static final int OWN_COUNT = 254 * 256;
    private static final int OWN_PREFIX = 16;

    /** Claiming takes from four to seven seconds (RFC 3927 §2.2.1 and §9). */
    private static final long LEAST_CLAIM = TimeUnit.SECONDS.toNanos(4);

    private static final long CLAIM_SPREAD = TimeUnit.SECONDS.toNanos(3);

    /** Gives out addresses at an adapter. */
    static final class Server {
        private final SimAdapter at;
        private final Ipv4Address first;
        private final Ipv4Address last;
        private final Map<Long, Ipv4Address> leases = new HashMap<>();

        Server(SimAdapter at, Ipv4Address first, Ipv4Address last) {
            this.at = at;
            this.first = first;
            this.last = last;
        }

        /** Answers one that asks, as long as the pool has any. */
        void asked(long client) {
            Ipv4Address lease = leases.get(client);
            for (Ipv4Address next = first; lease == null && next.compareTo(last) <= 0; next = next.plus(1)) {
                if (!leases.containsValue(next) && !at.has(next)) {
                    lease = next;
                }
            }
            if (lease != null && !at.addresses().isEmpty()) {
                leases.put(client, lease);
                HostAddress given = new HostAddress(lease, at.addresses().get(0).prefixLength());
                at.transmit(Frame.of(0, at.mac(), client, new Frame.Dhcp(client, given, true)));
            }
        }
    }

    private final SimAdapter adapter;
    private final Clock clock;
    private boolean settled;

    private SimDhcp(SimAdapter adapter) {
        this.adapter = adapter;
        this.clock = adapter.net().clock();
    }

    /** An adapter begins to ask; its address comes with time. */
    static SimDhcp begin(SimAdapter adapter) {
        SimDhcp client = new SimDhcp(adapter);
        client.ask(FIRST_WAIT);
        client.clock.at(client.clock.now() + PATIENCE, client::claim);
        return client;
    }

    private void ask(long wait) {
        if (settled) {
            return;
        }
        HostAddress none = new HostAddress(Ipv4Address.ANY, 32);
        adapter.transmit(Frame.of(0, adapter.mac(), Frame.EVERYBODY, new Frame.Dhcp(adapter.mac(), none, false)));
        clock.at(clock.now() + wait, () -> ask(Math.min(2 * wait, LONGEST_WAIT)));
    }

    void given(HostAddress address) {
        if (!settled) {
            settled = true;
            adapter.with(address);
            adapter.announce();
        }
    }

    private void claim() {
        if (settled) {
            return;
        }
        long takes = LEAST_CLAIM + (long) (adapter.net().random().nextDouble() * CLAIM_SPREAD);
        Ipv4Address wanted = FIRST_OWN.plus(adapter.net().random().nextInt(OWN_COUNT));
        clock.at(clock.now() + takes, () -> given(new HostAddress(wanted, OWN_PREFIX)));
    }
}
