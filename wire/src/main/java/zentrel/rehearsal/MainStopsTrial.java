package zentrel.rehearsal;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Session;

/**
 * Measures in a rehearsal what is seen when the main desk of a session stops: it loses its network in the middle of a fade that every desk of
 * the session plays, and each port is watched until it moves again.
 */
public final class MainStopsTrial {
    private static final int SLOT = 512;
    private static final int FULL = 255;
    private static final long STEP = 25_000_000;
    private static final double NANOS = 1e9;

    /** How long the rehearsal runs before: nodes are found, groups joined. */
    private static final double SETTLING_SECONDS = 8;

    /** How far the fade is when the main desk stops. */
    private static final double BEFORE_SECONDS = 1;

    /** How long is waited for a port to move; longer than any source is held (Art-Net 10 s). */
    private static final double PATIENCE_SECONDS = 12;

    /** What differs by no more than the steps of a fade is no step of its own. */
    private static final double STILL_SECONDS = 0.1;

    private final Plan plan;
    private final Session session;
    private final double fadeSeconds;
    private volatile boolean stopped;

    /** @param fadeSeconds of the fade from 0 to full in which the main desk stops */
    public MainStopsTrial(Plan plan, Session session, double fadeSeconds) {
        this.plan = plan;
        this.session = session;
        this.fadeSeconds = fadeSeconds;
    }

    /**
     * What one port did.
     *
     * @param seconds how long its level stood still after the main desk had stopped; empty where it moved no more
     * @param before its level when the main desk stopped, 0 to 255
     * @param after the first other level
     */
    public record Measured(Id<Port> port, OptionalDouble seconds, int before, int after) {
        /** The step that is seen, in levels of 0 to 255. */
        public int step() {
            return Math.max(0, after - before);
        }
    }

    /**
     * Rehearses it.
     *
     * @param stopping the program that leads
     * @param watched ports that are watched
     * @param progress told what part is done, from 0 to 1
     * @throws IOException with a sentence, where the plan cannot be rehearsed
     */
    public List<Measured> run(Id<Application> stopping, List<Id<Port>> watched, DoubleConsumer progress)
            throws IOException {
        Rehearsal rehearsal = new Rehearsal(plan, 1);
        desksTo(rehearsal, 0);
        boolean unused = rehearsal.run(SETTLING_SECONDS, done -> progress.accept(done / 2));
        List<Port> ports =
                watched.stream().distinct().map(p -> plan.index().port(p)).toList();
        for (long at = 0; at < BEFORE_SECONDS * NANOS; at += STEP) {
            desksTo(rehearsal, faded(at));
            rehearsal.pass(STEP);
        }
        Application main = plan.index().application(stopping);
        rehearsal.cut(plan.index().host(main.host()));
        Map<Port, Integer> before = new LinkedHashMap<>();
        ports.forEach(p -> before.put(p, rehearsal.level(p, SLOT)));
        Map<Port, Measured> moved = new LinkedHashMap<>();
        long begin = Math.round(BEFORE_SECONDS * NANOS);
        long last = Math.round(PATIENCE_SECONDS * NANOS);
        for (long since = 0; since < last && moved.size() < ports.size() && !stopped; since += STEP) {
            desksTo(rehearsal, faded(begin + since));
            rehearsal.pass(STEP);
            double seconds = (since + STEP) / NANOS;
            for (Port port : ports) {
                int level = rehearsal.level(port, SLOT);
                int stood = before.getOrDefault(port, 0);
                if (!moved.containsKey(port) && level != stood && !isOnItsWay(seconds)) {
                    moved.put(port, new Measured(port.id(), OptionalDouble.of(seconds), stood, level));
                } else if (!moved.containsKey(port) && level != stood) {
                    before.put(port, level); // what the main desk had sent before it stopped
                }
            }
            progress.accept(0.5 + 0.5 * since / last);
        }
        List<Measured> all = new ArrayList<>();
        ports.forEach(p -> all.add(Optional.ofNullable(moved.get(p)).orElseGet(() -> {
            int stood = before.getOrDefault(p, 0);
            return new Measured(p.id(), OptionalDouble.empty(), stood, stood);
        })));
        return List.copyOf(all);
    }

    /** Ends the run that is under way soon; from any thread. What it returns then is of no use. */
    public void stop() {
        stopped = true;
    }

    public boolean isStopped() {
        return stopped;
    }

    private static boolean isOnItsWay(double seconds) {
        return seconds < STILL_SECONDS;
    }

    private int faded(long nanos) {
        return (int) Math.round(Math.min(1, nanos / NANOS / fadeSeconds) * FULL);
    }

    private void desksTo(Rehearsal rehearsal, int level) {
        session.desks().forEach(d -> rehearsal.setSlot(d.application(), SLOT, level));
    }
}
