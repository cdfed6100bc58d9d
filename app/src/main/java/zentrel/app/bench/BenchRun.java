package zentrel.app.bench;

import java.io.IOException;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Daemons;
import zentrel.app.shell.Evidence;
import zentrel.file.Settings;
import zentrel.net.BoundedTable;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.plan.Application;
import zentrel.plan.ControlLink;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Stream;
import zentrel.standin.NotModelled;
import zentrel.standin.PlanRun;
import zentrel.standin.StandinEvent;
import zentrel.text.Counted;

/**
 * A run of the plan's stand-ins, and what was seen in it. Starting and stopping happen on a thread of its own; events
 * come on any thread and are kept here under a lock, for the view to read.
 */
final class BenchRun implements Evidence, AutoCloseable {
    private static final long TROUBLES_PAUSE_NANOS = 10_000_000_000L;
    private static final int MOST_LINES = 300;

    /** Sources by universe and receiver kept; those of the plan always have room. */
    private static final int MOST_HEARD = 20_000;

    private static final int PATIENCE_SECONDS = 60;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss.SSS");

    private record HeardKey(Id<Application> at, String protocol, int wire, String from) {}

    private final OutputGuard guard = new OutputGuard(OutputGuard.State.LISTEN);
    private final ExecutorService starter = Executors.newSingleThreadExecutor(r -> Daemons.of(r, "bench"));
    private final Deque<String> log = new ArrayDeque<>();
    private final BoundedTable<HeardKey, Long> heard = new BoundedTable<>(MOST_HEARD, PATIENCE_SECONDS);
    private final Map<String, Long> fed = new HashMap<>();
    private final Map<Id<ControlLink>, Long> cueSent = new HashMap<>();
    private final Map<String, Long> cueSeen = new HashMap<>();
    private final Map<String, Boolean> cueActed = new HashMap<>();
    private final AtomicBoolean news = new AtomicBoolean();
    private volatile @Nullable PlanRun run;
    private volatile long armedSinceNanos;
    private volatile Settings.Levels unit = Settings.Levels.BYTE;

    /** What was said of stand-ins that do not receive all, and when; on the JavaFX thread. */
    private List<String> troubles = List.of();

    private long troublesNanos = System.nanoTime() - TROUBLES_PAUSE_NANOS;

    /** In what levels are told from now on. */
    void tellIn(Settings.Levels levels) {
        unit = levels;
    }

    OutputGuard.State state() {
        return guard.state();
    }

    boolean isRunning() {
        return run != null;
    }

    Optional<PlanRun> run() {
        return Optional.ofNullable(run);
    }

    /** Whether something happened since this was last asked. */
    boolean takeNews() {
        PlanRun running = run;
        List<String> now = running == null ? List.of() : running.troubles();
        long time = System.nanoTime();
        if (!now.equals(troubles)
                && time - troublesNanos >= TROUBLES_PAUSE_NANOS) { // their count may grow all the time
            troubles = now;
            troublesNanos = time;
            now.forEach(this::line);
        }
        return news.getAndSet(false);
    }

    synchronized List<String> lines() {
        return new ArrayList<>(log);
    }

    private synchronized void line(String text) {
        log.addFirst(CLOCK.format(LocalTime.now(java.time.ZoneId.systemDefault())) + "  " + text);
        if (log.size() > MOST_LINES) {
            log.removeLast();
        }
        news.set(true);
    }

    // --- start and stop ---

    /** Starts the stand-ins of a plan in place of those that run; {@code done} is told on the JavaFX thread. */
    void start(Plan plan, Consumer<Optional<String>> done) {
        starter.execute(() -> {
            stopNow();
            synchronized (this) {
                heard.forget(System.nanoTime(), -1);
                fed.clear();
            }
            if (guard.state() == OutputGuard.State.LISTEN) {
                guard.set(OutputGuard.State.ASK);
            }
            try {
                PlanRun started = PlanRun.start(plan, guard, (at, event) -> event(plan, at, event));
                run = started;
                line(started.standinCount() + " stand-ins started on loopback"
                        + (guard.state() == OutputGuard.State.ARMED ? "" : "; no level leaves before output is armed"));
                notModelled(started.notModelled());
                Platform.runLater(() -> done.accept(Optional.empty()));
            } catch (IOException e) {
                guard.set(OutputGuard.State.LISTEN);
                line("The stand-ins could not start: " + e.getMessage());
                Platform.runLater(() -> done.accept(Optional.of("The stand-ins could not start. " + e.getMessage())));
            }
        });
    }

    /** Says what the stand-ins do not do, one of each kind and how many more there are. */
    private void notModelled(List<NotModelled> all) {
        Map<NotModelled.What, List<NotModelled>> kinds = new EnumMap<>(NotModelled.What.class);
        all.forEach(n -> kinds.computeIfAbsent(n.what(), w -> new ArrayList<>()).add(n));
        kinds.values()
                .forEach(kind -> line("not modelled: " + kind.get(0).words()
                        + (kind.size() > 1 ? " The same of " + (kind.size() - 1) + " more." : "")));
    }

