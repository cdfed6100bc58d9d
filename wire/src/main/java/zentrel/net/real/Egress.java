package zentrel.net.real;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * Whether what is sent from an adapter's address would leave by that adapter. A socket bound to an address does not settle it:
 * several systems choose the adapter by their routes alone. So the system is asked before the first datagram to a destination and
 * again every second while it is in use, for routes change.
 *
 * <p>Multicast needs no route: the adapter is set on the socket. On loopback only 127/8 and multicast are let through, for an
 * adapter that leads nowhere cannot reach anything else.
 *
 * <p>What cannot be ensured: a route that changes between two questions is noticed after at most {@value #STALE_SECONDS} seconds.
 */
final class Egress {
    /** An answer older than this is asked for anew while it is still used. */
    static final int REFRESH_SECONDS = 1;

    /** An answer older than this is not used. */
    static final int STALE_SECONDS = 3;

    /** Destinations remembered at most; the one that was used longest ago is asked for anew. */
    private static final int MOST = 4096;

    private record Answer(Optional<String> refusal, long atNanos) {}

    private final String adapter;
    private final Ipv4Address own;
    private final HostAddress subnet;
    private final SystemRoutes routes;
    private final Executor background;
    private final Map<Ipv4Address, Answer> answers = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Ipv4Address, Answer> eldest) {
            return size() > MOST;
        }
    };
    private boolean refreshing;

    /**
     * For one adapter.
     *
     * @param adapter its name as the system gives it
     * @param background runs a question that nobody waits for
     */
    Egress(String adapter, HostAddress subnet, SystemRoutes routes, Executor background) {
        this.adapter = adapter;
        this.own = subnet.address();
        this.subnet = subnet;
        this.routes = routes;
        this.background = background;
    }

    /**
     * Why a datagram to a destination may not be sent, as a sentence; empty where it leaves by the adapter.
     *
     * @throws IOException if the system cannot be asked, so that nothing may be sent either
     */
    Optional<String> refusal(Ipv4Address to) throws IOException {
        if (to.isMulticast()) {
            return Optional.empty();
        }
        if (own.isLoopback()) {
            return to.isLoopback()
                    ? Optional.empty()
                    : Optional.of(to + " is not on loopback, so it cannot be reached from " + own
                            + ". Send from an address of the adapter that reaches it, and arm that adapter.");
        }
        if (to.isLoopback()) {
            return Optional.of(to + " is on loopback, so it cannot be reached from " + own + " by " + adapter
                    + ". Send from 127.0.0.1.");
        }
        synchronized (this) {
            long now = System.nanoTime();
            Answer answer = answers.get(to);
            if (answer == null || now - answer.atNanos() > TimeUnit.SECONDS.toNanos(STALE_SECONDS)) {
                put(routes.ask(own, List.of(to)));
                answer = answers.get(to);
            } else if (now - answer.atNanos() > TimeUnit.SECONDS.toNanos(REFRESH_SECONDS) && !refreshing) {
                refreshing = true;
                background.execute(this::refresh);
            }
            return answer == null
                    ? Optional.of("The system does not say how " + to + " is reached.")
                    : answer.refusal();
        }
    }

    private synchronized void put(Map<Ipv4Address, SystemRoutes.Way> ways) {
        long now = System.nanoTime();
        ways.forEach((to, way) -> answers.put(to, new Answer(judge(to, way), now)));
    }

    private void refresh() {
        List<Ipv4Address> inUse = new ArrayList<>();
        try {
            synchronized (this) {
                long oldest = System.nanoTime() - TimeUnit.SECONDS.toNanos(STALE_SECONDS);
                answers.forEach((to, answer) -> {
                    if (answer.atNanos() - oldest > 0) {
                        inUse.add(to);
                    }
                });
            }
            put(routes.ask(own, inUse));
        } catch (IOException e) {
            System.getLogger(Egress.class.getName())
                    .log(System.Logger.Level.WARNING, "The routes of this computer could not be read again.", e);
        } finally {
            synchronized (this) {
                refreshing = false;
            }
        }
    }

    private Optional<String> judge(Ipv4Address to, SystemRoutes.Way way) {
        return switch (way.kind()) {
            case LEAVES ->
                way.adapter().equals(adapter)
                        ? Optional.empty()
                        : Optional.of("This computer sends to " + to + " by " + way.adapter() + ", not by " + adapter
                                + ". Send from an address of " + way.adapter() + ", or change the routes.");
            case HERE ->
                to.equals(own)
                        ? Optional.empty() // a program on this computer that listens at the same address
                        : Optional.of(to + " is an address of this computer, so nothing for it leaves by " + adapter
                                + ". Send from " + to + " itself, or from 127.0.0.1.");
            case NONE ->
                Optional.of("This computer has no route from " + subnet + " (" + adapter + ") to " + to
                        + ". Use an address in the same subnet, or add a route.");
            case UNKNOWN ->
                Optional.of("This computer does not say by which adapter it sends to " + to
                        + ", so nothing is sent there.");
        };
    }
}
