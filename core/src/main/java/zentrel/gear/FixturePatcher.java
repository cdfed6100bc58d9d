package zentrel.gear;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zentrel.plan.*;

/** Gives fixtures their slots. */
public final class FixturePatcher {
    private FixturePatcher() {}

    /**
     * Adds fixtures of one kind to a line, one after the other from its first free slot.
     *
     * @param number the number of the first; the others count on
     * @throws IllegalArgumentException with a sentence, where they do not fit or the line's port carries no universe
     */
    public static Edit patch(Plan plan, Line line, int count, int footprint, String type, int number) {
        if (count < 1 || count > Universe.SLOTS || footprint < 1 || footprint > Universe.SLOTS) {
            throw new IllegalArgumentException("Patch 1 to 512 fixtures of 1 to 512 slots.");
        }
        Universe universe = plan.index().universesOf(line.port()).stream()
                .findFirst()
                .map(plan.index()::universe)
                .orElseThrow(() -> new IllegalArgumentException(
                        plan.index().name(line.port()) + " carries no universe yet. Route one to it first."));
        int start = firstFree(plan, universe);
        int room = room(start, footprint);
        if (count > room) {
            throw new IllegalArgumentException(universe.label() + " has room for " + room + " more of " + footprint
                    + " slots after slot " + (start - 1) + ", and " + count + " were asked for.");
        }
        Ids ids = new Ids(plan);
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        String place = plan.index()
                .hostOf(plan.index().applicationOf(line.port()).id())
                .place();
        for (int i = 0; i < count; i++) {
            fixtures.add(new Fixture(
                    Kind.FIXTURE.id(ids.next("f" + (number + i))),
                    String.valueOf(number + i),
                    type,
                    place,
                    type + " " + footprint,
                    Optional.of(line.id()),
                    List.of(new Break(universe.id(), start + i * footprint, footprint)),
                    false));
        }
        return DeviceFactory.put(
                "Patch " + count + " " + type + (count == 1 ? " fixture" : " fixtures") + " of " + footprint
                        + " slots on " + line.name() + " from " + universe.label() + " slot " + start,
                plan,
                plan.with(Kind.FIXTURE, fixtures));
    }

    /** The slot after the last that is used in a universe. */
    private static int firstFree(Plan plan, Universe universe) {
        return plan.index().fixturesIn(universe.id()).stream()
                        .flatMap(f -> f.breaks().stream())
                        .filter(b -> b.universe().equals(universe.id()))
                        .mapToInt(Break::end)
                        .max()
                        .orElse(0)
                + 1;
    }

    private static int firstRoom(Plan plan, Universe universe, List<Fixture> fixtures, Set<Id<Fixture>> moved) {
        int wanted = fixtures.stream()
                .flatMap(f -> f.breaks().stream())
                .mapToInt(Break::footprint)
                .sum();
        BitSet used = new BitSet();
        for (Fixture f : plan.index().fixturesIn(universe.id())) {
            if (!moved.contains(f.id())) {
                f.slotsIn(universe.id()).forEach(used::set);
            }
        }
        int behind = Math.max(1, used.length());
        if (behind + wanted - 1 <= Universe.SLOTS) {
            return behind;
        }
        for (int start = 1; start + wanted - 1 <= Universe.SLOTS; start++) {
            int taken = used.nextSetBit(start);
            if (taken < 0 || taken >= start + wanted) {
                return start;
            }
            start = used.nextClearBit(taken) - 1;
        }
        return behind;
    }

    private static int room(int start, int footprint) {
        return Math.max(0, (Universe.SLOTS - start + 1) / footprint);
    }

    /** How many more fixtures of so many slots fit on a line, after the last that is there. */
    public static int room(Plan plan, Line line, int footprint) {
        return plan.index().universesOf(line.port()).stream()
                .findFirst()
                .map(plan.index()::universe)
                .map(u -> room(firstFree(plan, u), Math.max(1, footprint)))
                .orElse(0);
    }

    /** The number after the highest fixture number of the plan. */
    public static int nextFixtureNumber(Plan plan) {
        return plan.fixtures().stream()
                        .map(Fixture::number)
                        .filter(n -> n.matches("\\d{1,8}"))
                        .mapToInt(Integer::parseInt)
                        .max()
                        .orElse(100)
                + 1;
    }

    /**
     * Moves fixtures, one after the other, to a universe; each goes to the line by which that universe arrives, where there is one.
     *
     * @param slot the first slot; 0 for the first after all that are in use there, or where no room is left behind them, the first
     *     gap that takes them all
     * @throws IllegalArgumentException with a sentence, where they do not fit or would share slots with others
     */
    public static Edit move(Plan plan, List<Fixture> fixtures, Universe universe, int slot) {
        Set<Id<Fixture>> moved = fixtures.stream().map(Fixture::id).collect(Collectors.toSet());
        int next = slot == 0 ? firstRoom(plan, universe, fixtures, moved) : slot;
        Optional<Id<Line>> line = UniverseRoutes.lineOf(plan, universe.id());
        Map<Id<Fixture>, Fixture> after = new LinkedHashMap<>();
        for (Fixture f : fixtures) {
            List<Break> breaks = new ArrayList<>();
            for (Break b : f.breaks()) {
                if (next < 1 || next + b.footprint() - 1 > Universe.SLOTS) {
                    throw new IllegalArgumentException(f.label() + " does not fit: it would use slots " + next + " to "
                            + (next + b.footprint() - 1) + " of " + universe.label() + ", and a universe has "
                            + Universe.SLOTS + ".");
                }
                breaks.add(new Break(universe.id(), next, b.footprint()));
                next += b.footprint();
            }
            boolean arrives = f.line()
                    .filter(l -> plan.index()
                            .universesOf(plan.index().line(l).port())
                            .contains(universe.id()))
                    .isPresent();
            after.put(f.id(), f.withBreaks(breaks).withLine(arrives ? f.line() : line.or(f::line)));
        }
        for (Fixture other : plan.index().fixturesIn(universe.id())) {
            after.values().stream()
                    .filter(f -> !moved.contains(other.id()) && !f.sharesSlots() && !other.sharesSlots())
                    .filter(f -> f.breaks().stream()
                            .anyMatch(b -> other.breaks().stream().anyMatch(b::sharesSlotsWith)))
                    .findFirst()
                    .ifPresent(f -> {
                        throw new IllegalArgumentException(f.label() + " would share slots with " + other.label()
                                + " in " + universe.label() + ".");
                    });
        }
        String what = fixtures.size() == 1 ? fixtures.get(0).label() : fixtures.size() + " fixtures";
        return DeviceFactory.put(
                "Move " + what + " to " + universe.label()
                        + (fixtures.isEmpty()
                                ? ""
                                : " slot "
                                        + after.values()
                                                .iterator()
                                                .next()
                                                .breaks()
                                                .get(0)
                                                .start()),
                plan,
                plan.with(
                        Kind.FIXTURE,
                        plan.fixtures().stream()
                                .map(f -> after.getOrDefault(f.id(), f))
                                .toList()));
    }
}
