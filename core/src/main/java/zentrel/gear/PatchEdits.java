package zentrel.gear;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.patch.FixtureNumber;
import zentrel.plan.*;
import zentrel.text.Counted;
import zentrel.text.Word;

/** Edits of many fixtures at once: their numbers, their start slots, one field of all. */
public final class PatchEdits {
    /** The farthest that a dropped fixture is moved to find room: a whole universe either way. */
    private static final int FARTHEST = Universe.SLOTS;

    /** The order in which fixtures are given start slots. */
    public enum Order implements Word {
        NUMBER,
        PLACE,
        TYPE
    }

    private PatchEdits() {}

    /** The number of a fixture as people count; those with letters come last. */
    private static long counted(Fixture f) {
        String plain = FixtureNumber.plain(f.number());
        return plain.matches("\\d{1,15}") ? Long.parseLong(plain) : Long.MAX_VALUE;
    }

    /** Fixtures in the order of their numbers. */
    public static List<Fixture> byNumber(List<Fixture> fixtures) {
        return fixtures.stream()
                .sorted(Comparator.comparingLong(PatchEdits::counted).thenComparing(Fixture::number))
                .toList();
    }

    private static String said(List<Fixture> fixtures) {
        return fixtures.size() == 1 ? fixtures.get(0).label() : Counted.of(fixtures.size(), "fixture");
    }

    private static Plan with(Plan plan, Map<Id<Fixture>, Fixture> after) {
        List<Fixture> all = new ArrayList<>(plan.fixtures().size());
        plan.fixtures().forEach(f -> all.add(after.getOrDefault(f.id(), f)));
        return plan.with(Kind.FIXTURE, all);
    }

    /**
     * Numbers fixtures anew, in the order in which they are given.
     *
     * @throws IllegalArgumentException with a sentence, where another fixture has one of the numbers
     */
    public static Edit renumber(Plan plan, List<Fixture> fixtures, int first, int step) {
        Set<Id<Fixture>> chosen = new HashSet<>();
        fixtures.forEach(f -> chosen.add(f.id()));
        Map<String, Fixture> others = new HashMap<>();
        plan.fixtures().stream()
                .filter(f -> !chosen.contains(f.id()))
                .forEach(f -> others.put(FixtureNumber.plain(f.number()), f));
        Map<Id<Fixture>, Fixture> after = new LinkedHashMap<>();
        long number = first;
        for (Fixture f : fixtures) {
            Fixture taken = others.get(String.valueOf(number));
            if (number < 0 || taken != null) {
                throw new IllegalArgumentException(
                        taken == null
                                ? "A fixture has a number from 0, not " + number + "."
                                : "The number " + number + " is taken by " + taken.label() + ".");
            }
            after.put(f.id(), f.withNumber(String.valueOf(number)));
            number += step;
        }
        return new Edit("Renumber " + said(fixtures) + " from " + first, p -> with(p, after));
    }

    /**
     * Sets one field of fixtures.
     *
     * @param key the field's key, as in a line of words
     * @throws IllegalArgumentException with a sentence, where it is no field of fixtures or the text no value of it
     */
    public static Edit set(Plan plan, List<Fixture> fixtures, String key, String text) {
        Field<Fixture> field = Entries.find(Kind.FIXTURE, key)
                .orElseThrow(() -> new IllegalArgumentException("A fixture has no \"" + key + "\"."));
        UnaryOperator<Plan> all = p -> {
            Plan next = p;
            for (Fixture f : fixtures) {
                next = field.entered(next, f.id(), text);
            }
            return next;
        };
        Plan tried = all.apply(plan); // what is no value is said now
        return new Edit(
                "Set " + field.title().toLowerCase(Locale.ROOT) + " of " + said(fixtures),
                p -> p.equals(plan) ? tried : all.apply(p));
    }

    /**
     * Lets two fixtures change their start slots; each goes to the other's line.
     *
     * @throws IllegalArgumentException with a sentence, where they do not fit in each other's place
     */
    public static Edit swap(Plan plan, Fixture one, Fixture other) {
        if (!footprints(one).equals(footprints(other))) {
            throw new IllegalArgumentException(one.label() + " takes "
                    + Counted.of(sum(one), "slot") + " and " + other.label() + " " + sum(other)
                    + ", so they cannot change places.");
        }
        return new Edit(
                "Swap the start slots of " + one.label() + " and " + other.label(),
                p -> with(
                        p,
                        Map.of(
                                one.id(), one.withBreaks(other.breaks()).withLine(other.line()),
                                other.id(), other.withBreaks(one.breaks()).withLine(one.line()))));
    }

