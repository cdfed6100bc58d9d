package zentrel.net.sim;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Random;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.path.Reason;

/**
 * A simulated network: computers, switches and cables with a clock of their own. Nothing in it is real but the bytes. The same seed and
 * the same calls give the same packets at the same times. It knows nothing of a plan; whoever builds it says what its parts are called.
 *
 * <p>It is used by one thread, or by one at a time; only {@link #stop} may come from another.
 */
public final class SimNet {
    /** From one end of a cable to the other, with what a switch needs for it; common practice, no source. */
    static final long CABLE_NANOS = 10_000;

    /** Of a run, how many parts are told as progress. */
    private static final int PARTS = 100;

    /** A moment at which something happens. */
    private static final class Moment implements Comparable<Moment>, Clock.Timer {
        private final long order;
        private final long period;
        private final Runnable task;
        private long time;
        private boolean cancelled;

        Moment(long time, long order, long period, Runnable task) {
            this.time = time;
            this.order = order;
            this.period = period;
            this.task = task;
        }

        @Override
        public void cancel() {
            cancelled = true;
        }

        @Override
        public int compareTo(Moment o) {
            return time == o.time ? Long.compare(order, o.order) : Long.compare(time, o.time);
        }

        @Override
        public boolean equals(@org.jspecify.annotations.Nullable Object o) {
            return this == o;
        }

        @Override
        public int hashCode() {
            return Long.hashCode(order);
        }
    }

    private final class SimClock implements Clock {
        @Override
        public long now() {
            return now;
        }

        @Override
        public Timer at(long nanos, Runnable task) {
            return add(nanos, 0, task);
        }

        @Override
        public Timer every(long first, long period, Runnable task) {
            if (period <= 0) {
                throw new IllegalArgumentException("A period is above 0 ns, not " + period + ".");
            }
            return add(first, period, task);
        }

        private Timer add(long nanos, long period, Runnable task) {
            Moment moment = new Moment(Math.max(nanos, now), orders++, period, task);
            moments.add(moment);
            return moment;
        }
    }

    private final PriorityQueue<Moment> moments = new PriorityQueue<>();
    private final SimClock clock = new SimClock();
    private final Random random;
    private final Map<String, SimHost> hosts = new LinkedHashMap<>();
    private final Map<String, SimSwitch> switches = new LinkedHashMap<>();
    private final List<Consumer<Drop>> dropListeners = new ArrayList<>();
    private final List<Arrivals> arrivalListeners = new ArrayList<>();
    private final List<Sends> sendListeners = new ArrayList<>();
    private final List<Departures> departureListeners = new ArrayList<>();
    private long now;
    private long orders;
    private long packets;
    private long macs = 0x0200_0000_0000L; // locally administered (IEEE 802)
    private volatile boolean stopped;

    /** Told of each packet that a program gets. */
    @FunctionalInterface
    public interface Arrivals {
        /**
         * A packet arrived.
         *
         * @param packet its number
         * @param adapter by which adapter
         * @param program what the net calls the program
         */
        void arrived(long packet, String adapter, String program);
    }

    /** Told of each packet that a program sends, whether it gets anywhere or not. */
    @FunctionalInterface
    public interface Sends {
        /**
         * A packet is sent.
         *
         * @param packet its number
         * @param program what the net calls the program
         * @param payload not to be written to
         */
        void sent(long packet, String program, Ipv4Address to, byte[] payload);
    }

    /** Told of each packet that leaves a computer. */
    @FunctionalInterface
    public interface Departures {
        /**
         * A packet leaves.
         *
         * @param adapter what the net calls the adapter
         */
        void left(long packet, String adapter);
    }

    /** An empty network at time 0. */
    public SimNet(long seed) {
        this(seed, 0);
    }

    /** An empty network at a time, in ns. */
    public SimNet(long seed, long begin) {
        random = new Random(seed);
        now = begin;
    }

    public Clock clock() {
        return clock;
    }

    Random random() {
        return random;
    }

