package zentrel.command;

import java.util.*;
import java.util.stream.*;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.*;
import zentrel.text.Counted;

/** Lines about what programs take and keep: inputs, ports, typed copies. */
final class InputWords {
    private final Plan plan;
    private final Things things;

    InputWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code input [COUNT] on PROGRAM [by PROTOCOL]}. */
    List<Offer> input(List<String> words) {
        List<List<String>> by = Words.around(words, "by");
        List<List<String>> on = Words.around(by.get(0), "on");
        int count = Words.number(on.get(0)).orElse(1);
        List<Protocol> protocols = Words.protocols(by.get(1));
        List<Offer> offers = new ArrayList<>();
        for (Application program : things.named(on.get(1), plan.applications(), a -> true, "a program")) {
            for (Protocol protocol : protocols) {
                offers.add(Offer.of(
                        "Add " + Counted.of(count, "input") + " by " + protocol.title() + " to " + program.name(),
                        () -> EntityAdditions.input(plan, program, protocol, count)));
            }
        }
        return offers;
    }

    /** {@code port [COUNT] on RECEIVER}. */
    List<Offer> port(List<String> words) {
        List<List<String>> on = Words.around(words, "on");
        int count = Words.number(on.get(0)).orElse(1);
        return things.named(on.get(1), plan.receivers(), r -> true, "something that receives universes").stream()
                .map(r -> {
                    PortKind kind = r.ports().isEmpty()
                            ? PortKind.DMX
                            : r.ports().get(0).kind();
                    return Offer.of(
                            "Add " + Counted.of(count, "port") + " to "
                                    + plan.index().name(r.id()),
                            () -> EntityAdditions.ports(plan, r, kind, count));
                })
                .toList();
    }

    /** {@code copy THING in KEEPER [as VALUE]}. */
    List<Offer> copy(List<String> words) {
        List<List<String>> as = Words.around(words, "as");
        List<List<String>> in = Words.around(as.get(0), "in");
        String value = String.join(" ", as.get(1));
        if (in.get(1).isEmpty()) {
            return List.of();
        }
        List<Named> copied = new ArrayList<>();
        EntityAdditions.COPIED.forEach(k -> plan.all(k).forEach(e -> {
            if (e instanceof Named named) {
                copied.add(named);
            }
        }));
        List<Named> keepers = new ArrayList<>(plan.applications());
        keepers.addAll(plan.hosts());
        List<Offer> offers = new ArrayList<>();
        for (Named of : things.named(in.get(0), copied, x -> true, "something that is typed in elsewhere")) {
            for (Named keeper : things.named(in.get(1), keepers, x -> true, "a program or a device")) {
                String name = plan.index().name(of.id());
                offers.add(Offer.of(
                        "Keep " + (value.isEmpty() ? "what " + name + " has now" : value + " for " + name) + " in "
                                + plan.index().name(keeper.id())
                                + (keeper instanceof Host ? " (printed on it)" : ""),
                        () -> EntityAdditions.copy(plan, keeper.id(), of.id(), name, value)));
            }
        }
        return offers;
    }
}
