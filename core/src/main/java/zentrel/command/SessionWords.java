package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zentrel.gear.EntityAdditions;
import zentrel.plan.Application;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.Session;
import zentrel.plan.Session.Desk;

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
        List<Desk> desks = new ArrayList<>();
        for (String one : String.join(" ", sides.get(1)).split("\\s*,\\s*|\\s+and\\s+", -1)) {
            if (!one.isBlank()) {
                List<List<String>> as = Words.around(List.of(one.split(" ", -1)), "as");
                List<Application> meant = things.named(as.get(0), plan.applications(), a -> true, "a program");
                Optional<Desk> desk = meant.stream()
                        .findFirst()
                        .flatMap(a -> part(as.get(1), EntityAdditions.usualPart(a, desks.isEmpty()))
                                .map(p -> new Desk(a.id(), p)));
                if (desk.isEmpty()) {
                    return List.of();
                }
                desks.add(desk.get());
            }
        }
        String who = desks.stream()
                .map(d -> plan.index().name(d.application())
                        + (d.part() == Part.REMOTE || d.part() == Part.PRIMARY
                                ? ""
                                : " as " + d.part().title()))
                .collect(Collectors.joining(" and "));
        return List.of(Offer.of(
                "Add the session " + name + (who.isEmpty() ? "" : " with " + who),
                () -> EntityAdditions.session(plan, name, desks)));
    }

    /** The part that words name, the usual one where there are none; empty where there is no such part, which is noted. */
    private Optional<Part> part(List<String> words, Part usual) {
        String said = String.join(" ", words);
        Optional<Part> part = said.isEmpty()
                ? Optional.of(usual)
                : Stream.of(Part.values())
                        .filter(p -> p.word().equals(said) || p.title().equals(said))
                        .findFirst();
        if (part.isEmpty()) {
            String parts = Stream.of(Part.values()).map(Part::title).collect(Collectors.joining(", "));
            things.note("“" + said + "” is no part in a session; there is " + parts + ".");
        }
        return part;
    }

    /** {@code enter SESSION with PROGRAM [as PART]}. */
    List<Offer> enter(List<String> words) {
        List<List<String>> as = Words.around(words, "as");
        List<List<String>> sides = Words.around(as.get(0), "with");
        List<Offer> offers = new ArrayList<>();
        for (Session session : things.named(sides.get(0), plan.sessions(), s -> true, "a session")) {
            for (Application program : things.named(
                    sides.get(1),
                    plan.applications(),
                    a -> session.desk(a.id()).isEmpty(),
                    "a program outside of that session")) {
                part(as.get(1), EntityAdditions.usualPart(program, false))
                        .ifPresent(part -> offers.add(Offer.of(
                                program.name() + " enters " + session.name() + " as " + part.title(),
                                () -> EntityAdditions.enter(plan, session, program.id(), part))));
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
                    a -> session.desk(a.id()).isPresent(),
                    "a program in that session")) {
                offers.add(Offer.of(
                        program.name() + " leaves " + session.name(),
                        () -> EntityAdditions.leave(plan, session, program.id())));
            }
        }
        return offers;
    }
}
