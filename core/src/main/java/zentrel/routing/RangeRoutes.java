package zentrel.routing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/**
 * A run of universes from one source to the ports of one receiver, one after the other from a chosen port on: "these nine
 * from the hut console to the pergola controller's outputs".
 *
 * @param lines what goes where, and what it takes the place of, one sentence each
 * @param edit all of it
 */
public record RangeRoutes(List<String> lines, Edit edit) {
    public RangeRoutes {
        lines = List.copyOf(lines);
    }

    private record Given(Id<Port> port, Id<Universe> universe, Protocol protocol, int wire, Optional<Stream> added) {}

    /**
     * Works it out.
     *
     * @param universes in the order in which they take the ports
     * @param first the port that takes the first of them
     * @throws IllegalArgumentException with a sentence, where the ports do not suffice or a number does not exist
     */
    public static RangeRoutes of(Plan plan, Id<Application> from, List<Id<Universe>> universes, Id<Port> first) {
        PlanIndex index = plan.index();
        Receiver receiver = index.receiverOf(first);
        int at = receiver.ports().indexOf(index.port(first));
        List<Port> ports = receiver.ports().subList(at, receiver.ports().size());
        if (universes.isEmpty()) {
            throw new IllegalArgumentException("Choose the universes that are to go to " + receiver.name() + ".");
        }
        if (universes.size() > ports.size()) {
            throw new IllegalArgumentException(receiver.name() + " has " + Counted.of(ports.size(), "port") + " from "
                    + ports.get(0).name() + " on, and "
                    + Counted.of(universes.size(), "universe is", "universes are") + " to go there.");
        }
        List<Given> given = new ArrayList<>();
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < universes.size(); i++) {
            Universe universe = index.universe(universes.get(i));
            Port port = ports.get(i);
            Given one = given(plan, from, universe, receiver, port);
            given.add(one);
            lines.add(sentence(index, from, universe, port, one));
        }
        return new RangeRoutes(
                lines,
                new Edit(
                        "Route " + Counted.of(given.size(), "universe") + " from " + index.name(from) + " to "
                                + receiver.name(),
                        p -> {
                            Plan next = p;
                            for (Given g : given) {
                                next = applied(next, from, g);
                            }
                            return next;
                        }));
    }

    /** The stream there is by a protocol that the receiver takes, the port's own first; else one that is added. */
    private static Given given(Plan plan, Id<Application> from, Universe universe, Receiver receiver, Port port) {
        PlanIndex index = plan.index();
        Protocol set = port.protocol().planned();
        List<Stream> own = index.streamsOf(universe.id()).stream()
                .filter(s ->
                        s.application().equals(from) && receiver.protocols().contains(s.protocol()))
                .toList();
        Optional<Stream> stream = own.stream()
                .filter(s -> s.protocol() == set)
                .findFirst()
                .or(() -> own.stream().findFirst());
        if (stream.isPresent() && index.wireOf(stream.get()).isPresent()) {
            Stream s = stream.get();
            return new Given(
                    port.id(), universe.id(), s.protocol(), index.wireOf(s).orElseThrow(), Optional.empty());
        }
        Protocol protocol = receiver.protocols().contains(set)
                ? set
                : receiver.protocols().stream().sorted().findFirst().orElse(set);
        int wire =
                index.application(from).output(protocol).wire(universe.number()).orElse(universe.number());
        if (!protocol.carries(wire)) {
            throw new IllegalArgumentException(
                    universe.label() + " would be " + protocol.title() + " " + wire + ", and " + protocol.title()
                            + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber() + ".");
        }
        Stream added = new Stream(
                Kind.STREAM.id(Ids.free(plan, from.value() + "-" + universe.id().value() + "-" + protocol.word())),
                from,
                universe.id(),
                protocol,
                Setting.of(true),
                false,
                Optional.empty(),
                Optional.of(Setting.of(wire)),
                protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND,
                List.of(),
                Setting.of(100),
                44,
                false);
        return new Given(port.id(), universe.id(), protocol, wire, Optional.of(added));
    }

    private static String sentence(PlanIndex index, Id<Application> from, Universe universe, Port port, Given given) {
        List<String> before = index.universesOf(port.id()).stream()
                .filter(u -> !u.equals(universe.id()))
                .map(u -> index.universe(u).label())
                .toList();
        return universe.label() + " " + universe.name() + " goes to " + index.name(port.id()) + " as "
                + given.protocol().title() + " " + given.wire() + ", where its screen shows "
                + index.applicationOf(port.id()).shown(given.protocol(), given.wire())
                + (given.added().isPresent() ? "; " + index.name(from) + " begins to send it" : "")
                + (before.isEmpty() ? "" : ", instead of " + String.join(", ", before)) + ".";
    }

    private static Plan applied(Plan plan, Id<Application> from, Given given) {
        Plan next = plan.with(given.port(), x -> x.puttingOut(given.universe(), given.protocol(), given.wire()));
        if (given.added().isPresent()) {
            List<Stream> streams = new ArrayList<>(next.streams());
            streams.add(given.added().get());
            next = next.with(Kind.STREAM, streams)
                    .with(
                            from,
                            a -> a.withOutput(
                                    given.protocol(), a.output(given.protocol()).withEnabled(true)));
        }
        return next;
    }

    /**
     * Numbers of universes as typed: {@code U5-U13}, {@code 5 to 13, 20}.
     *
     * @throws IllegalArgumentException with a sentence, where it is no run of numbers
     */
    public static List<NumberRange> ranges(String text) {
        return NumberRange.parse(text.replaceAll("(?i)u(?=\\d)", ""));
    }

    /**
     * Universes as typed: {@code U5-U13}, {@code 5 to 13, 20}.
     *
     * @throws IllegalArgumentException with a sentence, where it is no run of numbers or one is not in the plan
     */
    public static List<Id<Universe>> universes(Plan plan, String text) {
        List<Id<Universe>> found = new ArrayList<>();
        for (NumberRange range : ranges(text)) {
            if (range.last() - range.first() >= plan.universes().size()) {
                throw new IllegalArgumentException((plan.universes().size() == 1 ? "There is " : "There are ")
                        + Counted.of(plan.universes().size(), "universe") + ", and " + range + " would be "
                        + (range.last() - range.first() + 1) + ".");
            }
            for (int number = range.first(); number <= range.last(); number++) {
                int wanted = number;
                found.add(plan.universes().stream()
                        .filter(u -> u.number() == wanted)
                        .findFirst()
                        .map(Universe::id)
                        .orElseThrow(() -> new IllegalArgumentException("The plan has no universe " + wanted + ".")));
            }
        }
        return found;
    }
}
