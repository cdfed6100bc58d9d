package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import zentrel.ipv4.HostAddress;
import zentrel.path.TransportJudge.Carried;
import zentrel.path.TransportJudge.Shipment;
import zentrel.plan.*;

/** Judges one flow: one stream towards one port. Hops 1 to 8 depend on the two ends alone and are kept. */
final class FlowJudge {
    private record Flow(StreamId stream, PortId port) {
        @Override
        public boolean equals(Object o) {
            return o instanceof Flow other && stream.equals(other.stream) && port.equals(other.port);
        }

        @Override
        public int hashCode() {
            return 31 * stream.hashCode() + port.hashCode();
        }
    }

    private final PathContext context;
    private final Remedies remedies;
    private final TransportJudge transport;
    private final PatchJudge patch;
    private final DirectJudge direct;
    private final Map<Flow, List<HopDraft>> firstEight = new ConcurrentHashMap<>();

    FlowJudge(PathContext context, Remedies remedies, TransportJudge transport, PatchJudge patch) {
        this.context = context;
        this.remedies = remedies;
        this.transport = transport;
        this.patch = patch;
        this.direct = new DirectJudge(context);
    }

    /** The path of a stream to a port, with hop 10 for one fixture, or for all on the port where none is named. */
    SignalPath path(Stream stream, Port port, Optional<Fixture> fixture) {
        Application from = context.index.application(stream.application());
        List<HopDraft> drafts = new ArrayList<>(firstEight(stream, port));
        drafts.add(wins(stream, port));
        HopDraft leads = new HopDraft(HopKind.LEADS, port.id());
        if (fixture.isPresent()) {
            patch.judge(leads, fixture.get());
        } else {
            patch.judge(leads, stream, port);
        }
        drafts.add(leads);
        Application to = context.index.applicationOf(port.id());
        return new SignalPath(
                Optional.of(from.id()),
                Optional.of(stream.id()),
                Optional.of(port.id()),
                stream.protocol().word(),
                stream.delivery().word(),
                List.of(new Leg(from.id(), to.id(), HopDraft.finish(drafts))));
    }

    /** Hops 9 of all flows need hops 1 to 8 of their rivals, so those are judged first and kept. */
    private List<HopDraft> firstEight(Stream stream, Port port) {
        return firstEight.computeIfAbsent(new Flow(stream.id(), port.id()), f -> judgeEight(stream, port));
    }

    private List<HopDraft> judgeEight(Stream stream, Port port) {
        Application from = context.index.application(stream.application());
        Receiver receiver = context.index.receiverOf(port.id());
        Application to = context.index.application(receiver.application());
        List<HopDraft> drafts = HopDraft.leg(from.id(), to.id()).subList(0, 8);
        int wire = means(drafts.get(0), stream, from, port);
        if (!stream.protocol().onNetwork()) {
            direct.judge(drafts, from, to);
            agrees(drafts, stream, from, receiver, to, port, wire, Optional.empty());
            return drafts;
        }
        Carried carried = transport.judge(
                drafts,
                new Shipment(
                        from,
                        Purpose.sending(stream.protocol()),
                        to,
                        Purpose.listening(stream.protocol()),
                        stream.protocol().traffic(),
                        stream.delivery(),
                        stream.delivery() == Delivery.UNICAST ? stream.to() : List.of(),
                        stream.id()));
        agrees(drafts, stream, from, receiver, to, port, wire, carried.destination());
        return drafts;
    }

    // --- hop 1 ---

