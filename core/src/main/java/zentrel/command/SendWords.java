package zentrel.command;

import java.util.*;
import java.util.stream.*;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.*;
import zentrel.routing.RangeRoutes;

/** Lines about what programs send. */
final class SendWords {
    private final Plan plan;
    private final Things things;

    SendWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code universe NUMBER [called NAME]}. */
    List<Offer> universe(List<String> words) {
        List<List<String>> called = Words.around(words, "called");
        return Words.number(called.get(0)).stream()
                .map(n -> {
                    String name = called.get(1).isEmpty() ? "Universe " + n : String.join(" ", called.get(1));
                    return Offer.of(
                            "Add the universe " + n + ", " + name, () -> EntityAdditions.universe(plan, n, name));
                })
                .toList();
    }

    /** {@code send UNIVERSE from PROGRAM [by PROTOCOL]}. */
    List<Offer> send(List<String> words) {
        List<List<String>> by = Words.around(words, "by");
        List<List<String>> from = Words.around(by.get(0), "from");
        List<Offer> offers = new ArrayList<>();
        for (Universe universe : things.named(from.get(0), plan.universes(), u -> true, "a universe")) {
            for (Application source : things.named(from.get(1), plan.applications(), a -> true, "a program")) {
                for (Protocol protocol : Words.protocols(by.get(1))) {
                    offers.add(Offer.of(
                            source.name() + " sends " + universe.label() + " by " + protocol.title(),
                            () -> EntityAdditions.stream(plan, source, universe, protocol)));
                }
            }
        }
        return offers;
    }

    /** {@code switch UNIVERSES of PROGRAM on|off}; {@code all} for all of them. */
    List<Offer> switching(List<String> words) {
        if (words.size() < 2) {
            return List.of();
        }
        String last = words.get(words.size() - 1).toLowerCase(Locale.ROOT);
        if (!last.equals("on") && !last.equals("off")) {
            return List.of();
        }
        List<List<String>> of = Words.around(words.subList(0, words.size() - 1), "of");
        String numbers = String.join("", of.get(0)).toLowerCase(Locale.ROOT);
        boolean all = numbers.equals("all");
        if (!all && !numbers.matches(Words.RUN)) {
            return List.of();
        }
        return things
                .named(
                        of.get(1),
                        plan.applications(),
                        a -> !plan.index().streamsFrom(a.id()).isEmpty(),
                        "a program that sends universes")
                .stream()
                .map(a -> Offer.of(
                        "Switch " + (all ? "all universes" : "U" + numbers.replace("u", "")) + " of " + a.name() + " "
                                + last,
                        () -> EntityAdditions.switched(
                                plan, a, all ? List.of() : RangeRoutes.ranges(numbers), last.equals("on"))))
                .toList();
    }
}
