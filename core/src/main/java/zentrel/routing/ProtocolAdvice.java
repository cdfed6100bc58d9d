package zentrel.routing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ProfileApplication;
import zentrel.profile.Protocol;

/**
 * By which protocol a source should send, what speaks for it, and both side by side.
 *
 * @param source who sends
 * @param better the protocol to use; sACN where both would do (common practice, no source)
 * @param reasons sentences, the one that decides first
 * @param sides sACN, then Art-Net
 */
public record ProtocolAdvice(Id<Application> source, Protocol better, List<String> reasons, List<Side> sides) {
    /**
     * One protocol as it would be.
     *
     * @param limit universes that the source sends by it at most; empty where its profile names none
     * @param packets packets a second that the source would send
     * @param addresses addresses that would have to be typed in
     * @param against what speaks against it, in sentences
     * @param possible whether all that is sent would arrive
     */
    public record Side(
            Protocol protocol,
            Optional<Integer> limit,
            double packets,
            int addresses,
            List<String> against,
            boolean possible) {
        public Side {
            against = List.copyOf(against);
        }
    }

    public ProtocolAdvice {
        reasons = List.copyOf(reasons);
        sides = List.copyOf(sides);
    }

    /** For every program that sends universes on a network. */
    public static List<ProtocolAdvice> of(Plan plan) {
        List<ProtocolAdvice> all = new ArrayList<>();
        for (Application application : plan.applications()) {
            boolean sends = plan.index().streamsFrom(application.id()).stream()
                    .anyMatch(s -> s.protocol().onNetwork());
            if (sends) {
                all.add(of(plan, application));
            }
        }
        return all;
    }

    private static ProtocolAdvice of(Plan plan, Application source) {
        PlanIndex index = plan.index();
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        index.streamsFrom(source.id()).stream()
                .filter(s -> s.protocol().onNetwork())
                .forEach(s -> universes.add(s.universe()));
        Set<Receiver> receivers = new LinkedHashSet<>();
        universes.forEach(u -> index.portsOf(u).forEach(p -> receivers.add(index.receiverOf(p.id()))));
        double rate = index.streamsFrom(source.id()).stream()
                .mapToDouble(Stream::ratePerSecond)
                .max()
                .orElse(44);
        boolean backed = universes.stream()
                .flatMap(u -> index.streamsOf(u).stream())
                .anyMatch(s -> !s.application().equals(source.id()));
        boolean wireless = receivers.stream()
                .flatMap(r -> index.host(index.application(r.application()).host()).adapters().stream())
                .anyMatch(a -> a.kind() == AdapterKind.WIRELESS);
        Side sacn = side(plan, source, Protocol.SACN, universes, receivers, rate, wireless, backed);
        Side artnet = side(plan, source, Protocol.ARTNET, universes, receivers, rate, wireless, backed);
        List<String> reasons = new ArrayList<>();
        Protocol better;
        if (sacn.possible() != artnet.possible()) {
            better = sacn.possible() ? Protocol.SACN : Protocol.ARTNET;
            reasons.add("Only " + better.title() + " reaches every receiver: "
                    + (sacn.possible() ? artnet : sacn).against().get(0));
        } else if (wireless) {
            better = Protocol.ARTNET;
            reasons.add(
                    "Some receivers are on Wi-Fi, where multicast goes at the slowest rate; Art-Net sends to each that"
                            + " answered.");
        } else {
            better = Protocol.SACN;
            reasons.add(
                    backed
                            ? "Another source sends the same universes, and only sACN has priorities between the two."
                            : "Both would do, and then sACN: groups need no addresses, and a source that ends is noticed after"
                                    + " 2.5 s.");
        }
        if (!sacn.possible() && !artnet.possible()) {
            reasons.add("Neither reaches every receiver; split the universes over two protocols or two sources.");
        }
        return new ProtocolAdvice(source.id(), better, reasons, List.of(sacn, artnet));
    }

    private static Side side(
            Plan plan,
            Application source,
            Protocol protocol,
            Set<Id<Universe>> universes,
            Set<Receiver> receivers,
            double rate,
            boolean wireless,
            boolean backed) {
        PlanIndex index = plan.index();
        List<String> against = new ArrayList<>();
        Optional<ProfileApplication> profile = index.profileOf(source);
        boolean possible = true;
        if (profile.filter(p -> !p.sends().isEmpty() && !p.sends().contains(protocol))
                .isPresent()) {
            against.add(source.name() + " does not send " + protocol.title() + ".");
            possible = false;
        }
        Optional<Integer> limit = profile.flatMap(p -> source.limit(p, protocol));
        if (limit.isPresent() && limit.get() < universes.size()) {
            against.add(source.name() + " sends " + limit.get() + " universes by it at most, and " + universes.size()
                    + " are asked for.");
            possible = false;
        }
        List<String> deaf = receivers.stream()
                .filter(r -> !r.protocols().contains(protocol))
                .map(r -> index.name(r.id()))
                .toList();
        if (!deaf.isEmpty()) {
            against.add(String.join(", ", deaf) + (deaf.size() == 1 ? " does" : " do") + " not receive "
                    + protocol.title() + ".");
            possible = false;
        }
        int addresses = 0;
        double packets = universes.size() * rate;
        if (protocol == Protocol.ARTNET) {
            addresses = (int) receivers.stream()
                    .filter(r -> r.protocols().contains(protocol) && !r.answersPolls())
                    .count();
            if (addresses > 0) {
                against.add(addresses + (addresses == 1 ? " receiver answers" : " receivers answer")
                        + " no polls, so addresses must be typed in.");
            }
            packets = 0;
            for (Id<Universe> universe : universes) {
                packets += rate
                        * index.portsOf(universe).stream()
                                .map(p -> index.receiverOf(p.id()).id())
                                .distinct()
                                .count();
            }
            if (backed) {
                against.add(
                        "Two sources of one universe have no priorities; they merge, and the old look of one that stops"
                                + " stays up to 10 s.");
            }
        } else {
            if (wireless) {
                against.add("Multicast reaches Wi-Fi clients at the slowest rate.");
            }
            against.add("A switch without snooping passes all multicast to every cable.");
        }
        return new Side(protocol, limit, packets, addresses, against, possible);
    }
}