    private int means(HopDraft hop, Stream stream, Application from, Port port) {
        Universe universe = context.index.universe(stream.universe());
        Protocol protocol = stream.protocol();
        int label = context.index.labelOf(stream);
        Optional<Integer> sent = context.index.wireOf(stream);
        int wire = sent.orElseGet(() -> port.wire().map(Setting::inForce).orElse(label));
        hop.passes(
                from.id(),
                universe.label() + " as " + wire,
                from.name() + " sends " + universe.label() + " as " + protocol.title() + " " + wire
                        + (stream.standby() ? "; it stands by until the primary stops" : "") + pending(stream) + ".");
        if (sent.isEmpty()) {
            hop.broken(
                    Reason.LABEL_NOT_COVERED,
                    stream.id(),
                    "no range for " + label,
                    "No " + protocol.title() + " range of " + from.name() + " covers its universe " + label
                            + ", so it is not sent.",
                    List.of(remedies.setStreamWire(stream, wire)));
        }
        if (!stream.enabled().inForce()) {
            hop.broken(
                    Reason.SOURCE_OFF,
                    stream.id(),
                    universe.label() + " switched off",
                    from.name() + " has " + universe.label() + " switched off for " + protocol.title()
                            + ". Switch it on there.",
                    List.of(remedies.enable(stream)));
        }
        if (!from.output(protocol).enabled().inForce()) {
            hop.broken(
                    Reason.SOURCE_OFF,
                    from.id(),
                    protocol.title() + " switched off",
                    protocol.title() + " output is switched off in " + from.name() + ". Switch it on there.",
                    List.of(remedies.enableOutput(from, protocol)));
        }
        context.beyondLimit(stream)
                .ifPresent(over -> hop.broken(
                        Reason.OVER_LIMIT,
                        from.id(),
                        universe.label() + " beyond " + over.limit(),
                        over.text(),
                        over.remedies()));
        if (!protocol.carries(wire)) {
            List<Edit> edits = new ArrayList<>();
            port.wire()
                    .map(Setting::inForce)
                    .filter(protocol::carries)
                    .ifPresent(w -> edits.add(remedies.setStreamWire(stream, w)));
            if (protocol.carries(universe.number())) {
                Edit send = remedies.setStreamWire(stream, universe.number());
                edits.add(send.and(remedies.setPortWire(port, universe.number()).change()));
            }
            hop.broken(
                    Reason.NUMBER_RANGE,
                    stream.id(),
                    wire + " does not exist",
                    from.name() + " sends " + universe.label() + " as " + protocol.title() + " " + wire + ", and "
                            + protocol.title() + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber()
                            + ".",
                    edits);
        }
        return wire;
    }

    private static String pending(Stream stream) {
        return stream.wire()
                .filter(Setting::isPending)
                .map(w -> " (" + w.planned() + " is planned, not in force)")
                .orElse("");
    }

    // --- hop 8, and what of it shows at 4, 6 and 7 ---

    private void agrees(
            List<HopDraft> drafts,
            Stream stream,
            Application from,
            Receiver receiver,
            Application to,
            Port port,
            int wire,
            Optional<HostAddress> destination) {
        HopDraft named = drafts.get(HopKind.NAMED.index());
        HopDraft taken = drafts.get(HopKind.TAKEN.index());
        HopDraft letIn = drafts.get(HopKind.LET_IN.index());
        HopDraft hop = drafts.get(HopKind.AGREES.index());
        Protocol protocol = stream.protocol();
        Protocol takes = port.protocol().inForce();
        if (!receiver.inputOn().inForce()) {
            letIn.broken(
                    Reason.INPUT_OFF,
                    receiver.id(),
                    "input off",
                    receiver.name() + " has its input switched off. Switch it on there.",
                    List.of(remedies.inputOn(receiver)));
        }
        if (stream.delivery() == Delivery.FOUND && !receiver.answersPolls()) {
            List<Edit> edits = destination
                    .map(d -> List.of(remedies.addToList(stream, d.address())))
                    .orElse(List.of());
            named.broken(
                    Reason.SILENT,
                    stream.id(),
                    "answers no polls",
                    receiver.name() + " answers no polls, so " + from.name()
                            + ", which sends to those found, never sends to it. Type its address in.",
                    edits);
        }
        if (takes != protocol || !receiver.protocols().contains(protocol)) {
            protocolDiffers(letIn, stream, from, receiver, port, wire);
            hop.passes(port.id(), "as set there", "The number is set together with the protocol.");
            return;
        }
        if (protocol.carries(wire) && !receiver.taking().takes(protocol, wire)) {
            letIn.broken(
                    Reason.NOT_TAKEN,
                    receiver.id(),
                    wire + " not taken",
                    receiver.name() + " takes " + protocol.title() + " "
                            + String.join(
                                    ", ",
                                    receiver.taking().of(protocol).stream()
                                            .map(NumberRange::toString)
                                            .toList())
                            + " only, and " + from.name() + " sends "
                            + context.index.universe(stream.universe()).label() + " as " + wire
                            + ". Let it take " + wire + " too.",
                    List.of(remedies.takeAlso(receiver, protocol, wire)));
        }
        if (port.wire().isEmpty()) {
            hop.notKnown(
                    Reason.NUMBER_NOT_KNOWN,
                    port.id(),
                    "port not set",
                    "Nobody has said what number " + context.index.name(port.id()) + " is set to; " + wire
                            + " arrives.");
            return;
        }
        Setting<Integer> set = port.wire().get();
        int waits = set.inForce();
        if (!protocol.carries(wire)) {
            hop.passes(port.id(), "as mended", "The number is judged where it is sent: " + wire + " does not exist.");
            wire = waits; // hop 1 says what is wrong with it; from there on it is taken as mended
        }
        String shown = to.shown(protocol, waits);
        hop.passes(
                port.id(),
                wire + " = " + waits,
                wire + " is sent, and " + context.index.name(port.id()) + " waits for " + waits
                        + (shown.equals(String.valueOf(waits)) ? "" : " (its screen shows " + shown + ")") + ".");
        if (!protocol.carries(waits)) {
            hop.broken(
                    Reason.PORT_NUMBER_RANGE,
                    port.id(),
                    waits + " does not exist",
                    context.index.name(port.id()) + " is set to " + protocol.title() + " " + waits + ", and "
                            + protocol.title() + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber()
                            + ".",
                    List.of(remedies.setPortWire(port, wire)));
            return;
        }
        if (waits == wire) {
            return;
        }
        boolean byOne = Math.abs(waits - wire) == 1;
        Reason reason = byOne ? Reason.OFF_BY_ONE : Reason.NUMBERS_DIFFER;
        String text = from.name() + " sends "
                + context.index.universe(stream.universe()).label() + " as " + protocol.title() + " "
                + protocol.numberTitle() + " " + wire + "; " + context.index.name(port.id()) + " waits for " + waits
                + (set.isPending() ? " (" + set.planned() + " is planned, not in force)" : "") + ". Set the port to "
                + wire + " (its screen shows "
                + to.shown(protocol, wire) + ").";
        List<Edit> edits = numberRemedies(stream, port, wire, waits);
        hop.broken(reason, port.id(), wire + " ≠ " + waits, text, edits);
        if (stream.delivery() == Delivery.FOUND) {
            named.add(
                    Reason.NOBODY_ASKED,
                    Verdict.BROKEN,
                    reason.rule(),
                    port.id(),
                    "none asked for " + wire,
                    text,
                    edits);
        } else if (stream.delivery() == Delivery.MULTICAST && port.protocol().inForce() == Protocol.SACN) {
            taken.add(
                    Reason.GROUP_NOT_JOINED,
                    Verdict.BROKEN,
                    reason.rule(),
                    port.id(),
                    "joined " + waits + ", not " + wire,
                    text,
                    edits);
        }
    }

