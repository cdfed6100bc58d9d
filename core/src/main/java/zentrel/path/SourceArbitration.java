package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import zentrel.plan.*;

/** Hop 9: whether the port is on, and which of the sources that reach it wins there. */
final class SourceArbitration {
    private final PathContext context;
    private final Remedies remedies;
    private final BiPredicate<Stream, Port> arrives;

    /** @param arrives whether a stream gets as far as a port, whoever wins there */
    SourceArbitration(PathContext context, Remedies remedies, BiPredicate<Stream, Port> arrives) {
        this.context = context;
        this.remedies = remedies;
        this.arrives = arrives;
    }

    HopDraft judge(Stream stream, Port port) {
        HopDraft hop = new HopDraft(HopKind.WINS, port.id());
        String name = context.index.name(port.id());
        hop.passes(
                port.id(),
                port.kind() == PortKind.DMX ? "output, on" : "on",
                name + " is on, and " + context.index.name(stream.application()) + " has it alone.");
        if (port.direction().inForce() == Direction.INPUT) {
            hop.broken(
                    Reason.WRONG_WAY,
                    port.id(),
                    "set to input",
                    name
                            + " is set to input, so it sends what comes in by DMX instead of passing levels out. Set it to output.",
                    List.of(remedies.portOutput(port)));
        }
        if (!port.enabled().inForce()) {
            hop.broken(
                    Reason.PORT_OFF,
                    port.id(),
                    "switched off",
                    name + " is switched off. Switch it on there.",
                    List.of(remedies.portOn(port)));
        }
        if (stream.preview() && port.kind() == PortKind.DMX) {
            hop.broken(
                    Reason.PREVIEW,
                    stream.id(),
                    "preview data",
                    context.index.name(stream.id())
                            + " is marked as preview, which must not reach live output (ANSI E1.31-2018 §6.2.6).",
                    List.of(remedies.live(stream)));
        }
        sync(hop, stream);
        rivals(hop, stream, port);
        return hop;
    }

    /** Data that names a synchronisation universe waits for its packets (ANSI E1.31-2018, sections 6.2.4 and 11). */
    private void sync(HopDraft hop, Stream stream) {
        Application from = context.index.application(stream.application());
        stream.sync()
                .filter(on -> stream.protocol() == Protocol.SACN
                        && !from.output(Protocol.SACN).sync().equals(Optional.of(on)))
                .ifPresent(on -> hop.atRisk(
                        Reason.SYNC_MISSING,
                        stream.id(),
                        "no sync on " + on,
                        context.index.name(stream.id()) + " says that it waits for synchronisation on " + on + ", and "
                                + context.index.name(from.id())
                                + from.output(Protocol.SACN)
                                        .sync()
                                        .map(s -> " sends it on " + s)
                                        .orElse(" sends none")
                                + ": a receiver that keeps to it holds its data back. Send it, or send without.",
                        List.of(remedies.noSync(stream), remedies.sendSync(from, on))));
    }

