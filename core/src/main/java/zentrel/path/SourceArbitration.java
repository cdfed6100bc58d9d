package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Hop 9: whether the port is on, and which of the sources that reach it wins there. */
final class SourceArbitration {
    private final PathContext context;
    private final BiPredicate<Stream, Port> arrives;

    /** @param arrives whether a stream gets as far as a port, whoever wins there */
    SourceArbitration(PathContext context, BiPredicate<Stream, Port> arrives) {
        this.context = context;
        this.arrives = arrives;
    }

    HopDraft judge(Stream stream, Port port) {
        HopDraft hop = new HopDraft(HopKind.WINS, port.id());
        hop.passes(
                port.id(),
                Facts.as(
                        port.kind() == PortKind.DMX ? "output-on" : "port-on",
                        "port",
                        port,
                        "program",
                        stream.application()));
        if (port.direction().inForce() == Direction.INPUT) {
            hop.broken(Reason.WRONG_WAY, port.id(), Facts.of("port", port));
        }
        if (!port.enabled().inForce()) {
            hop.broken(Reason.PORT_OFF, port.id(), Facts.of("port", port));
        }
        if (stream.preview() && port.kind() == PortKind.DMX) {
            hop.broken(Reason.PREVIEW, stream.id(), Facts.of("stream", stream));
        }
        sync(hop, stream);
        ownLevels(hop, stream);
        rivals(hop, stream, port);
        return hop;
    }

    /** A console that passes its input on and sends levels of its own mixes the two. */
    private void ownLevels(HopDraft hop, Stream stream) {
        Application from = context.index.application(stream.application());
        boolean own = stream.ownLevels()
                .or(() -> from.output(stream.protocol()).ownLevels())
                .map(Setting::inForce)
                .orElse(false);
        if (!own || from.kind() != ApplicationKind.CONSOLE) {
            return;
        }
        context.index.portsOf(stream.universe()).stream()
                .filter(p -> p.protocol().inForce().onNetwork()
                        && context.index.applicationOf(p.id()).id().equals(from.id())
                        && context.index.receiverOf(p.id()).inputOn().inForce())
                .findFirst()
                .ifPresent(p -> hop.atRisk(
                        Reason.OWN_LEVELS,
                        from.id(),
                        Facts.of(
                                "program",
                                from,
                                "universe",
                                context.index.universe(stream.universe()),
                                "port",
                                p,
                                "protocol",
                                stream.protocol(),
                                "stream",
                                stream)));
    }

    /** Data that names a synchronisation universe waits for its packets (ANSI E1.31-2018, sections 6.2.4 and 11). */
    private void sync(HopDraft hop, Stream stream) {
        Application from = context.index.application(stream.application());
        stream.sync()
                .filter(on -> stream.protocol() == Protocol.SACN
                        && !from.output(Protocol.SACN).sync().equals(Optional.of(on)))
                .ifPresent(on -> {
                    Optional<Integer> other = from.output(Protocol.SACN).sync();
                    Facts facts =
                            Facts.as(other.isPresent() ? "another" : "", "stream", stream, "sync", on, "program", from);
                    hop.atRisk(
                            Reason.SYNC_MISSING,
                            stream.id(),
                            other.map(o -> facts.and("sends", o)).orElse(facts));
                });
    }

    private void rivals(HopDraft hop, Stream stream, Port port) {
        Optional<Integer> wire = context.index.wireOf(stream);
        if (wire.isEmpty() || stream.standby() || !sends(stream, context)) {
            return;
        }
        List<Stream> reaching = new ArrayList<>(List.of(stream));
        for (Stream rival : context.streamsOn(stream.protocol(), wire.get())) {
            if (rival.id().equals(stream.id())
                    || context.isOwnInput(rival, port)
                    || !sends(rival, context)
                    || !arrives.test(rival, port)) {
                continue;
            }
            reaching.add(rival);
            Application other = context.index.application(rival.application());
            oneIdentity(hop, stream, other, port);
            if (inSession(hop, stream, rival)) {
                continue;
            }
            if (stream.protocol() == Protocol.SACN
                    && !rival.priority().inForce().equals(stream.priority().inForce())) {
                int mine = stream.priority().inForce();
                int theirs = rival.priority().inForce();
                hop.passes(
                        port.id(),
                        Facts.as(
                                mine > theirs ? "priority-wins" : "priority-waits",
                                "mine",
                                mine,
                                "theirs",
                                theirs,
                                "rival",
                                other));
                continue;
            }
            if (rival.universe().equals(stream.universe())
                    && context.index.universe(stream.universe()).merge()) {
                cannotMerge(hop, stream, other, port);
                hop.passes(port.id(), Facts.as("merged", "rival", other));
                continue;
            }
            fight(hop, stream, rival, port);
        }
        tooMany(hop, reaching, port);
    }

