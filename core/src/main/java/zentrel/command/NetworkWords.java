package zentrel.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.gear.*;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Lines about segments and adapters. */
final class NetworkWords {
    private final Plan plan;
    private final Things things;

    NetworkWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    List<Offer> segment(List<String> words) {
        List<String> name = new ArrayList<>(words);
        Subnet range = DeviceFactory.FIRST_RANGE;
        if (!name.isEmpty() && name.get(name.size() - 1).contains("/")) {
            try {
                range = Subnet.parse(name.remove(name.size() - 1));
            } catch (IllegalArgumentException e) {
                return List.of(Offer.of("Add a segment: " + e.getMessage(), () -> {
                    throw new IllegalArgumentException(e.getMessage(), e);
                }));
            }
        }
        String called = name.isEmpty() ? "Network" : String.join(" ", name);
        Subnet chosen = range;
        return List.of(
                Offer.of("Add the segment " + called + ", " + chosen, () -> Connections.segment(plan, called, chosen)));
    }

    /** What is so about a segment: {@code mark SEGMENT as guests}. */
    List<Offer> mark(List<String> words) {
        List<List<String>> sides = Words.around(words, "as");
        Map<String, UnaryOperator<Segment>> facts = new LinkedHashMap<>();
        facts.put("open to guests", s -> s.withGuests(true));
        facts.put("closed to guests", s -> s.withGuests(false));
        facts.put("having an uplink", s -> s.withWayOut(true));
        facts.put("having no uplink", s -> s.withWayOut(false));
        facts.put("isolating wireless clients", s -> s.withIsolated(true));
        facts.put("not isolating wireless clients", s -> s.withIsolated(false));
        List<Offer> offers = new ArrayList<>();
        for (Segment segment : things.named(sides.get(0), plan.segments(), s -> true, "a segment")) {
            facts.forEach((fact, change) -> {
                boolean asked = sides.get(1).stream()
                        .allMatch(w -> List.of(fact.split(" ", -1)).contains(w.toLowerCase(Locale.ROOT)));
                if (asked && !change.apply(segment).equals(segment) && offers.size() < Commands.MOST_OFFERS) {
                    String what = "Mark " + segment.name() + " as " + fact;
                    offers.add(Offer.of(what, () -> new Edit(what, p -> p.with(segment.id(), change))));
                }
            });
        }
        return offers;
    }

    List<Offer> put(List<String> words) {
        List<List<String>> sides = Words.around(words, "on");
        List<Offer> offers = new ArrayList<>();
        for (Host host :
                things.named(sides.get(0), plan.hosts(), h -> !h.adapters().isEmpty(), "a device with an adapter")) {
            for (Segment segment : things.named(sides.get(1), plan.segments(), s -> true, "a segment")) {
                if (offers.size() < Commands.MOST_OFFERS) {
                    Id<Adapter> first = host.adapters().get(0).id();
                    offers.add(Offer.of(
                            "Put the " + plan.index().name(first) + " on " + segment.name(),
                            () -> Connections.onSegment(plan, List.of(first), segment)));
                }
            }
        }
        return offers;
    }

    /** {@code adapter NAME on DEVICE}: one more adapter, of the kind that its name says. */
    List<Offer> adapter(List<String> words) {
        List<String> rest = new ArrayList<>(words);
        Map<String, String> parts = Words.parts(rest, Set.of("on"));
        String name = String.join(" ", rest);
        if (name.isEmpty()) {
            return List.of();
        }
        String device = parts.getOrDefault("on", "");
        return things
                .named(
                        device.isEmpty() ? List.of() : List.of(device.split(" ", -1)),
                        plan.hosts(),
                        h -> true,
                        "a device")
                .stream()
                .map(h -> Offer.of(
                        "Add the adapter " + name + " to " + h.name(), () -> Connections.adapter(plan, h, name)))
                .toList();
    }
}