    private static List<Integer> footprints(Fixture f) {
        return f.breaks().stream().map(Break::footprint).toList();
    }

    private static int sum(Fixture f) {
        return f.breaks().stream().mapToInt(Break::footprint).sum();
    }

    /** The slots of a universe that fixtures other than some use. */
    private static BitSet used(Plan plan, Id<Universe> universe, Set<Id<Fixture>> without) {
        BitSet used = new BitSet(Universe.SLOTS + 1);
        for (Fixture f : plan.index().fixturesIn(universe)) {
            if (!without.contains(f.id()) && !f.sharesSlots()) {
                f.slotsIn(universe).forEach(used::set);
            }
        }
        return used;
    }

    /**
     * Puts fixtures into a universe so that the first starts at a slot, or at the nearest one from which all of them fit. Those of
     * one universe keep their distances, others follow one another.
     *
     * @param way 0 for the nearest, 1 for the next after it, -1 for the next before
     * @return empty where they would not move
     * @throws IllegalArgumentException with a sentence, where there is no room for them
     */
    public static Optional<Edit> place(Plan plan, List<Fixture> fixtures, Universe universe, int slot, int way) {
        Map<Id<Fixture>, List<Integer>> offsets = offsets(fixtures);
        Set<Id<Fixture>> chosen = offsets.keySet();
        BitSet used = used(plan, universe.id(), chosen);
        BitSet wanted = new BitSet();
        for (Fixture f : fixtures) {
            List<Integer> at = offsets.getOrDefault(f.id(), List.of());
            for (int i = 0; i < at.size(); i++) {
                wanted.set(at.get(i), at.get(i) + f.breaks().get(i).footprint());
            }
        }
        int start = fit(used, wanted, slot, way);
        if (start < 1) {
            throw new IllegalArgumentException(universe.label() + " has no room for " + said(fixtures) + " of "
                    + Counted.of(wanted.cardinality(), "slot") + (way == 0 ? "." : " there."));
        }
        Optional<Id<Line>> line = UniverseRoutes.lineOf(plan, universe.id());
        Map<Id<Fixture>, Fixture> after = new LinkedHashMap<>();
        for (Fixture f : fixtures) {
            List<Break> breaks = new ArrayList<>();
            for (int i = 0; i < f.breaks().size(); i++) {
                int at = start + offsets.getOrDefault(f.id(), List.of()).get(i);
                breaks.add(new Break(universe.id(), at, f.breaks().get(i).footprint()));
            }
            boolean stays = f.universes().equals(Set.of(universe.id()));
            Fixture moved = f.withBreaks(breaks).withLine(stays ? f.line() : line.or(f::line));
            if (!moved.breaks().equals(f.breaks()) && !(stays && sameSlots(moved, f))) {
                after.put(f.id(), moved);
            }
        }
        return after.isEmpty()
                ? Optional.empty()
                : Optional.of(new Edit(
                        "Move " + said(fixtures) + " to " + universe.label() + " slot " + start, p -> with(p, after)));
    }

    private static boolean sameSlots(Fixture one, Fixture other) {
        return one.breaks().stream()
                .map(Break::start)
                .toList()
                .equals(other.breaks().stream().map(Break::start).toList());
    }

    private static Map<Id<Fixture>, List<Integer>> offsets(List<Fixture> fixtures) {
        Set<Id<Universe>> universes = new HashSet<>();
        fixtures.forEach(f -> universes.addAll(f.universes()));
        int least = fixtures.stream()
                .flatMap(f -> f.breaks().stream())
                .mapToInt(Break::start)
                .min()
                .orElse(1);
        Map<Id<Fixture>, List<Integer>> offsets = new LinkedHashMap<>();
        int next = 0;
        for (Fixture f : fixtures) {
            List<Integer> own = new ArrayList<>();
            for (Break b : f.breaks()) {
                own.add(universes.size() == 1 ? b.start() - least : next);
                next += b.footprint();
            }
            offsets.put(f.id(), own);
        }
        return offsets;
    }

