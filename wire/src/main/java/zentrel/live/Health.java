package zentrel.live;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;

/** Judges what arrives, and ties it to the plan. */
public final class Health {
    private static final double FASTEST_DMX = 44.5;

    /** A jitter of half the time between packets is uneven. */
    private static final double UNEVEN = 0.5;

    /** Slower sources repeat an unchanged look, at times that are nobody's promise. */
    private static final double LIVELY = 5;

    /** A source that has been gone for longer is no news, in ns. */
    private static final long NEWS = 600_000_000_000L;

    private record Numbered(Protocol protocol, int wire) {}

    private final Map<Numbered, Id<?>> planned = new HashMap<>();
    private final Map<Integer, Long> syncs;
    private final long now;
    private final List<HealthFinding> findings = new ArrayList<>();
    private final boolean hasPlan;

    private Health(Plan plan, Map<Integer, Long> syncs, long now) {
        this.syncs = syncs;
        this.now = now;
        plan.receivers()
                .forEach(r -> r.ports()
                        .forEach(p -> p.wire()
                                .ifPresent(w -> planned.putIfAbsent(
                                        new Numbered(p.protocol().inForce(), w.inForce()), p.id()))));
        plan.streams()
                .forEach(s ->
                        plan.index().wireOf(s).ifPresent(w -> planned.put(new Numbered(s.protocol(), w), s.id())));
        hasPlan = !planned.isEmpty();
    }

    /**
     * The findings, the worst first.
     *
     * @param syncs when synchronization packets of each sACN universe were heard last
     * @param now in ns by the net's clock
     */
    public static List<HealthFinding> of(Plan plan, List<UniverseSeen> universes, Map<Integer, Long> syncs, long now) {
        Health health = new Health(plan, syncs, now);
        universes.forEach(health::universe);
        health.findings.sort(Comparator.comparing(HealthFinding::kind));
        return health.findings;
    }

    private void universe(UniverseSeen u) {
        String name = u.protocol().title() + " " + u.number();
        if (u.isLive() && u.winners().size() > 1) {
            add(
                    HealthFinding.Kind.FIGHT,
                    u,
                    u.winners(),
                    u.winners().stream().map(StreamSeen::title).collect(Collectors.joining(" and ")),
                    name
                            + (u.protocol() == Protocol.SACN
                                    ? " has priority " + u.winners().get(0).priority() + " from both"
                                    : " comes from both, and a node merges them"));
        }
        for (StreamSeen s : u.sources()) {
            source(u, s, name);
        }
        if (hasPlan && !planned.containsKey(new Numbered(u.protocol(), u.number()))) {
            add(HealthFinding.Kind.NOT_PLANNED, u, u.sources(), name, titles(u));
        }
    }

    private static String titles(UniverseSeen u) {
        return u.sources().stream().map(StreamSeen::title).distinct().limit(3).collect(Collectors.joining(", "));
    }

    private void source(UniverseSeen u, StreamSeen s, String name) {
        List<StreamSeen> it = List.of(s);
        s.otherAddress()
                .ifPresent(other -> add(
                        HealthFinding.Kind.ONE_CID_TWICE,
                        u,
                        it,
                        name,
                        s.source().toString(),
                        other.toString()));
        if (s.state() == StreamSeen.State.SILENT && now - s.last() < NEWS) {
            add(HealthFinding.Kind.GONE, u, it, name, s.title(), (now - s.last()) / 1_000_000_000L + " s");
        }
        if (s.state() != StreamSeen.State.SENDS) {
            return;
        }
        if (s.sync() != 0 && now - syncs.getOrDefault(s.sync(), Long.MIN_VALUE / 2) > 2_500_000_000L) {
            add(HealthFinding.Kind.NO_SYNC, u, it, name, s.title(), "" + s.sync());
        }
        if (s.lost() > 0) {
            add(HealthFinding.Kind.LOST, u, it, name, "" + s.lost(), "" + (s.packets() + s.lost()), s.title());
        }
        if (s.twice() > 0) {
            add(HealthFinding.Kind.TWICE, u, it, name, "" + s.twice(), s.title());
        }
        if (s.outOfOrder() > s.twice()) {
            add(HealthFinding.Kind.OUT_OF_ORDER, u, it, name, "" + (s.outOfOrder() - s.twice()), s.title());
        }
        double rate = s.ratePerSecond();
        if (rate > LIVELY && s.packets() > 40 && s.jitter() > UNEVEN * 1e9 / rate) {
            add(HealthFinding.Kind.JITTER, u, it, name, s.title(), "" + Math.round(s.jitter() / 1e6));
        }
        if (rate > FASTEST_DMX) {
            add(HealthFinding.Kind.TOO_FAST, u, it, name, s.title(), "" + Math.round(rate));
        }
        if (s.preview()) {
            add(HealthFinding.Kind.PREVIEW, u, it, name, s.title());
        }
    }

    private void add(HealthFinding.Kind kind, UniverseSeen u, List<StreamSeen> sources, String... values) {
        findings.add(new HealthFinding(
                kind,
                u.protocol(),
                u.number(),
                sources,
                Optional.ofNullable(planned.get(new Numbered(u.protocol(), u.number()))),
                List.of(values),
                sources.stream().mapToLong(StreamSeen::last).max().orElse(now)));
    }
}
