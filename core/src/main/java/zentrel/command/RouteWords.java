package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.ProfileApplication;
import zentrel.profile.Protocol;
import zentrel.routing.RangeRoutes;
import zentrel.text.Counted;

/** Lines that route universes from a source to a receiver. */
final class RouteWords {
    private static final Set<ApplicationKind> TAKERS =
            Set.of(ApplicationKind.CONSOLE, ApplicationKind.PREVIS, ApplicationKind.BRIDGE, ApplicationKind.PLAYBACK);

    private final Plan plan;
    private final Things things;

    RouteWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code route [UNIVERSES] SOURCE to RECEIVER}; with a run of universes these, else the next ones. */
    List<Offer> route(List<String> given) {
        List<String> words = new ArrayList<>(given);
        if (!words.isEmpty() && words.get(0).matches(Words.RUN)) {
            String run = words.remove(0);
            return run(run, words);
        }
        List<List<String>> sides = Words.around(words, "to");
        List<Application> sources =
                things.named(sides.get(0), plan.applications(), this::sends, "a source of universes");
        List<Receiver> receivers = things.named(
                sides.get(1),
                plan.receivers(),
                r -> !UniverseRoutes.freePorts(plan, r).isEmpty(),
                "a receiver with a free port");
        List<Offer> offers = new ArrayList<>();
        for (Application source : sources) {
            for (Receiver receiver : receivers) {
                boolean ownUnlessNamed =
                        sides.get(1).isEmpty() && receiver.application().equals(source.id());
                if (!ownUnlessNamed && offers.size() < Commands.MOST_OFFERS && reachable(source, receiver)) {
                    routes(offers, source, receiver);
                }
            }
            byNewInput(offers, sides.get(1), source, Optional.empty());
        }
        return offers;
    }

    private List<Offer> run(String run, List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application source :
                things.named(sides.get(0), plan.applications(), this::sends, "a source of universes")) {
            for (Receiver receiver :
                    things.named(sides.get(1), plan.receivers(), r -> !r.ports().isEmpty(), "a receiver with ports")) {
                if (offers.size() < Commands.MOST_OFFERS
                        && reachable(source, receiver)
                        && !receiver.application().equals(source.id())) {
                    split(run, source, receiver).ifPresent(offers::add);
                    Port first = UniverseRoutes.freePorts(plan, receiver).stream()
                            .findFirst()
                            .orElse(receiver.ports().get(0));
                    offers.add(Offer.of(
                            "Route U" + run.toUpperCase(Locale.ROOT).replaceAll("U(?=\\d)", "") + " of " + source.name()
                                    + " to " + receiver.name() + ", from " + first.name() + " on",
                            () -> run(run, source, receiver, first)));
                }
            }
            List<NumberRange> ranges = RangeRoutes.ranges(run);
            byNewInput(
                    offers, sides.get(1), source, ranges.size() == 1 ? Optional.of(ranges.get(0)) : Optional.empty());
        }
        return offers;
    }

    /** The connectors of a device itself are fed by what is in it, or beside it by USB, and not by another. */
    private boolean reachable(Application source, Receiver receiver) {
        return receiver.protocols().stream().anyMatch(Protocol::onNetwork)
                || receiver.application().equals(source.id())
                || plan.index().hostOf(receiver.id()).adapters().isEmpty();
    }

    /** A console or previs that takes nothing from the network yet is given an input for what is to come. */
    private void byNewInput(List<Offer> offers, List<String> words, Application source, Optional<NumberRange> run) {
        if (words.isEmpty() || !offers.isEmpty()) {
            return;
        }
        List<Application> takers = things.named(
                words,
                plan.applications(),
                a -> !a.id().equals(source.id()) && TAKERS.contains(a.kind()),
                "a program that receives universes");
        for (Application taker : takers) {
            int first = run.map(NumberRange::first).orElseGet(() -> UniverseRoutes.firstUniverse(plan, source));
            NumberRange numbers = run.orElse(new NumberRange(first, first));
            int count = numbers.last() - numbers.first() + 1;
            for (Protocol protocol : inputs(source, taker)) {
                String text = "Route U" + numbers + " of " + source.name() + " to " + taker.name() + ", by "
                        + Counted.of(count, "new " + protocol.title() + " input");
                offers.add(Offer.of(text, () -> {
                    Plan with =
                            EntityAdditions.input(plan, taker, protocol, count).applyTo(plan);
                    List<Receiver> its = with.index().receiversOf(taker.id());
                    Plan both = UniverseRoutes.route(with, source, its.get(its.size() - 1), numbers)
                            .applyTo(with);
                    return DeviceFactory.put(text, plan, both);
                }));
            }
        }
    }

    private List<Protocol> inputs(Application source, Application taker) {
        Set<Protocol> takes = plan.index()
                .profileOf(taker)
                .map(ProfileApplication::takes)
                .filter(t -> t.stream().anyMatch(Protocol::onNetwork))
                .orElse(Set.of(Protocol.values()));
        Set<Protocol> sends =
                plan.index().profileOf(source).map(ProfileApplication::sends).orElse(Set.of(Protocol.values()));
        return java.util.stream.Stream.of(Protocol.SACN, Protocol.ARTNET)
                .filter(p -> takes.contains(p) && sends.contains(p))
                .toList();
    }

    /** A run that there is goes to its ports one after the other; one that is yet to be made, to free ports. */
    private Edit run(String run, Application source, Receiver receiver, Port first) {
        List<NumberRange> ranges = RangeRoutes.ranges(run);
        Set<Integer> there = plan.universes().stream().map(Universe::number).collect(Collectors.toSet());
        boolean yetToBeMade = ranges.size() == 1
                && IntStream.rangeClosed(ranges.get(0).first(), ranges.get(0).last())
                        .anyMatch(n -> !there.contains(n));
        return yetToBeMade
                ? UniverseRoutes.route(plan, source, receiver, ranges.get(0))
                : RangeRoutes.of(plan, source.id(), RangeRoutes.universes(plan, run), first.id())
                        .edit();
    }

    private void routes(List<Offer> offers, Application source, Receiver receiver) {
        List<Port> free = UniverseRoutes.freePorts(plan, receiver);
        int first = UniverseRoutes.firstUniverse(plan, source);
        Port one = free.get(0);
        offers.add(Offer.of(
                "Route " + source.name() + " to " + receiver.name() + ", " + one.name() + " (U" + first + ")",
                () -> UniverseRoutes.route(plan, source, List.of(one), first)));
        if (free.size() > 1) {
            offers.add(Offer.of(
                    "Route " + source.name() + " to " + receiver.name() + ", all " + free.size() + " free ports (U"
                            + first + " to U" + (first + free.size() - 1) + ")",
                    () -> UniverseRoutes.route(plan, source, free, first)));
        }
    }

    private boolean sends(Application application) {
        return plan.index()
                .profileOf(application)
                .map(p -> !p.sends().isEmpty() && p.kind() != ApplicationKind.NODE)
                .orElse(!plan.index().streamsFrom(application.id()).isEmpty()
                        || application.kind() == ApplicationKind.CONSOLE);
    }

    /** Where a receiver has fewer free ports than universes are to come: the rest on the next of its kind, with room for them. */
    private Optional<Offer> split(String run, Application source, Receiver receiver) {
        List<NumberRange> ranges = RangeRoutes.ranges(run);
        int free = UniverseRoutes.freePorts(plan, receiver).size();
        int first = ranges.get(0).first();
        int last = ranges.get(0).last();
        if (ranges.size() != 1 || free == 0 || free >= last - first + 1) {
            return Optional.empty();
        }
        NumberRange here = new NumberRange(first, first + free - 1);
        NumberRange rest = new NumberRange(first + free, last);
        return plan.receivers().stream()
                .filter(r -> !r.id().equals(receiver.id()) && alike(r, receiver))
                .filter(r -> UniverseRoutes.freePorts(plan, r).size() >= rest.last() - rest.first() + 1)
                .findFirst()
                .map(next -> {
                    String text = "Route U" + here + " of " + source.name() + " to " + receiver.name() + ", U" + rest
                            + " to " + next.name();
                    return Offer.of(text, () -> {
                        Plan after = UniverseRoutes.route(plan, source, receiver, here)
                                .applyTo(plan);
                        Receiver then = after.index().receiver(next.id());
                        Plan both = UniverseRoutes.route(after, after.index().application(source.id()), then, rest)
                                .applyTo(after);
                        return DeviceFactory.put(text, plan, both);
                    });
                });
    }

    private boolean alike(Receiver a, Receiver b) {
        PlanIndex index = plan.index();
        return index.hostOf(a.id()).profile().equals(index.hostOf(b.id()).profile());
    }
}
