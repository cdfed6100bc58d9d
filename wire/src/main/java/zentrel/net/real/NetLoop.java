package zentrel.net.real;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.CancelledKeyException;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.util.Iterator;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import zentrel.net.Clock;

/**
 * The turn of the real network: one thread and one selector for all ports and times of this process. It survives whatever a packet's
 * handler or a timer throws.
 */
final class NetLoop implements Clock {
    private static final System.Logger LOG = System.getLogger(NetLoop.class.getName());

    /** Kinds of failures logged; more of them say nothing new. */
    private static final int MOST_KINDS = 20;

    /** How long the loop rests after it failed as a whole, so that a failure that stays does not take a processor for itself. */
    private static final long REST_NANOS = TimeUnit.MILLISECONDS.toNanos(50);

    private static final NetLoop SHARED = new NetLoop();

    /** What reads a socket that has something. */
    interface Reader {
        void read(DatagramChannel channel) throws IOException;
    }

    private static final class Timed implements Comparable<Timed>, Timer {
        private final Runnable task;
        private final long period;
        private final long order;
        private long due;
        private volatile boolean cancelled;

        Timed(Runnable task, long due, long period, long order) {
            this.task = task;
            this.due = due;
            this.period = period;
            this.order = order;
        }

        @Override
        public void cancel() {
            cancelled = true;
        }

        @Override
        @SuppressWarnings("ComparatorMethodParameterNotUsed")
        public int compareTo(Timed o) {
            return due == o.due ? Long.compare(order, o.order) : Long.compare(due - o.due, 0);
        }
    }

    private final Selector selector;
    private final Thread thread;
    private final ConcurrentLinkedQueue<Runnable> tasks = new ConcurrentLinkedQueue<>();
    private final PriorityQueue<Timed> times = new PriorityQueue<>();
    private final Set<String> loggedKinds = ConcurrentHashMap.newKeySet();
    private long orders;

    private NetLoop() {
        try {
            selector = Selector.open();
        } catch (IOException e) {
            throw new UncheckedIOException("This computer lets no program wait for packets.", e);
        }
        thread = new Thread(this::turns, "net");
        thread.setDaemon(true);
        thread.start();
    }

    /** The one of this process. */
    static NetLoop shared() {
        return SHARED;
    }

    boolean isTurn() {
        return Thread.currentThread().equals(thread);
    }

    /** Does something in the next turn, or at once where this is one. */
    void run(Runnable task) {
        if (isTurn()) {
            task.run();
            return;
        }
        tasks.add(task);
        selector.wakeup();
    }

    @Override
    public long now() {
        return System.nanoTime();
    }

    @Override
    public Timer at(long nanos, Runnable task) {
        return add(task, nanos, 0);
    }

    @Override
    public Timer every(long first, long period, Runnable task) {
        if (period <= 0) {
            throw new IllegalArgumentException("A period is above 0 ns, not " + period + ".");
        }
        return add(task, first, period);
    }

    private Timer add(Runnable task, long due, long period) {
        if (isTurn()) {
            Timed timed = new Timed(task, due, period, orders++);
            times.add(timed);
            return timed;
        }
        Timed timed = new Timed(task, due, period, 0);
        run(() -> times.add(timed));
        return timed;
    }

    /** Reads a channel from now on. */
    void register(DatagramChannel channel, Reader reader) throws IOException {
        channel.configureBlocking(false);
        channel.register(selector, SelectionKey.OP_READ, reader);
    }

    private void turns() {
        while (true) {
            try {
                await();
                for (Runnable task = tasks.poll(); task != null; task = tasks.poll()) {
                    guarded("A task of the network failed; the next ones are done.", task);
                }
                readAll();
                doWhatIsDue();
            } catch (IOException | RuntimeException | Error e) {
                failed("The network had a turn that failed; it goes on.", e);
                LockSupport.parkNanos(REST_NANOS);
            }
        }
    }

    /** Waits for packets, tasks or the next time. A selector waits in whole milliseconds, so the rest is waited for without it. */
    private void await() throws IOException {
        Timed next = times.peek();
        if (!tasks.isEmpty()) {
            selector.selectNow();
        } else if (next == null) {
            selector.select();
        } else {
            long left = next.due - now();
            long millis = TimeUnit.NANOSECONDS.toMillis(left);
            if (left <= 0 || selector.selectNow() > 0) {
                if (left <= 0) {
                    selector.selectNow();
                }
            } else if (millis > 0) {
                selector.select(millis);
            } else {
                LockSupport.parkNanos(left);
                selector.selectNow();
            }
        }
    }

    private void readAll() {
        for (Iterator<SelectionKey> keys = selector.selectedKeys().iterator(); keys.hasNext(); ) {
            SelectionKey key = keys.next();
            keys.remove();
            try {
                if (key.isReadable() && key.attachment() instanceof Reader reader) {
                    reader.read((DatagramChannel) key.channel());
                }
            } catch (ClosedChannelException | CancelledKeyException e) {
                key.cancel(); // it was closed in the meantime
            } catch (IOException e) {
                failed("A socket could not be read; it is tried again.", e);
            }
        }
    }

    private void doWhatIsDue() {
        long now = now();
        for (Timed next = times.peek(); next != null && next.due - now <= 0; next = times.peek()) {
            times.remove();
            if (next.cancelled) {
                continue;
            }
            guarded("Something timed failed; it is done again at its time.", next.task);
            if (next.period > 0 && !next.cancelled) {
                long late = now - next.due;
                next.due += next.period * (late / next.period + 1); // on its grid, without those missed
                times.add(next);
            }
        }
    }

    private void guarded(String what, Runnable task) {
        try {
            task.run();
        } catch (RuntimeException | Error e) {
            failed(what, e);
        }
    }

    /** Logs the first of each kind; at the limit of open files even logging throws. */
    void failed(String what, Throwable e) {
        if (loggedKinds.size() >= MOST_KINDS
                || !loggedKinds.add(what + " " + e.getClass().getSimpleName())) {
            return;
        }
        try {
            LOG.log(System.Logger.Level.WARNING, what, e);
        } catch (RuntimeException | Error worse) {
            loggedKinds.add(what); // nothing more can be said
        }
    }
}
