package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

/** Judges one flow: one stream towards one port. Hops 1 to 8 depend on the two ends alone and are kept. */
final class FlowJudge {
    private record Flow(Id<Stream> stream, Id<Port> port) {}

    private final PathContext context;
    private final Remedies remedies;
    private final TransportJudge transport;
    private final PatchJudge patch;
    private final DirectJudge direct;
    private final SourceArbitration arbitration;
    private final Map<Flow, List<HopDraft>> firstEight = new ConcurrentHashMap<>();

    FlowJudge(PathContext context, Remedies remedies, TransportJudge transport, PatchJudge patch) {
        this.context = context;
        this.remedies = remedies;
        this.transport = transport;
        this.patch = patch;
        this.direct = new DirectJudge(context);
        this.arbitration = new SourceArbitration(context, remedies, this::arrives);
    }

    /** The path of a stream to a port, with hop 10 for one fixture, or for all on the port where none is named. */
    SignalPath path(Stream stream, Port port, Optional<Fixture> fixture) {
        Application from = context.index.application(stream.application());
        List<HopDraft> drafts = new ArrayList<>(firstEight(stream, port));
        drafts.add(arbitration.judge(stream, port));
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
        Flow flow = new Flow(stream.id(), port.id());
        if (Reads.areNoted()) {
            List<HopDraft> judged = judgeEight(stream, port); // what it reads is wanted too
            firstEight.put(flow, judged);
            return judged;
        }
        return firstEight.computeIfAbsent(flow, f -> judgeEight(stream, port));
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
                context.index.name(from.id()) + " sends " + universe.label() + " as " + protocol.title() + " " + wire
                        + (stream.standby() ? "; it stands by" + standsFor(stream) : "") + pending(stream) + ".");
        standsBy(hop, stream, from);
        if (sent.isEmpty()) {
            hop.broken(
                    Reason.LABEL_NOT_COVERED,
                    stream.id(),
                    "no range for " + label,
                    "No " + protocol.title() + " range of " + context.index.name(from.id()) + " covers its universe "
                            + label + ", so it is not sent.",
                    List.of(remedies.setStreamWire(stream, wire)));
        }
        if (!stream.enabled().inForce()) {
            hop.broken(
                    Reason.SOURCE_OFF,
                    stream.id(),
                    universe.label() + " switched off",
                    context.index.name(from.id()) + " has " + universe.label() + " switched off for " + protocol.title()
                            + ". Switch it on there.",
                    List.of(remedies.enable(stream)));
        }
        if (!from.output(protocol).enabled().inForce()) {
            hop.broken(
                    Reason.SOURCE_OFF,
                    from.id(),
                    protocol.title() + " switched off",
                    protocol.title() + " output is switched off in " + context.index.name(from.id())
                            + ". Switch it on there.",
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
                    context.index.name(from.id()) + " sends " + universe.label() + " as " + protocol.title() + " "
                            + wire + ", and "
                            + protocol.title() + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber()
                            + ".",
                    edits);
        }
        return wire;
    }

    /** The sources of the same universe that are meant to send while this one stands by, the main desk of its session first. */
    private List<Stream> primaries(Stream stream) {
        Optional<Session> session = context.index.sessionOf(stream.application());
        List<Stream> others = context.index.streamsOf(stream.universe()).stream()
                .filter(s -> !s.application().equals(stream.application()) && !s.standby())
                .toList();
        List<Stream> main = others.stream()
                .filter(s -> session.isPresent()
                        && session.equals(context.index.sessionOf(s.application()))
                        && context.index.partOf(s.application()).equals(Optional.of(Part.PRIMARY)))
                .toList();
        return main.isEmpty() ? others : main;
    }

    private String standsFor(Stream stream) {
        List<String> names = primaries(stream).stream()
                .map(s -> context.index.name(s.application()))
                .distinct()
                .toList();
        return names.isEmpty() ? "" : " for " + String.join(" and ", names);
    }

    /** Standing by, it sends nothing; so where what it stands by for sends nothing either, nothing is sent. */
    private void standsBy(HopDraft hop, Stream stream, Application from) {
        if (!stream.standby()) {
            return;
        }
        List<Stream> primaries = primaries(stream);
        if (primaries.stream().anyMatch(s -> SourceArbitration.sends(s, context))) {
            return;
        }
        String label = context.index.universe(stream.universe()).label();
        List<Edit> edits = new ArrayList<>();
        primaries.stream().findFirst().ifPresent(p -> edits.add(remedies.send(p)));
        edits.add(remedies.sendItself(stream));
        String names = standsFor(stream);
        hop.broken(
                Reason.STANDS_BY,
                primaries.isEmpty()
                        ? stream.id()
                        : primaries.get(0).enabled().inForce()
                                ? primaries.get(0).application()
                                : primaries.get(0).id(),
                "stands by",
                context.index.name(from.id()) + " stands by" + names + " and sends nothing, and "
                        + (primaries.isEmpty()
                                ? "no other source sends " + label + ". Let " + context.index.name(from.id())
                                        + " send it."
                                : "the output of " + label
                                        + " is off there, so no source sends it. Switch it on, or let "
                                        + context.index.name(from.id())
                                        + " send it."),
                edits);
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
                    context.index.name(receiver.id()) + " has its input switched off. Switch it on there.",
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
                    context.index.name(receiver.id()) + " answers no polls, so " + context.index.name(from.id())
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
                    context.index.name(receiver.id()) + " takes " + protocol.title() + " "
                            + String.join(
                                    ", ",
                                    receiver.taking().of(protocol).stream()
                                            .map(NumberRange::toString)
                                            .toList())
                            + " only, and " + context.index.name(from.id()) + " sends "
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
        String text = context.index.name(from.id()) + " sends "
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
        String text = context.index.name(from.id()) + " sends "
                + context.index.universe(stream.universe()).label() + " by " + protocol.title() + "; "
                + (able
                        ? context.index.name(port.id()) + " is set to " + takes.title() + ". Set it to "
                                + protocol.title() + " " + wire + "."
                        : context.index.name(receiver.id()) + " takes "
                                + protocol.other().title() + " only. Send it by "
                                + protocol.other().title() + ".");
        letIn.broken(
                Reason.PROTOCOL_DIFFERS,
                port.id(),
                protocol.title() + " ≠ " + (able ? takes : protocol.other()).title(),
                text,
                edits);
    }

    /** Whether a rival gets as far as this port; a number or an adapter that is wrong keeps it away. */
    private boolean arrives(Stream rival, Port port) {
        return firstEight(rival, port).stream().noneMatch(HopDraft::isBroken);
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
    List<Stream> sources(Id<Universe> universe, Port port) {
        Protocol protocol = port.protocol().inForce();
        Map<Id<Application>, List<Stream>> bySource = new java.util.LinkedHashMap<>();
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