    void stop(Runnable done) {
        guard.set(OutputGuard.State.LISTEN);
        starter.execute(() -> {
            stopNow();
            line("Stand-ins stopped");
            Platform.runLater(done);
        });
    }

    private void stopNow() {
        PlanRun running = run;
        run = null;
        if (running != null) {
            running.close();
        }
    }

    void arm() {
        try {
            guard.arm(RealNet.loopbackName());
        } catch (IOException e) {
            line("Output was not armed: " + e.getMessage());
            return;
        }
        armedSinceNanos = System.nanoTime();
        line("Output armed for loopback");
    }

    /** Stops all output at once: nothing but polls leaves after this returns. */
    void disarm() {
        if (guard.state() == OutputGuard.State.ARMED) {
            guard.set(OutputGuard.State.ASK);
            line("All output stopped");
        }
    }

    void sendCue(ControlLink link, Consumer<String> told) {
        PlanRun running = run;
        if (running == null) {
            told.accept("Start the stand-ins first.");
            return;
        }
        starter.execute(() -> {
            try {
                if (running.sendCue(link, List.of())) {
                    synchronized (this) {
                        cueSent.put(link.id(), System.nanoTime());
                        cueSeen.remove(link.pattern() + " " + link.to());
                    }
                    line(running.plan().index().name(link.from()) + " sent " + link.pattern() + " to port "
                            + link.port().inForce());
                } else {
                    Platform.runLater(() -> told.accept("Nothing left: arm loopback first."));
                }
            } catch (IOException e) {
                Platform.runLater(() -> told.accept("The cue could not be sent: " + e.getMessage()));
            }
        });
    }

    // --- what was seen ---

    private void event(Plan plan, Id<Application> at, StandinEvent event) {
        String name = plan.index().name(at);
        long now = System.nanoTime();
        PlanRun running = run;
        if (event instanceof StandinEvent.Heard e) {
            synchronized (this) {
                heard.use(
                        new HeardKey(at, e.protocol().word(), e.wire(), e.from().toString()),
                        running != null && running.table().at(e.from()).isPresent(),
                        now,
                        () -> now);
            }
            line(name + " receives " + e.protocol().title() + " " + e.wire() + " from "
                    + who(e.from().toString()));
        } else if (event instanceof StandinEvent.SourceFound e) {
            synchronized (this) {
                fed.put(e.port() + " " + e.from(), now);
            }
            line(plan.index().name(Kind.PORT.id(e.port())) + " receives it from "
                    + who(e.from().toString()));
        } else if (event instanceof StandinEvent.SourceLost e) {
            synchronized (this) {
                fed.remove(e.port() + " " + e.from());
            }
            line(plan.index().name(Kind.PORT.id(e.port())) + " lost "
                    + who(e.from().toString()) + ": " + e.why());
        } else if (event instanceof StandinEvent.Levels e) {
            line(plan.index().name(Kind.PORT.id(e.port())) + " puts out " + levels(e.changed()));
        } else if (event instanceof StandinEvent.Osc e) {
            boolean meant = plan.links().stream().anyMatch(l -> l.pattern().equals(e.address()));
            synchronized (this) {
                if (meant) {
                    cueSeen.put(e.address() + " " + at, now);
                    cueActed.put(e.address() + " " + at, e.acted());
                }
            }
            line(name + " received " + e.address() + " from " + who(e.from().toString())
                    + (e.acted() ? " and acts" : " and does nothing"));
        } else if (event instanceof StandinEvent.Found e) {
            line(name + " found " + who(e.node().toString()) + " with Port-Addresses " + e.portAddresses());
        } else if (event instanceof StandinEvent.NotListed e) {
            line(name + " received " + Counted.of(e.packets(), "more packet") + " of this kind, not listed one by one");
        } else if (event instanceof StandinEvent.NotSent e) {
            line(name + " could not send: " + e.why());
        } else if (event instanceof StandinEvent.Unreadable e) {
            line(name + " cannot read what " + e.from() + " sent: " + e.why());
        }
    }

    private String who(String address) {
        PlanRun running = run;
        if (running == null) {
            return address;
        }
        return running.table()
                .at(zentrel.ipv4.Ipv4Address.parse(address))
                .map(a -> running.plan().index().name(a))
                .orElse(address);
    }

    private String levels(Map<Integer, Integer> changed) {
        List<String> parts = new ArrayList<>();
        new java.util.TreeMap<>(changed)
                .forEach((slot, level) -> parts.add("slot " + slot + " = " + unit.words(level)));
        return String.join(", ", parts.subList(0, Math.min(4, parts.size())))
                + (parts.size() > 4 ? " and " + (parts.size() - 4) + " more" : "");
    }

    @Override
    public Map<HopKind, Sight> of(SignalPath path) {
        PlanRun running = run;
        if (running == null || path.source().isEmpty()) {
            return Map.of();
        }
        PlanIndex index = running.plan().index();
        Object signal = path.signal().flatMap(index::find).orElse(null);
        Optional<Id<Port>> port = path.receiver().flatMap(r -> r.as(Kind.PORT));
        if (signal instanceof Stream stream && port.isPresent()) {
            return ofStream(running, stream, port.get(), fixtureOf(path, running.plan()));
        }
        if (signal instanceof ControlLink link) {
            return ofLink(running, link);
        }
        return Map.of();
    }

