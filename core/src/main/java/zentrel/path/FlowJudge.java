package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.Protocol;

/** Judges one flow: one stream towards one port. Hops 1 to 8 depend on the two ends alone and are kept. */
final class FlowJudge {
    private record Flow(Id<Stream> stream, Id<Port> port) {}

    private static final Facts NO_MORE = Facts.as("nothing");

    private final PathContext context;
    private final TransportJudge transport;
    private final PatchJudge patch;
    private final DirectJudge direct;
    private final SourceArbitration arbitration;
    private final Map<Flow, List<HopDraft>> firstEight = new ConcurrentHashMap<>();

    FlowJudge(PathContext context, TransportJudge transport, PatchJudge patch) {
        this.context = context;
        this.transport = transport;
        this.patch = patch;
        this.direct = new DirectJudge(context);
        this.arbitration = new SourceArbitration(context, this::arrives);
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
                Facts.as(
                        "sends",
                        "program",
                        from,
                        "universe",
                        universe,
                        "protocol",
                        protocol,
                        "wire",
                        wire,
                        "standby",
                        stream.standby() ? standsFor(stream) : NO_MORE,
                        "pending",
                        pending(stream)));
        standsBy(hop, stream, from);
        if (sent.isEmpty()) {
            hop.broken(
                    Reason.LABEL_NOT_COVERED,
                    stream.id(),
                    Facts.of("stream", stream, "protocol", protocol, "program", from, "label", label, "wire", wire));
        }
        if (!stream.enabled().inForce()) {
            hop.broken(
                    Reason.SOURCE_OFF,
                    stream.id(),
                    Facts.as(
                            "universe", "stream", stream, "program", from, "universe", universe, "protocol", protocol));
        }
        if (!from.output(protocol).enabled().inForce()) {
            hop.broken(Reason.SOURCE_OFF, from.id(), Facts.as("protocol", "program", from, "protocol", protocol));
        }
        context.beyondLimit(stream).ifPresent(over -> {
            Facts facts = over.facts().and("universe", universe);
            if (over.known()) {
                hop.broken(Reason.OVER_LIMIT, from.id(), facts);
            } else {
                hop.notKnown(Reason.LIMIT_NOT_KNOWN, from.id(), facts);
            }
        });
        if (!protocol.carries(wire)) {
            Facts facts = Facts.of(
                    "stream",
                    stream,
                    "port",
                    port,
                    "program",
                    from,
                    "universe",
                    universe,
                    "protocol",
                    protocol,
                    "wire",
                    wire);
            hop.broken(Reason.NUMBER_RANGE, stream.id(), facts);
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

    private Facts standsFor(Stream stream) {
        List<Id<Application>> programs =
                primaries(stream).stream().map(Stream::application).distinct().toList();
        return programs.isEmpty() ? Facts.as("stands-by") : Facts.as("stands-by-for", "programs", programs);
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
        hop.broken(
                Reason.STANDS_BY,
                primaries.isEmpty()
                        ? stream.id()
                        : primaries.get(0).enabled().inForce()
                                ? primaries.get(0).application()
                                : primaries.get(0).id(),
                Facts.as(
                        primaries.isEmpty() ? "alone" : "off",
                        "program",
                        from,
                        "universe",
                        context.index.universe(stream.universe()),
                        "stream",
                        stream,
                        "primaries",
                        primaries,
                        "programs",
                        primaries.stream().map(Stream::application).distinct().toList()));
    }

    private static Facts pending(Stream stream) {
        return stream.wire()
                .filter(Setting::isPending)
                .map(w -> Facts.as("number-planned", "planned", w.planned()))
                .orElse(NO_MORE);
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
            letIn.broken(Reason.INPUT_OFF, receiver.id(), Facts.of("receiver", receiver));
        }
        if (stream.delivery() == Delivery.FOUND && !receiver.answersPolls()) {
            Facts facts = Facts.of("receiver", receiver, "program", from, "stream", stream);
            named.broken(
                    Reason.SILENT,
                    stream.id(),
                    destination.map(d -> facts.and("address", d)).orElse(facts));
        }
        if (stream.delivery() == Delivery.FOUND && port.direction().inForce() == Direction.INPUT) {
            named.broken(Reason.INPUT_NOT_ASKED, port.id(), Facts.of("port", port));
        }
        if (takes != protocol || !receiver.protocols().contains(protocol)) {
            protocolDiffers(letIn, stream, from, receiver, port, wire);
            hop.passes(port.id(), Facts.as("number-with-protocol"));
            return;
        }
        if (protocol.carries(wire) && !receiver.taking().takes(protocol, wire)) {
            letIn.broken(
                    Reason.NOT_TAKEN,
                    receiver.id(),
                    Facts.of(
                            "receiver",
                            receiver,
                            "protocol",
                            protocol,
                            "ranges",
                            receiver.taking().of(protocol),
                            "program",
                            from,
                            "universe",
                            context.index.universe(stream.universe()),
                            "wire",
                            wire));
        }
        if (port.wire().isEmpty()) {
            hop.notKnown(Reason.NUMBER_NOT_KNOWN, port.id(), Facts.of("port", port, "wire", wire));
            return;
        }
        Setting<Integer> set = port.wire().get();
        int waits = set.inForce();
        if (!protocol.carries(wire)) {
            hop.passes(port.id(), Facts.as("number-at-source", "wire", wire));
            wire = waits; // hop 1 says what is wrong with it; from there on it is taken as mended
        }
        hop.passes(
                port.id(),
                Facts.as(
                        "numbers",
                        "wire",
                        wire,
                        "port",
                        port,
                        "waits",
                        waits,
                        "screen",
                        new ShownNumber(to, protocol, waits)));
        if (!protocol.carries(waits)) {
            hop.broken(
                    Reason.PORT_NUMBER_RANGE,
                    port.id(),
                    Facts.of("port", port, "protocol", protocol, "waits", waits, "wire", wire));
            return;
        }
        if (waits == wire) {
            return;
        }
        boolean byOne = Math.abs(waits - wire) == 1;
        Reason reason = byOne ? Reason.OFF_BY_ONE : Reason.NUMBERS_DIFFER;
        Facts numbers = Facts.as(
                set.isPending() ? "pending" : "",
                "stream",
                stream,
                "program",
                from,
                "universe",
                context.index.universe(stream.universe()),
                "protocol",
                protocol,
                "wire",
                wire,
                "port",
                port,
                "waits",
                waits,
                "planned",
                set.planned(),
                "screen",
                new ShownNumber(to, protocol, wire),
                "odd",
                othersAgree(stream, port, waits));
        hop.broken(reason, port.id(), numbers);
        if (stream.delivery() == Delivery.FOUND) {
            named.add(new Issue(Reason.NOBODY_ASKED, Verdict.BROKEN, reason.rule(), port.id(), numbers));
        } else if (stream.delivery() == Delivery.MULTICAST && port.protocol().inForce() == Protocol.SACN) {
            taken.add(new Issue(Reason.GROUP_NOT_JOINED, Verdict.BROKEN, reason.rule(), port.id(), numbers));
        }
    }

    /** Whether other sources of a port agree with its number: then this source is the odd one. */
    private boolean othersAgree(Stream stream, Port port, int waits) {
        return context.streamsOn(stream.protocol(), waits).stream()
                .anyMatch(s -> !s.id().equals(stream.id())
                        && context.index.universesOf(port.id()).contains(s.universe()));
    }

    private void protocolDiffers(
            HopDraft letIn, Stream stream, Application from, Receiver receiver, Port port, int wire) {
        Protocol protocol = stream.protocol();
        Protocol takes = port.protocol().inForce();
        boolean able = receiver.protocols().contains(protocol);
        letIn.broken(
                Reason.PROTOCOL_DIFFERS,
                port.id(),
                Facts.as(
                        able ? "port" : "receiver",
                        "program",
                        from,
                        "universe",
                        context.index.universe(stream.universe()),
                        "protocol",
                        protocol,
                        "port",
                        port,
                        "takes",
                        takes,
                        "wire",
                        wire,
                        "receiver",
                        receiver,
                        "other",
                        protocol.other(),
                        "stream",
                        stream));
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
            if (!context.isOwnInput(s, port)) {
                bySource.computeIfAbsent(s.application(), a -> new ArrayList<>(2))
                        .add(s);
            }
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
