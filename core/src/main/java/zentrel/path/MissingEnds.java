package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.plan.*;

/** Paths that lack an end: universes that nobody sends, and streams that no port takes. */
final class MissingEnds {
    private static final Facts UNSENT = Facts.as("unsent");
    private static final Facts UNTAKEN = Facts.as("untaken");

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
        hops.forEach(h -> h.notApplicable(UNSENT));
        int fixtures = context.index.fixturesIn(id).size();
        Facts facts = Facts.as(fixtures > 0 ? "patched" : "waited-for", "universe", universe, "fixtures", fixtures);
        hops.get(0)
                .broken(
                        Reason.NO_SOURCE,
                        id,
                        port.map(p -> facts.and("port", p)).orElse(facts));
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

    /** The path of a stream that no port takes. */
    SignalPath untaken(Stream stream, Optional<Fixture> fixture) {
        List<HopDraft> hops = HopDraft.leg(stream.application(), stream.universe());
        hops.forEach(h -> h.notApplicable(UNTAKEN));
        Universe universe = context.index.universe(stream.universe());
        hops.get(0)
                .passes(
                        stream.application(),
                        Facts.as("sends-untaken", "program", stream.application(), "universe", universe));
        if (context.index.fixturesIn(universe.id()).isEmpty()) {
            hops.get(HopKind.NAMED.index()).notApplicable(Facts.as("unused", "universe", universe));
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
        hop.broken(Reason.NO_RECEIVER, universe.id(), Facts.of("universe", universe, "fixtures", fixtures));
    }
}