    /** The fixture that a path is asked about; empty where it is asked about as a whole. */
    private static Optional<Fixture> fixtureOf(SignalPath path, Plan plan) {
        return path.hops()
                .filter(h -> h.kind() == HopKind.LEADS)
                .findFirst()
                .flatMap(h -> plan.index().find(h.at()))
                .filter(Fixture.class::isInstance)
                .map(Fixture.class::cast);
    }

    /** What the levels at a port light: of one fixture, or of all that is there. */
    private static Sight light(byte[] levels, Stream stream, Optional<Fixture> fixture) {
        int[] slots = fixture.map(f -> f.slotsIn(stream.universe()))
                .orElseGet(() -> IntStream.rangeClosed(1, levels.length))
                .toArray();
        long lit = Arrays.stream(slots).filter(s -> levels[s - 1] != 0).count();
        if (fixture.isPresent()) {
            return lit > 0
                    ? new Sight(true, lit + " of " + slots.length + " lit")
                    : new Sight(false, "any of " + slots.length);
        }
        return lit > 0 ? new Sight(true, Counted.of(lit, "slot") + " lit") : new Sight(false, "all zero");
    }

    private Map<HopKind, Sight> ofStream(PlanRun running, Stream stream, Id<Port> portId, Optional<Fixture> fixture) {
        Map<HopKind, Sight> sights = new EnumMap<>(HopKind.class);
        long sent = running.sentBy(stream.application());
        boolean settled =
                guard.state() == OutputGuard.State.ARMED && System.nanoTime() - armedSinceNanos > 4_000_000_000L;
        if (!running.sends(stream) || guard.state() != OutputGuard.State.ARMED) {
            return sights;
        }
        String from =
                running.table().of(stream.application()).map(Object::toString).orElse("");
        Port port = running.plan().index().port(portId);
        Id<Application> at = running.plan().index().applicationOf(portId).id();
        int wire = running.plan().index().wireOf(stream).orElse(-1);
        sights.put(HopKind.MEANS, new Sight(sent > 0, sent > 0 ? sent + " sent" : "none sent"));
        if (sent > 0) {
            sights.put(HopKind.BOUND, new Sight(true, from));
        }
        @Nullable Long since;
        @Nullable Long taken;
        synchronized (this) {
            since = heard.get(new HeardKey(at, stream.protocol().word(), wire, from))
                    .orElse(null);
            taken = fed.get(portId.value() + " " + from);
        }
        if (since == null && !settled) {
            return sights;
        }
        sights.put(
                HopKind.LET_IN,
                new Sight(
                        since != null,
                        since == null ? "at " + running.plan().index().name(at) : ago(since)));
        if (since != null) {
            boolean agrees = port.protocol().inForce() == stream.protocol()
                    && port.wire().filter(w -> w.inForce() == wire).isPresent();
            sights.put(HopKind.AGREES, new Sight(agrees, agrees ? String.valueOf(wire) : wire + " only"));
            sights.put(HopKind.WINS, new Sight(taken != null, taken != null ? ago(taken) : "no output"));
            if (taken != null) {
                sights.put(HopKind.LEADS, light(running.levels(port), stream, fixture));
            }
        }
        return sights;
    }

    private synchronized Map<HopKind, Sight> ofLink(PlanRun running, ControlLink link) {
        Map<HopKind, Sight> sights = new EnumMap<>(HopKind.class);
        Long sent = cueSent.get(link.id());
        if (sent == null) {
            return sights;
        }
        sights.put(HopKind.MEANS, new Sight(true, ago(sent)));
        sights.put(
                HopKind.BOUND,
                new Sight(
                        true,
                        running.table().of(link.from()).map(Object::toString).orElse("")));
        String key = link.pattern() + " " + link.to();
        Long seen = cueSeen.get(key);
        if (seen != null && seen >= sent) {
            sights.put(HopKind.LET_IN, new Sight(true, ago(seen)));
            sights.put(
                    HopKind.AGREES, new Sight(true, String.valueOf(link.port().inForce())));
            boolean acted = cueActed.getOrDefault(key, false);
            sights.put(HopKind.LEADS, new Sight(acted, acted ? link.pattern() : "does nothing"));
        } else if (System.nanoTime() - sent > 1_000_000_000L) {
            sights.put(
                    HopKind.LET_IN,
                    new Sight(false, "at " + running.plan().index().name(link.to())));
        }
        return sights;
    }

    private static String ago(long nanos) {
        long seconds = (System.nanoTime() - nanos) / 1_000_000_000L;
        return seconds < 1 ? "just now" : seconds < 120 ? seconds + " s ago" : seconds / 60 + " min ago";
    }

    @Override
    public void close() {
        guard.set(OutputGuard.State.LISTEN);
        stopNow();
        starter.shutdownNow();
    }
}
