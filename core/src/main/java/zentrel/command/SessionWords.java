package zentrel.command;

import java.util.*;
import java.util.stream.*;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.*;

/** Lines about sessions: who shares one show. */
final class SessionWords {
    private final Plan plan;
    private final Things things;

    SessionWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code session NAME [with PROGRAM, PROGRAM]}. */
    List<Offer> session(List<String> words) {
        List<List<String>> sides = Words.around(words, "with");
        String name = String.join(" ", sides.get(0));
        if (name.isEmpty()) {
            return List.of();
        }
        List<Id<Application>> programs = new ArrayList<>();
        for (String one : String.join(" ", sides.get(1)).split("\\s*,\\s*|\\s+and\\s+", -1)) {
            if (!one.isBlank()) {
                List<Application> meant =
                        things.named(List.of(one.split(" ", -1)), plan.applications(), a -> true, "a program");
                if (meant.isEmpty()) {
                    return List.of();
                }
                programs.add(meant.get(0).id());
            }
        }
        String who = programs.stream().map(plan.index()::name).collect(Collectors.joining(" and "));
        return List.of(Offer.of(
                "Add the session " + name + (who.isEmpty() ? "" : " with " + who),
                () -> EntityAdditions.session(plan, name, programs)));
    }

    /** {@code enter SESSION with PROGRAM [as PART]}. */
    List<Offer> enter(List<String> words) {
        List<List<String>> as = Words.around(words, "as");
        Part part = java.util.stream.Stream.of(Part.values())
                .filter(p -> List.of(p.word()).equals(as.get(1)))
                .findFirst()
                .orElse(Part.REMOTE);
        List<List<String>> sides = Words.around(as.get(0), "with");
        List<Offer> offers = new ArrayList<>();
        for (Session session : things.named(sides.get(0), plan.sessions(), s -> true, "a session")) {
            for (Application program : things.named(
                    sides.get(1),
                    plan.applications(),
                    a -> session.desks().stream().noneMatch(m -> m.application().equals(a.id())),
                    "a program outside of that session")) {
                offers.add(Offer.of(
                        program.name() + " enters " + session.name() + " as " + part.word(),
                        () -> EntityAdditions.enter(plan, session, program.id(), part)));
            }
        }
        return offers;
    }

    /** {@code leave SESSION with PROGRAM}. */
    List<Offer> leave(List<String> words) {
        List<List<String>> sides = Words.around(words, "with");
        List<Offer> offers = new ArrayList<>();
        for (Session session : things.named(sides.get(0), plan.sessions(), s -> true, "a session")) {
            for (Application program : things.named(
                    sides.get(1),
                    plan.applications(),
                    a -> session.desks().stream().anyMatch(m -> m.application().equals(a.id())),
                    "a program in that session")) {
                offers.add(Offer.of(
                        program.name() + " leaves " + session.name(),
                        () -> EntityAdditions.leave(plan, session, program.id())));
            }
        }
        return offers;
    }
}