    /** Two sources with one identity are one to a receiver, which then finds their sequence out of order (§6.7.2). */
    private void oneIdentity(HopDraft hop, Stream stream, Application other, Port port) {
        Application own = context.index.application(stream.application());
        if (stream.protocol() == Protocol.SACN
                && own.installed().cid().isPresent()
                && own.installed().cid().equals(other.installed().cid())) {
            Application later = context.plan.applications().indexOf(own)
                            > context.plan.applications().indexOf(other)
                    ? own
                    : other;
            hop.atRisk(
                    Reason.ONE_IDENTITY,
                    later.id(),
                    Facts.of(
                            "program",
                            own,
                            "rival",
                            other,
                            "port",
                            port,
                            "cid",
                            own.installed().cid().get(),
                            "later",
                            later));
        }
    }

    /** A merge is meant where the receiver takes one source: which one it takes is its own choice. */
    private void cannotMerge(HopDraft hop, Stream stream, Application other, Port port) {
        Receiver receiver = context.index.receiverOf(port.id());
        if (receiver.merge() != Merge.NONE) {
            return;
        }
        hop.atRisk(
                Reason.CANNOT_MERGE,
                receiver.id(),
                Facts.of(
                        "program",
                        stream.application(),
                        "rival",
                        other,
                        "universe",
                        context.index.universe(stream.universe()),
                        "receiver",
                        receiver,
                        "stream",
                        stream));
    }

    /**
     * Two desks of one session: a remote works on the main desk and sends nothing itself; a backup sends below the main desk, or
     * stands by.
     *
     * @return whether that is all that is to be said of the two
     */
    private boolean inSession(HopDraft hop, Stream stream, Stream rival) {
        Optional<Session> session = context.index.sessionOf(stream.application());
        if (session.isEmpty()
                || !session.equals(context.index.sessionOf(rival.application()))
                || stream.application().equals(rival.application())) {
            return false;
        }
        Stream low = rank(stream) >= rank(rival) ? stream : rival;
        Stream high = low.id().equals(stream.id()) ? rival : stream;
        boolean byPriority = stream.protocol() == Protocol.SACN;
        int lows = low.priority().inForce();
        int highs = high.priority().inForce();
        Part part = context.index.partOf(low.application()).orElseThrow();
        Facts facts = Facts.of(
                "program",
                low.application(),
                "session",
                session.get(),
                "universe",
                context.index.universe(low.universe()),
                "low",
                lows,
                "main",
                high.application(),
                "high",
                highs,
                "stream",
                low);
        if (part == Part.REMOTE) {
            if (byPriority && lows > highs) {
                hop.broken(Reason.REMOTE_OUTPUTS, low.application(), facts.in("outranks"));
            } else {
                hop.atRisk(
                        Reason.REMOTE_OUTPUTS,
                        low.application(),
                        facts.in(byPriority && lows < highs ? "waits" : "mixes"));
            }
            return true;
        }
        if (part == Part.BACKUP && byPriority && lows > highs) {
            hop.broken(Reason.BACKUP_OUTRANKS, low.application(), facts);
            return true;
        }
        return false;
    }

    private void tooMany(HopDraft hop, List<Stream> reaching, Port port) {
        Receiver receiver = context.index.receiverOf(port.id());
        int most = receiver.taking().sources().orElse(Integer.MAX_VALUE);
        if (reaching.size() > most) {
            Stream last = reaching.stream()
                    .max(Comparator.comparingInt((Stream s) -> rank(s))
                            .thenComparingInt(s -> context.plan.streams().indexOf(s)))
                    .orElseThrow();
            hop.atRisk(
                    Reason.TOO_MANY_SOURCES,
                    last.application(),
                    Facts.of(
                            "sources",
                            reaching.size(),
                            "port",
                            port,
                            "receiver",
                            receiver,
                            "most",
                            most,
                            "last",
                            last.application(),
                            "stream",
                            last));
        }
    }

    private void fight(HopDraft hop, Stream a, Stream b, Port port) {
        Stream loser = Comparator.comparingInt((Stream s) -> rank(s))
                                .thenComparingInt(s -> context.plan.streams().indexOf(s))
                                .compare(a, b)
                        > 0
                ? a
                : b;
        Stream winner = loser.id().equals(a.id()) ? b : a;
        boolean sacn = loser.protocol() == Protocol.SACN;
        hop.atRisk(
                Reason.TWO_SOURCES,
                loser.application(),
                Facts.as(
                        sacn ? "sacn" : "",
                        "winner",
                        winner.application(),
                        "loser",
                        loser.application(),
                        "protocol",
                        loser.protocol(),
                        "wire",
                        context.index.wireOf(loser).orElse(0),
                        "port",
                        port,
                        "priority",
                        loser.priority().inForce(),
                        "winning",
                        winner,
                        "losing",
                        loser));
    }

    /** Who should give way: a remote before a backup before a desk of no session before a primary. */
    private int rank(Stream stream) {
        return context.index
                .partOf(stream.application())
                .map(part -> switch (part) {
                    case PRIMARY -> 0;
                    case BACKUP -> 2;
                    case REMOTE, PREVIS, NODE -> 3;
                })
                .orElse(1);
    }

    static boolean sends(Stream s, PathContext context) {
        Application from = context.index.application(s.application());
        return s.enabled().inForce()
                && !s.standby()
                && from.output(s.protocol()).enabled().inForce()
                && from.installed().runs()
                && context.unmet(from).filter(Readiness.Unmet::stops).isEmpty();
    }
}
