package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;

/** Paths that lack an end: universes that nobody sends, and streams that no port takes. */
final class MissingEnds {
    private final PathContext context;
    private final PatchJudge patch;

    MissingEnds(PathContext context, PatchJudge patch) {
        this.context = context;
        this.patch = patch;
    }

    /** The path of a universe that nobody sends. */
    SignalPath unsent(Id<Universe> id, Optional<Port> port, Optional<Fixture> fixture) {
        Universe universe = context.index.universe(id);
        Id<?> to =
                port.<Id<?>>map(p -> context.index.applicationOf(p.id()).id()).orElse(id);
        List<HopDraft> hops = HopDraft.leg(id, to);
        hops.forEach(h -> h.notApplicable("Nobody sends it."));
        int fixtures = context.index.fixturesIn(id).size();
        hops.get(0)
                .broken(
                        Reason.NO_SOURCE,
                        id,
                        "nobody sends it",
                        "Nobody sends " + universe.label() + " " + universe.name() + ", which "
                                + (fixtures > 0
                                        ? fixtures + (fixtures == 1 ? " fixture is" : " fixtures are") + " patched in"
                                        : "a port waits for")
                                + ". Send it from a console, or let the port go.",
                        sendRemedies(universe, port));
        if (port.isEmpty()) {
            untakenIssue(hops.get(HopKind.NAMED.index()), universe);
        }
        fixture.ifPresent(f -> patch.judge(hops.get(HopKind.LEADS.index()), f));
        return new SignalPath(
                Optional.empty(),
                Optional.empty(),
                port.map(Port::id),
                port.map(p -> p.protocol().inForce().word()).orElse("none"),
                "none",
                List.of(new Leg(id, to, HopDraft.finish(hops))));
    }

    /** Lets the application that sends most of the plan send this universe too. */
    private List<Edit> sendRemedies(Universe universe, Optional<Port> port) {
        if (port.isEmpty()) {
            return List.of();
        }
        Protocol protocol = port.get().protocol().inForce();
        Optional<Stream> model = context.plan.streams().stream()
                .filter(s -> s.protocol() == protocol && s.enabled().inForce() && !s.standby())
                .findFirst();
        int wire = port.get()
                .wire()
                .map(Setting::inForce)
                .filter(protocol::carries)
                .orElse(universe.number());
        if (model.isEmpty() || !protocol.onNetwork() || !protocol.carries(wire)) {
            return List.of();
        }
        Stream like = model.get();
        String free = Ids.free(
                context.plan, like.application().value() + "-" + universe.id().value() + "-" + protocol.word());
        Delivery delivery = like.delivery() == Delivery.UNICAST
                ? (protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST)
                : like.delivery();
        Stream added = new Stream(
                Kind.STREAM.id(free),
                like.application(),
                universe.id(),
                protocol,
                Setting.of(true),
                false,
                Optional.empty(),
                Optional.of(Setting.of(wire)),
                delivery,
                List.of(),
                like.priority(),
                like.ratePerSecond(),
                false);
        return List.of(new Edit(
                "Send " + universe.label() + " from " + context.index.name(like.application()) + " by "
                        + protocol.title() + " as " + wire,
                p -> p.and(Kind.STREAM, added)));
    }

    /** The path of a stream that no port takes. */
    SignalPath untaken(Stream stream, Optional<Fixture> fixture) {
        List<HopDraft> hops = HopDraft.leg(stream.application(), stream.universe());
        hops.forEach(h -> h.notApplicable("Nobody takes it."));
        Universe universe = context.index.universe(stream.universe());
        String from = context.index.name(stream.application());
        hops.get(0).passes(stream.application(), universe.label(), from + " sends " + universe.label() + ".");
        if (context.index.fixturesIn(universe.id()).isEmpty()) {
            hops.get(HopKind.NAMED.index())
                    .notApplicable("Nobody takes " + universe.label() + ", and nothing is patched in it.");
        } else {
            untakenIssue(hops.get(HopKind.NAMED.index()), universe);
        }
        fixture.ifPresent(f -> patch.judge(hops.get(HopKind.LEADS.index()), f));
        return new SignalPath(
                Optional.of(stream.application()),
                Optional.of(stream.id()),
                Optional.empty(),
                stream.protocol().word(),
                stream.delivery().word(),
                List.of(new Leg(stream.application(), stream.universe(), HopDraft.finish(hops))));
    }

    private void untakenIssue(HopDraft hop, Universe universe) {
        int fixtures = context.index.fixturesIn(universe.id()).size();
        hop.broken(
                Reason.NO_RECEIVER,
                universe.id(),
                "no port takes it",
                "No port takes " + universe.label() + " " + universe.name() + ", which " + fixtures
                        + (fixtures == 1 ? " fixture is" : " fixtures are") + " patched in. Set a port to it.",
                spareRemedies(universe));
    }

    /** A spare port that could take the universe. */
    private List<Edit> spareRemedies(Universe universe) {
        Optional<Stream> stream = context.index.streamsOf(universe.id()).stream()
                .filter(s -> s.enabled().inForce())
                .findFirst();
        if (stream.isEmpty()) {
            return List.of();
        }
        Optional<Integer> wire = context.index.wireOf(stream.get());
        Protocol protocol = stream.get().protocol();
        List<Edit> edits = new ArrayList<>();
        for (Receiver receiver : context.plan.receivers()) {
            for (Port port : receiver.ports()) {
                boolean spare = context.index.universesOf(port.id()).isEmpty()
                        && port.kind() == PortKind.DMX
                        && receiver.protocols().contains(protocol);
                if (spare && wire.isPresent() && edits.size() < 4) {
                    edits.add(new Edit(
                            "Set " + context.index.name(port.id()) + " to " + universe.label() + ", " + protocol.title()
                                    + " " + wire.get(),
                            p -> p.with(port.id(), x -> x.puttingOut(universe.id(), protocol, wire.get()))));
                }
            }
        }
        return edits;
    }
}