    /** The port first, unless other sources of the port agree with it: then this source is the odd one. */
    private List<Edit> numberRemedies(Stream stream, Port port, int wire, int waits) {
        List<Edit> edits = new ArrayList<>();
        boolean othersAgree = context.streamsOn(stream.protocol(), waits).stream()
                .anyMatch(s -> !s.id().equals(stream.id())
                        && context.index.universesOf(port.id()).contains(s.universe()));
        if (stream.protocol().carries(wire)) {
            edits.add(remedies.setPortWire(port, wire));
        }
        edits.add(othersAgree ? 0 : edits.size(), remedies.setStreamWire(stream, waits));
        return edits;
    }

    private void protocolDiffers(
            HopDraft letIn, Stream stream, Application from, Receiver receiver, Port port, int wire) {
        Protocol protocol = stream.protocol();
        Protocol takes = port.protocol().inForce();
        boolean able = receiver.protocols().contains(protocol);
        List<Edit> edits = new ArrayList<>();
        if (able && protocol.carries(wire)) {
            edits.add(remedies.setPortProtocol(port, protocol, wire));
        }
        if (receiver.protocols().contains(protocol.other())) {
            edits.add(remedies.alsoSend(stream, port, protocol.other()));
        }
        String text = from.name() + " sends "
                + context.index.universe(stream.universe()).label() + " by " + protocol.title() + "; "
                + (able
                        ? context.index.name(port.id()) + " is set to " + takes.title() + ". Set it to "
                                + protocol.title() + " " + wire + "."
                        : receiver.name() + " takes " + protocol.other().title() + " only. Send it by "
                                + protocol.other().title() + ".");
        letIn.broken(
                Reason.PROTOCOL_DIFFERS,
                port.id(),
                protocol.title() + " ≠ " + (able ? takes : protocol.other()).title(),
                text,
                edits);
    }

    // --- hop 9 ---