    private void rivals(HopDraft hop, Stream stream, Port port) {
        Optional<Integer> wire = context.index.wireOf(stream);
        if (wire.isEmpty() || stream.standby() || !sends(stream, context)) {
            return;
        }
        List<Stream> reaching = new ArrayList<>(List.of(stream));
        for (Stream rival : context.streamsOn(stream.protocol(), wire.get())) {
            if (rival.id().equals(stream.id()) || !sends(rival, context) || !arrives.test(rival, port)) {
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
                        mine > theirs ? mine + " over " + theirs : mine + " behind " + theirs,
                        mine > theirs
                                ? "Its priority " + mine + " wins over " + context.index.name(other.id()) + " at "
                                        + theirs + "."
                                : context.index.name(other.id()) + " wins with priority " + theirs
                                        + "; this one waits at " + mine + ".");
                continue;
            }
            if (rival.universe().equals(stream.universe())
                    && context.index.universe(stream.universe()).merge()) {
                cannotMerge(hop, stream, other, port);
                hop.passes(
                        port.id(),
                        "merged on purpose",
                        "It is merged with " + context.index.name(other.id()) + ", as meant.");
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
                    "one identity",
                    context.index.name(own.id()) + " and " + context.index.name(other.id()) + " both send to "
                            + context.index.name(port.id())
                            + " under the identity " + own.installed().cid().get()
                            + ", so they count as one source and most of their packets as late ones. Give "
                            + context.index.name(later.id()) + " an identity of its own.",
                    List.of(remedies.ownIdentity(later)));
        }
    }

    /** A merge is meant where the receiver takes one source: which one it takes is its own choice. */
    private void cannotMerge(HopDraft hop, Stream stream, Application other, Port port) {
        Receiver receiver = context.index.receiverOf(port.id());
        if (receiver.merge() != Merge.NONE) {
            return;
        }
        Application own = context.index.application(stream.application());
        hop.atRisk(
                Reason.CANNOT_MERGE,
                receiver.id(),
                "cannot merge",
                context.index.name(own.id()) + " and " + context.index.name(other.id()) + " both send "
                        + context.index.universe(stream.universe()).label() + " to be merged, and "
                        + context.index.name(receiver.id())
                        + " takes one source only; which of the two is not specified. Silence one of them, or let it win by"
                        + " priority.",
                List.of(remedies.silence(stream)));
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
        String names = context.index.name(low.application()) + ", "
                + (part == Part.REMOTE ? "a remote" : "the backup") + " of "
                + session.get().name() + ",";
        String main = context.index.name(high.application());
        String universe = context.index.universe(low.universe()).label();
        if (part == Part.REMOTE) {
            List<Edit> edits = List.of(remedies.silence(low));
            if (byPriority && lows > highs) {
                hop.broken(
                        Reason.REMOTE_OUTPUTS,
                        low.application(),
                        "remote at " + lows,
                        names + " sends " + universe + " with priority " + lows + "; " + main + " sends it with "
                                + highs + ", so the remote takes over. Switch its output off.",
                        edits);
            } else {
                hop.atRisk(
                        Reason.REMOTE_OUTPUTS,
                        low.application(),
                        "remote sends too",
                        names + " sends " + universe + " too"
                                + (byPriority && lows < highs
                                        ? ", with priority " + lows + ": it takes over when " + main + " at " + highs
                                                + " stops"
                                        : ": its levels mix with those of " + main)
                                + ". Switch its output off.",
                        edits);
            }
            return true;
        }
        if (part == Part.BACKUP && byPriority && lows > highs) {
            hop.broken(
                    Reason.BACKUP_OUTRANKS,
                    low.application(),
                    "backup at " + lows,
                    names + " sends " + universe + " with priority " + lows + "; " + main + " sends it with " + highs
                            + ", so the backup has control. Set the backup to a priority below " + highs + ".",
                    List.of(remedies.setPriority(low, Math.max(0, highs - 10)), remedies.silence(low)));
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
                    reaching.size() + " sources, takes " + most,
                    reaching.size() + " sources reach " + context.index.name(port.id()) + ", and "
                            + context.index.name(receiver.id())
                            + " takes " + most + " at most; which of them it drops is its own choice. Silence "
                            + context.index.name(last.application()) + ".",
                    List.of(remedies.silence(last)));
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
        Universe universe = context.index.universe(loser.universe());
        List<Edit> edits = new ArrayList<>();
        edits.add(remedies.silence(loser));
        if (loser.protocol() == Protocol.SACN && winner.priority().inForce() > 0) {
            edits.add(remedies.setPriority(loser, Math.max(0, winner.priority().inForce() - 10)));
        }
        if (loser.universe().equals(winner.universe())) {
            edits.add(remedies.meantToMerge(universe));
        }
        Application winning = context.index.application(winner.application());
        Application losing = context.index.application(loser.application());
        hop.atRisk(
                Reason.TWO_SOURCES,
                losing.id(),
                context.index.name(winning.id()) + " and " + context.index.name(losing.id()),
                context.index.name(winning.id()) + " and " + context.index.name(losing.id()) + " both send "
                        + loser.protocol().title() + " "
                        + context.index.wireOf(loser).orElse(0) + " to " + context.index.name(port.id())
                        + (loser.protocol() == Protocol.SACN
                                ? " at priority " + loser.priority().inForce()
                                : "")
                        + ", and no merge is meant. Silence " + context.index.name(losing.id()) + ", or say who wins.",
                edits);
    }

    /** Who should give way: a remote before a backup before a desk of no session before a primary. */
    private int rank(Stream stream) {
        return context.index
                .partOf(stream.application())
                .map(part -> switch (part) {
                    case PRIMARY -> 0;
                    case BACKUP -> 2;
                    case REMOTE -> 3;
                })
                .orElse(1);
    }

    static boolean sends(Stream s, PathContext context) {
        return s.enabled().inForce()
                && !s.standby()
                && context.index
                        .application(s.application())
                        .output(s.protocol())
                        .enabled()
                        .inForce();
    }
}