    private static int fit(BitSet used, BitSet wanted, int slot, int way) {
        for (int distance = 0; distance <= FARTHEST; distance++) {
            for (int start :
                    way == 0 ? new int[] {slot - distance, slot + distance} : new int[] {slot + way * distance}) {
                if (start >= 1 && start + wanted.length() - 1 <= Universe.SLOTS && isFree(used, wanted, start)) {
                    return start;
                }
            }
        }
        return 0;
    }

    private static boolean isFree(BitSet used, BitSet wanted, int start) {
        for (int i = wanted.nextSetBit(0); i >= 0; i = wanted.nextSetBit(i + 1)) {
            if (used.get(start + i)) {
                return false;
            }
        }
        return true;
    }

    /**
     * Gives fixtures start slots, one after another; a fixture that does not fit in the rest of a universe begins the next.
     *
     * @param first the universe to begin with; the others are those of the next numbers, made where they are missing
     * @param whole whether each place, or type, begins a universe of its own
     */
    public static Edit startSlots(Plan plan, List<Fixture> fixtures, int first, Order order, boolean whole) {
        Comparator<Fixture> by = Comparator.comparingLong(PatchEdits::counted).thenComparing(Fixture::number);
        List<Fixture> sorted = fixtures.stream()
                .sorted(
                        order == Order.NUMBER
                                ? by
                                : Comparator.comparing((Fixture f) -> group(f, order))
                                        .thenComparing(by))
                .toList();
        for (Fixture f : sorted) {
            if (sum(f) > Universe.SLOTS) {
                throw new IllegalArgumentException(
                        f.label() + " takes " + sum(f) + " slots, and a universe has " + Universe.SLOTS + ".");
            }
        }
        return new Edit(
                "Give " + said(fixtures) + " start slots from U" + first,
                p -> new Giving(p, sorted).from(first, order, whole));
    }

    private static String group(Fixture f, Order order) {
        return order == Order.PLACE ? f.place() : order == Order.TYPE ? f.typeAndMode() : "";
    }

    /** Start slots while they are given. */
    private static final class Giving {
        private final Plan plan;
        private final List<Fixture> sorted;
        private final Set<Id<Fixture>> chosen = new HashSet<>();
        private final Map<Integer, Universe> universes = new HashMap<>();
        private final List<Universe> all;
        private final Ids ids;

        Giving(Plan plan, List<Fixture> sorted) {
            this.plan = plan;
            this.sorted = sorted;
            sorted.forEach(f -> chosen.add(f.id()));
            all = new ArrayList<>(plan.universes());
            all.forEach(u -> universes.putIfAbsent(u.number(), u));
            ids = new Ids(plan);
        }

        private Universe universe(int number) {
            return universes.computeIfAbsent(number, n -> {
                Universe made = new Universe(Kind.UNIVERSE.id(ids.next("u" + n)), "Universe " + n, n, false);
                all.add(made);
                return made;
            });
        }

        Plan from(int first, Order order, boolean whole) {
            Map<Id<Fixture>, Fixture> after = new LinkedHashMap<>();
            int number = first;
            BitSet used = used(plan, universe(number).id(), chosen);
            int slot = 1;
            String group = sorted.isEmpty() ? "" : group(sorted.get(0), order);
            for (Fixture f : sorted) {
                if (whole && !group(f, order).equals(group)) {
                    used = used(plan, universe(++number).id(), chosen);
                    slot = 1;
                    group = group(f, order);
                }
                BitSet wanted = new BitSet();
                wanted.set(0, sum(f));
                int start = fit(used, wanted, slot, 1);
                while (start == 0) {
                    used = used(plan, universe(++number).id(), chosen);
                    start = fit(used, wanted, 1, 1);
                }
                List<Break> breaks = new ArrayList<>();
                int at = start;
                for (Break b : f.breaks()) {
                    breaks.add(new Break(universe(number).id(), at, b.footprint()));
                    at += b.footprint();
                }
                slot = at;
                Id<Universe> into = universe(number).id();
                Optional<Id<Line>> line = UniverseRoutes.lineOf(plan, into);
                after.put(f.id(), f.withBreaks(breaks).withLine(f.uses(into) ? f.line() : line.or(f::line)));
            }
            return with(plan.with(Kind.UNIVERSE, all), after);
        }
    }
}