    private HopDraft wins(Stream stream, Port port) {
        HopDraft hop = new HopDraft(HopKind.WINS, port.id());
        String name = context.index.name(port.id());
        hop.passes(
                port.id(),
                port.kind() == PortKind.DMX ? "output, on" : "on",
                name + " is on, and "
                        + context.index.application(stream.application()).name() + " has it alone.");
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
                                + from.name()
                                + from.output(Protocol.SACN)
                                        .sync()
                                        .map(s -> " sends it on " + s)
                                        .orElse(" sends none")
                                + ": a receiver that keeps to it holds its data back. Send it, or send without.",
                        List.of(remedies.noSync(stream), remedies.sendSync(from, on))));
    }

    private static boolean sends(Stream s, PathContext context) {
        return s.enabled().inForce()
                && !s.standby()
                && context.index
                        .application(s.application())
                        .output(s.protocol())
                        .enabled()
                        .inForce();
    }

    private void rivals(HopDraft hop, Stream stream, Port port) {
        Optional<Integer> wire = context.index.wireOf(stream);
        if (wire.isEmpty() || stream.standby() || !sends(stream, context)) {
            return;
        }
        List<Stream> reaching = new ArrayList<>(List.of(stream));
        for (Stream rival : context.streamsOn(stream.protocol(), wire.get())) {
            if (rival.id().equals(stream.id()) || !sends(rival, context) || !arrives(rival, port)) {
                continue;
            }
            reaching.add(rival);
            Application other = context.index.application(rival.application());
            oneIdentity(hop, stream, other, port);
            if (stream.protocol() == Protocol.SACN
                    && !rival.priority().inForce().equals(stream.priority().inForce())) {
                int mine = stream.priority().inForce();
                int theirs = rival.priority().inForce();
                hop.passes(
                        port.id(),
                        mine > theirs ? mine + " over " + theirs : mine + " behind " + theirs,
                        mine > theirs
                                ? "Its priority " + mine + " wins over " + other.name() + " at " + theirs + "."
                                : other.name() + " wins with priority " + theirs + "; this one waits at " + mine + ".");
                continue;
            }
            if (rival.universe().equals(stream.universe())
                    && context.index.universe(stream.universe()).merge()) {
                hop.passes(port.id(), "merged on purpose", "It is merged with " + other.name() + ", as meant.");
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
                    own.name() + " and " + other.name() + " both send to " + context.index.name(port.id())
                            + " under the identity " + own.installed().cid().get()
                            + ", so they count as one source and most of their packets as late ones. Give "
                            + later.name() + " an identity of its own.",
                    List.of(remedies.ownIdentity(later)));
        }
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
                    reaching.size() + " sources reach " + context.index.name(port.id()) + ", and " + receiver.name()
                            + " takes " + most + " at most; which of them it drops is its own choice. Silence "
                            + context.index.name(last.application()) + ".",
                    List.of(remedies.silence(last)));
        }
    }

    /** Whether a rival gets as far as this port; a number or an adapter that is wrong keeps it away. */
    private boolean arrives(Stream rival, Port port) {
        return firstEight(rival, port).stream().noneMatch(HopDraft::isBroken);
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
                winning.name() + " and " + losing.name(),
                winning.name() + " and " + losing.name() + " both send "
                        + loser.protocol().title() + " "
                        + context.index.wireOf(loser).orElse(0) + " to " + context.index.name(port.id())
                        + (loser.protocol() == Protocol.SACN
                                ? " at priority " + loser.priority().inForce()
                                : "")
                        + ", and no merge is meant. Silence " + losing.name() + ", or say who wins.",
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

    /** Those that a test keeps; this runs for every port of a plan, and a pipeline for two items costs more than its work. */
    private static List<Stream> kept(List<Stream> streams, Predicate<Stream> test) {
        List<Stream> kept = new ArrayList<>(streams.size());
        for (Stream s : streams) {
            if (test.test(s)) {
                kept.add(s);
            }
        }
        return kept;
    }

    /** The streams that are meant to feed a port: of each source the one in the port's protocol, silent ones only if all are. */
    List<Stream> sources(UniverseId universe, Port port) {
        Protocol protocol = port.protocol().inForce();
        Map<ApplicationId, List<Stream>> bySource = new java.util.LinkedHashMap<>();
        for (Stream s : context.index.streamsOf(universe)) {
            bySource.computeIfAbsent(s.application(), a -> new ArrayList<>(2)).add(s);
        }
        List<Stream> chosen = new ArrayList<>();
        for (List<Stream> streams : bySource.values()) {
            List<Stream> matching = kept(streams, s -> s.protocol() == protocol);
            List<Stream> candidates = matching.isEmpty() ? streams.subList(0, 1) : matching;
            List<Stream> on = kept(candidates, this::isOn);
            chosen.addAll(on.isEmpty() ? candidates.subList(0, 1) : on);
        }
        List<Stream> on = kept(chosen, this::isOn);
        List<Stream> fitting = kept(on, s -> s.protocol() == protocol);
        if (!fitting.isEmpty()) {
            return fitting;
        }
        if (!on.isEmpty()
                && chosen.stream()
                        .noneMatch(s -> s.protocol() == port.protocol().inForce())) {
            return on.subList(0, 1);
        }
        if (chosen.isEmpty()) {
            return chosen;
        }
        return chosen.stream()
                .filter(s -> s.protocol() == port.protocol().inForce())
                .findFirst()
                .map(List::of)
                .orElse(chosen.subList(0, 1));
    }

    private boolean isOn(Stream s) {
        return s.enabled().inForce()
                && context.index
                        .application(s.application())
                        .output(s.protocol())
                        .enabled()
                        .inForce();
    }
}
