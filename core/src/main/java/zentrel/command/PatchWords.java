package zentrel.command;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.routing.RangeRoutes;
import zentrel.text.Counted;

/** Lines about fixtures. */
final class PatchWords {
    private static final int USUAL_FOOTPRINT = 16;

    private final Plan plan;
    private final Things things;

    PatchWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code patch [COUNT] [KIND] [of FOOTPRINT] [on LINE] [from NUMBER]}. */
    List<Offer> patch(List<String> words) {
        List<List<String>> counted = Words.around(words, "from");
        Optional<Integer> first = counted.get(1).isEmpty() ? Optional.empty() : Words.number(counted.get(1));
        List<List<String>> sides = Words.around(counted.get(0), "on");
        List<List<String>> of = Words.around(sides.get(0), "of");
        List<String> what = new ArrayList<>(of.get(0));
        int count = 1;
        if (!what.isEmpty() && what.get(0).matches("\\d{1,3}")) {
            count = Integer.parseInt(what.remove(0));
        }
        int footprint = of.get(1).stream()
                .filter(w -> w.matches("\\d{1,3}"))
                .findFirst()
                .map(Integer::parseInt)
                .orElse(USUAL_FOOTPRINT);
        String type = what.isEmpty() ? "fixture" : String.join(" ", what);
        int n = count;
        List<Line> named = things.named(
                sides.get(1),
                plan.lines(),
                l -> !plan.index().universesOf(l.port()).isEmpty(),
                "a DMX line that carries a universe");
        List<Line> roomy = named.stream()
                .filter(l -> FixturePatcher.room(plan, l, footprint) >= n)
                .toList();
        List<Line> lines = roomy.isEmpty() ? named : roomy; // one without room says how much there is
        List<Line> emptiest = lines.stream()
                .sorted(Comparator.comparingInt(
                        l -> plan.index().fixturesOn(l.id()).size()))
                .toList();
        return emptiest.stream()
                .map(l -> Offer.of(
                        "Patch " + n + " " + type + " of " + Counted.of(footprint, "slot") + " on " + l.name(),
                        () -> FixturePatcher.patch(
                                plan,
                                l,
                                n,
                                footprint,
                                type,
                                first.orElseGet(() -> FixturePatcher.nextFixtureNumber(plan)))))
                .toList();
    }

    private static final String NUMBERS = "\\d{1,6}([-–,]\\d{1,6})*";

    /** {@code renumber NUMBERS from NUMBER}. */
    List<Offer> renumber(List<String> words) {
        List<List<String>> sides = Words.around(words, "from");
        List<Fixture> fixtures = numbered(sides.get(0));
        Optional<Integer> first = Words.number(sides.get(1));
        return fixtures.isEmpty() || first.isEmpty()
                ? List.of()
                : List.of(Offer.of(
                        "Renumber " + said(fixtures) + " from " + first.get(),
                        () -> PatchEdits.renumber(plan, fixtures, first.get(), 1)));
    }

    /** {@code swap NUMBER and NUMBER}. */
    List<Offer> swap(List<String> words) {
        List<List<String>> sides = Words.around(words, "and");
        List<Fixture> one = numbered(sides.get(0));
        List<Fixture> other = numbered(sides.get(1));
        return one.size() != 1 || other.size() != 1
                ? List.of()
                : List.of(Offer.of(
                        "Swap the start slots of " + said(one) + " and " + said(other),
                        () -> PatchEdits.swap(plan, one.get(0), other.get(0))));
    }

    /** {@code arrange NUMBERS from UNIVERSE [by number|place|type] [whole]}: start slots given automatically. */
    List<Offer> arrange(List<String> words) {
        boolean whole = words.stream().anyMatch("whole"::equalsIgnoreCase);
        List<String> rest =
                words.stream().filter(w -> !w.equalsIgnoreCase("whole")).toList();
        List<List<String>> by = Words.around(rest, "by");
        List<List<String>> sides = Words.around(by.get(0), "from");
        String named = String.join(" ", by.get(1));
        PatchEdits.Order order = java.util.Arrays.stream(PatchEdits.Order.values())
                .filter(o -> o.word().equals(named))
                .findFirst()
                .orElse(PatchEdits.Order.NUMBER);
        List<Fixture> fixtures = numbered(sides.get(0));
        String universe = String.join("", sides.get(1)).replaceFirst("(?i)^u(niverse)?", "");
        return fixtures.isEmpty() || !universe.matches("\\d{1,5}")
                ? List.of()
                : List.of(Offer.of(
                        "Give " + said(fixtures) + " start slots from U" + universe + ", by " + order.word()
                                + (whole ? ", universes kept whole" : ""),
                        () -> PatchEdits.startSlots(plan, fixtures, Integer.parseInt(universe), order, whole)));
    }

    /** {@code set FIELD of NUMBERS to VALUE}; nothing where the words name no run of fixtures. */
    List<Offer> set(List<String> words) {
        int of = words.indexOf("of");
        int to = words.indexOf("to");
        if (of < 1 || to < of) {
            return List.of();
        }
        List<Fixture> fixtures = numbered(words.subList(of + 1, to));
        if (fixtures.size() < 2) {
            return List.of();
        }
        String key = String.join("-", words.subList(0, of)).toLowerCase(Locale.ROOT);
        String value = String.join(" ", words.subList(to + 1, words.size()));
        return List.of(Offer.of(
                "Set " + key.replace('-', ' ') + " of " + said(fixtures) + " to "
                        + (value.isEmpty() ? "nothing" : value),
                () -> PatchEdits.set(plan, fixtures, key, value)));
    }

    /** {@code type NAME with MODE: SLOT, SLOT}. */
    List<Offer> type(List<String> words) {
        List<List<String>> sides = Words.around(words, "with");
        String name = String.join(" ", sides.get(0));
        String modes = String.join(" ", sides.get(1));
        return name.isEmpty() || modes.isEmpty()
                ? List.of()
                : List.of(Offer.of(
                        "Add the fixture type " + name + " with " + modes,
                        () -> PatchAdditions.type(plan, name, "", modes)));
    }

    /** {@code list NAME [of PROGRAM]}. */
    List<Offer> list(List<String> words) {
        List<List<String>> sides = Words.around(words, "of");
        String name = String.join(" ", sides.get(0));
        if (name.isEmpty()) {
            return List.of();
        }
        if (sides.get(1).isEmpty()) {
            return List.of(Offer.of(
                    "Add the list " + name + " with the plan's fixtures",
                    () -> PatchAdditions.list(plan, name, Optional.empty())));
        }
        return things.named(sides.get(1), plan.applications(), a -> true, "a program").stream()
                .map(a -> Offer.of(
                        "Add the list " + name + " of " + plan.index().name(a.id()) + " with the plan's fixtures",
                        () -> PatchAdditions.list(plan, name, Optional.of(a.id()))))
                .toList();
    }

    /** {@code move [fixture] NUMBERS to UNIVERSE [slot SLOT]}. */
    List<Offer> move(List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        List<Fixture> fixtures = numbered(sides.get(0));
        List<List<String>> where = Words.around(sides.get(1), "slot");
        if (fixtures.isEmpty() || where.get(0).isEmpty()) {
            return List.of();
        }
        int slot = Words.number(where.get(1)).orElse(0);
        return things.named(where.get(0), plan.universes(), u -> true, "a universe").stream()
                .map(u -> Offer.of(
                        "Move " + said(fixtures) + " to " + u.label() + " "
                                + (slot == 0 ? "where there is room" : "slot " + slot),
                        () -> FixturePatcher.move(plan, fixtures, u, slot)))
                .toList();
    }

    /** {@code remove fixture NUMBERS}; nothing where the words name no run of fixtures. */
    List<Offer> remove(List<String> words) {
        List<Fixture> fixtures = numbered(words);
        return fixtures.isEmpty()
                ? List.of()
                : List.of(Offer.of(
                        "Remove " + said(fixtures),
                        () -> PlanRemoval.of(
                                        plan, fixtures.stream().map(Fixture::id).toList())
                                .edit()));
    }

    static String said(List<Fixture> fixtures) {
        return fixtures.size() == 1
                ? fixtures.get(0).label()
                : fixtures.size() + " fixtures, " + fixtures.get(0).number() + " to "
                        + fixtures.get(fixtures.size() - 1).number();
    }

    /** The fixtures that {@code fixture 101-110,120} names, in the order of their numbers; the word may be left out. */
    List<Fixture> numbered(List<String> words) {
        boolean named =
                !words.isEmpty() && words.get(0).toLowerCase(Locale.ROOT).matches("fixtures?");
        String numbers = String.join("", named ? words.subList(1, words.size()) : words);
        if (!numbers.matches(NUMBERS)) {
            return List.of();
        }
        List<NumberRange> ranges = RangeRoutes.ranges(numbers);
        List<Fixture> found = plan.fixtures().stream()
                .filter(f -> f.number().matches("\\d{1,6}"))
                .filter(f -> ranges.stream().anyMatch(r -> r.contains(Integer.parseInt(f.number()))))
                .sorted(Comparator.comparingInt(f -> Integer.parseInt(f.number())))
                .toList();
        if (found.isEmpty()) {
            List<Fixture> all = PatchEdits.byNumber(plan.fixtures());
            things.note("No fixture has one of the numbers " + numbers + "."
                    + (all.isEmpty()
                            ? " The plan has none yet."
                            : " The plan has " + all.get(0).number() + " to "
                                    + all.get(all.size() - 1).number() + "."));
        }
        return found;
    }
}