    /** Adds a computer. */
    public SimHost addHost(String place, HostTraits traits) {
        SimHost host = new SimHost(this, place, traits);
        if (hosts.putIfAbsent(place, host) != null) {
            throw new IllegalArgumentException("There are two computers called \"" + place + "\".");
        }
        return host;
    }

    /** Adds a switch or an access point. */
    public SimSwitch addSwitch(String place, SwitchTraits traits) {
        SimSwitch box = new SimSwitch(this, place, traits);
        if (switches.putIfAbsent(place, box) != null) {
            throw new IllegalArgumentException("There are two switches called \"" + place + "\".");
        }
        return box;
    }

    /** Joins two sockets by a cable. */
    public void cable(String place, SimSocket from, SimSocket to, boolean connected) {
        from.joinTo(to, place, connected);
    }

    long nextMac() {
        return ++macs;
    }

    long nextPacket() {
        return ++packets;
    }

    /** Told of each packet that ends before a program gets it. */
    public void onDrop(Consumer<Drop> listener) {
        dropListeners.add(listener);
    }

    public void onArrival(Arrivals listener) {
        arrivalListeners.add(listener);
    }

    public void onSend(Sends listener) {
        sendListeners.add(listener);
    }

    void sent(long packet, String program, Ipv4Address to, byte[] payload) {
        for (int i = 0; i < sendListeners.size(); i++) {
            sendListeners.get(i).sent(packet, program, to, payload);
        }
    }

    public void onDeparture(Departures listener) {
        departureListeners.add(listener);
    }

    void left(long packet, String adapter) {
        for (int i = 0; i < departureListeners.size(); i++) {
            departureListeners.get(i).left(packet, adapter);
        }
    }

    void drop(long packet, Reason reason, String place) {
        if (!dropListeners.isEmpty() && packet != 0) {
            Drop drop = new Drop(now, packet, reason, place);
            dropListeners.forEach(l -> l.accept(drop));
        }
    }

    void arrived(long packet, String adapter, String program) {
        arrivalListeners.forEach(l -> l.arrived(packet, adapter, program));
    }

    /** Hands a frame to some sockets when it has come through their cables. */
    void deliver(List<SimSocket> to, Frame frame) {
        if (!to.isEmpty()) {
            clock.at(now + CABLE_NANOS, () -> {
                for (int i = 0; i < to.size(); i++) {
                    to.get(i).receive(frame);
                }
            });
        }
    }

    /** Lets time pass. */
    public void pass(long nanos) {
        boolean unused = run(nanos, done -> {});
    }

    /**
     * Lets time pass.
     *
     * @param progress told what part is done, from 0 to 1, now and then
     * @return whether it ran to its end; false where it was stopped
     */
    public boolean run(long nanos, DoubleConsumer progress) {
        stopped = false;
        long start = now;
        long end = start + nanos;
        for (int part = 1; part <= PARTS && !stopped; part++) {
            until(start + nanos / PARTS * part + (part == PARTS ? nanos % PARTS : 0));
            progress.accept((now - start) / (double) nanos);
        }
        return !stopped && now >= end;
    }

    private void until(long end) {
        for (Moment next = moments.peek(); next != null && next.time <= end && !stopped; next = moments.peek()) {
            moments.remove();
            if (next.cancelled) {
                continue;
            }
            now = next.time;
            next.task.run();
            if (next.period > 0 && !next.cancelled) {
                Moment again = next;
                again.time += again.period;
                moments.add(again);
            }
        }
        if (!stopped) {
            now = end;
        }
    }

    /** Lets time pass until something is so, and at most for a time; whether it is so. */
    public boolean await(long mostNanos, BooleanSupplier isSo) {
        stopped = false;
        long end = now + mostNanos;
        while (!isSo.getAsBoolean()) {
            Moment next = moments.peek();
            if (next == null || next.time > end) {
                now = end;
                return isSo.getAsBoolean();
            }
            until(next.time);
        }
        return true;
    }

    /** Ends the run that is under way; from any thread. */
    public void stop() {
        stopped = true;
    }
}
