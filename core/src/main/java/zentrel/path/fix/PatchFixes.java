package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;

/** Fixes of fixtures, their lines and slots, and of power, wherever it lacks. */
final class PatchFixes {
    private final PathContext context;

    PatchFixes(PathContext context) {
        this.context = context;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case NO_POWER, FAR_NO_POWER, PASSING_OFF, LINE_DARK -> power(facts.get("why", Facts.class), issue.cause());
            case PAST_END, OVERLAP ->
                facts.find("free", Integer.class)
                        .map(free -> List.of(FixtureRemedies.repatch(
                                facts.get("fixture", Fixture.class), facts.number("part"), free)))
                        .orElse(List.of());
            case NOT_CONNECTED ->
                facts.is("cable")
                        ? List.of(CarryFixes.plugIn(
                                context, issue.cause().as(Kind.CABLE).orElseThrow()))
                        : facts.list("lines", Line.class).stream()
                                .map(l -> FixtureRemedies.hang(
                                        facts.get("fixture", Fixture.class),
                                        l,
                                        context.index().name(l.id())))
                                .toList();
            case LINE_DIFFERS -> lineDiffers(facts);
            default -> throw new IllegalArgumentException("No fix of the patch for " + issue.reason());
        };
    }

    private List<Edit> lineDiffers(Facts facts) {
        Break part = facts.get("part", Break.class);
        Line line = facts.get("line", Line.class);
        Port port = facts.get("port", Port.class);
        Universe wanted = facts.get("wanted", Universe.class);
        List<Edit> edits = new ArrayList<>();
        for (Line other : context.plan().lines()) {
            if (context.index().port(other.port()).universe().equals(Optional.of(part.universe()))
                    && !other.id().equals(line.id())) {
                edits.add(FixtureRemedies.hang(
                        facts.get("fixture", Fixture.class),
                        part,
                        other,
                        context.index().name(other.id())));
                break;
            }
        }
        context.index().streamsOf(part.universe()).stream()
                .filter(s -> s.protocol() == port.protocol().inForce())
                .findFirst()
                .flatMap(context.index()::wireOf)
                .ifPresent(w -> edits.add(new Edit(
                        "Set " + context.index().name(port.id()) + " to " + wanted.label() + ", " + w,
                        p -> p.with(port.id(), x -> x.withWire(w).withUniverse(Optional.of(wanted.id()))))));
        return edits;
    }

    /**
     * What gives a device power again.
     *
     * @param at what is off, out, or gives nothing
     */
    private List<Edit> power(Facts why, Id<?> at) {
        return switch (why.form()) {
            case "power-off", "power-feeder-off" ->
                List.of(switchOn(at.as(Kind.HOST).orElseThrow()));
            case "power-cable-out" ->
                List.of(CarryFixes.plugIn(context, at.as(Kind.CABLE).orElseThrow()));
            case "power-not-given" -> otherSupply(why.get("device", Host.class));
            case "power-not-passed" -> List.of(takeAway(why.get("cable", Cable.class)));
            default -> List.of();
        };
    }

    private Edit switchOn(Id<Host> id) {
        return new Edit(
                "Switch on " + context.index().name(id),
                p -> p.with(id, h -> h.withPower(h.power().withOn(true))));
    }

    private static Edit takeAway(Cable cable) {
        return new Edit(
                "Remove the power cable " + cable.name(),
                p -> p.with(
                        Kind.CABLE,
                        p.cables().stream()
                                .filter(c -> !c.id().equals(cable.id()))
                                .toList()));
    }

    private List<Edit> otherSupply(Host host) {
        return host.supplies(context.index()).stream()
                .filter(s -> !s.poe())
                .findFirst()
                .map(s -> new Edit(
                        "Power " + host.name() + " by " + s.name(),
                        p -> p.with(host.id(), h -> h.withPower(h.power().withSupplies(List.of(s.name()))))))
                .stream()
                .toList();
    }
}
