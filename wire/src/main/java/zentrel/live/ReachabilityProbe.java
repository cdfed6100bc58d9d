package zentrel.live;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import zentrel.compare.SeenAdapter;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.UdpPort;
import zentrel.net.real.RealNet;
import zentrel.packet.Decoded;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.source.Sources;

/**
 * Asks planned addresses whether somebody answers there, many at once: by ping, and what is silent to that by an Art-Net poll
 * where it would answer one. Nothing is set and nothing lights up.
 */
public final class ReachabilityProbe implements AutoCloseable {
    /** How many are asked at the same time. */
    private static final int AT_ONCE = 24;

    private static final Duration POLL_LIMIT = Duration.ofMillis(Math.round(Sources.ARTPOLL_LIMIT.value() * 1000));

    /**
     * One address to ask.
     *
     * @param polls whether it takes Art-Net and so answers polls
     */
    public record Question(Ipv4Address address, boolean polls) {}

    /**
     * What came back.
     *
     * @param answers whether somebody answered
     * @param how the rest of the sentence: "to ping, after 3 ms"
     */
    public record Answer(Ipv4Address address, boolean answers, String how) {}

    private final List<SeenAdapter> own;
    private final Ping ping;
    private final Duration limit;
    private final NetHost host = new Guarded(new RealNet(), new OutputGuard(OutputGuard.State.ASK));
    private final ExecutorService workers = Executors.newFixedThreadPool(AT_ONCE, r -> {
        Thread thread = new Thread(r, "asking");
        thread.setDaemon(true);
        return thread;
    });
    private final Map<Ipv4Address, UdpPort> ports = new HashMap<>();
    private final Map<Ipv4Address, CountDownLatch> replies = new ConcurrentHashMap<>();
    private final Set<Ipv4Address> refused = ConcurrentHashMap.newKeySet();
    private volatile boolean stopped;

    /**
     * Asks nobody yet.
     *
     * @param own the adapters of this computer, from which polls are sent
     * @param limit how long one ping may take
     */
    public ReachabilityProbe(List<SeenAdapter> own, Ping ping, Duration limit) {
        this.own = List.copyOf(own);
        this.ping = ping;
        this.limit = limit;
    }

    /**
     * Starts asking and returns at once.
     *
     * @param heard gets each answer, in the order in which they come, on any thread
     * @param done is run after the last one; not after {@link #close}
     */
    public void start(List<Question> questions, Consumer<Answer> heard, Runnable done) {
        AtomicInteger left = new AtomicInteger(questions.size());
        if (questions.isEmpty()) {
            done.run();
            return;
        }
        for (Question question : questions) {
            workers.execute(() -> {
                Optional<Answer> answer = ask(question);
                if (!stopped) {
                    answer.ifPresent(heard);
                    if (left.decrementAndGet() == 0) {
                        done.run();
                    }
                }
            });
        }
    }

    private Optional<Answer> ask(Question question) {
        try {
            long start = System.nanoTime();
            Optional<Boolean> pinged = ping.answers(question.address(), limit);
            if (pinged.orElse(false)) {
                return Optional.of(new Answer(question.address(), true, "to ping" + after(start)));
            }
            long polled = System.nanoTime();
            if (question.polls() && poll(question.address())) {
                return Optional.of(new Answer(question.address(), true, "to an Art-Net poll" + after(polled)));
            }
            List<String> silent = new ArrayList<>();
            silent.add(pinged.isPresent() ? "to ping" : "this computer has no ping");
            if (question.polls()) {
                silent.add(
                        from(question.address())
                                        .filter(f -> !refused.contains(f))
                                        .isPresent()
                                ? "to an Art-Net poll"
                                : "no poll could be sent");
            }
            if (from(question.address()).isEmpty()) {
                silent.add("this computer has no address in its range");
            }
            return Optional.of(new Answer(question.address(), false, String.join(", ", silent)));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty(); // told to stop
        }
    }

    private static String after(long start) {
        return ", after " + TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start) + " ms";
    }

    /** The own address from which another one is on the same link. */
    private Optional<Ipv4Address> from(Ipv4Address to) {
        return own.stream()
                .filter(SeenAdapter::up)
                .flatMap(a -> a.addresses().stream())
                .filter(a -> a.sees(to))
                .map(HostAddress::address)
                .findFirst();
    }

    private boolean poll(Ipv4Address to) throws InterruptedException {
        Optional<Ipv4Address> from = from(to);
        if (from.isEmpty()) {
            return false;
        }
        CountDownLatch reply = replies.computeIfAbsent(to, a -> new CountDownLatch(1));
        try {
            UdpPort port = port(from.get());
            byte[] poll = ArtNetCodec.encode(ArtPoll.plain());
            if (!host.call(() -> port.send(SendIntent.ASKING, to, ArtNetPacket.PORT, poll))
                    .left()) {
                refused.add(from.get());
                return false;
            }
        } catch (IOException e) {
            refused.add(from.get()); // the port is another program's, or the way is closed; told with the answer
            return false;
        }
        return reply.await(POLL_LIMIT.toMillis(), TimeUnit.MILLISECONDS);
    }

    private synchronized UdpPort port(Ipv4Address from) throws IOException {
        if (stopped) {
            throw new IOException("It was stopped.");
        }
        UdpPort open = ports.get(from);
        if (open == null) {
            NetAdapter adapter = host.adapterAt(from)
                    .orElseThrow(() -> new IOException("No adapter of this computer has the address " + from + "."));
            open = host.open(PortRequest.at(adapter, ArtNetPacket.PORT).withBroadcasts(), this::replied);
            ports.put(from, open);
        }
        return open;
    }

    private void replied(Packet packet) {
        if (ArtNetCodec.decode(packet.bytes()) instanceof Decoded.Packet<?> p && p.value() instanceof ArtPollReply) {
            CountDownLatch waiting = replies.get(packet.source());
            if (waiting != null) {
                waiting.countDown();
            }
        }
    }

    /** Stops asking; what is on its way is not told any more. */
    @Override
    public void close() {
        stopped = true;
        workers.shutdownNow();
        host.close();
    }
}
