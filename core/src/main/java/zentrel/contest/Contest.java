package zentrel.contest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.path.Leg;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/**
 * The sources that reach one port with one universe.
 *
 * @param heard who decides the levels now; several where they are merged, or where it is open which of them is taken, none where
 *     nobody sends
 * @param contenders all that reach it, those that stand by among them
 * @param now what is seen, in a sentence
 * @param failures what is seen when one of them stops, one for each
 */
public record Contest(
        Id<Universe> universe,
        Id<Port> port,
        List<Id<Stream>> heard,
        List<Contender> contenders,
        String now,
        List<Failure> failures) {
    /** After so long without a packet an sACN source is lost. */
    public static final double SACN_LOSS_SECONDS = Sources.SACN_LOSS.value();

    /** After so long an entry of a node that merges lapses. */
    public static final double ARTNET_LAPSE_SECONDS = Sources.ARTNET_MERGE_LAPSE.value();

    private static final int ARTNET_SOURCES = Sources.ARTNET_MERGED_SOURCES.value();

    /**
     * A source that reaches the port.
     *
     * @param priority its sACN priority; 100 by Art-Net, which has none
     * @param standby whether it sends nothing as long as the primary does
     */
    public record Contender(
            Id<Stream> stream, Id<Application> from, Protocol protocol, int priority, boolean standby) {}

    /**
     * One source stops.
     *
     * @param next who is heard then; none where nobody is left
     * @param seconds how long the old look stays at most before that
     */
    public record Failure(Id<Application> source, List<Id<Application>> next, double seconds, String text) {}

    public Contest {
        heard = List.copyOf(heard);
        contenders = List.copyOf(contenders);
        failures = List.copyOf(failures);
    }

    /** Every port of a plan that takes a universe, in the order of the universes. */
    public static List<Contest> all(SignalPaths paths) {
        List<Contest> all = new ArrayList<>();
        paths.plan().universes().forEach(u -> all.addAll(of(paths, u.id())));
        return all;
    }

    /** The ports that take one universe. */
    public static List<Contest> of(SignalPaths paths, Id<Universe> universe) {
        PlanIndex index = paths.plan().index();
        Map<Id<Port>, List<Contender>> byPort = new LinkedHashMap<>();
        for (SignalPath path : paths.ofUniverse(universe).paths()) {
            Id<Port> port = path.receiver().flatMap(r -> r.as(Kind.PORT)).orElse(null);
            Id<Stream> id = path.signal().flatMap(s -> s.as(Kind.STREAM)).orElse(null);
            if (port != null && id != null && arrives(path)) {
                Stream stream = index.stream(id);
                byPort.computeIfAbsent(port, p -> new ArrayList<>())
                        .add(new Contender(
                                id,
                                stream.application(),
                                stream.protocol(),
                                stream.protocol() == Protocol.SACN
                                        ? stream.priority().inForce()
                                        : 100,
                                stream.standby()));
            }
        }
        List<Contest> contests = new ArrayList<>();
        byPort.forEach((port, contenders) -> contests.add(judged(index, universe, port, contenders)));
        return contests;
    }

    /** Whether it gets as far as the port, whoever wins there. */
    private static boolean arrives(SignalPath path) {
        for (Leg leg : path.legs()) {
            if (leg.hops().stream()
                    .anyMatch(h -> h.verdict() == Verdict.BROKEN && h.kind().number() < HopKind.WINS.number())) {
                return false;
            }
        }
        return true;
    }

    private static Contest judged(PlanIndex index, Id<Universe> universe, Id<Port> port, List<Contender> contenders) {
        Merge merge = index.receiverOf(port).merge();
        List<Contender> active = contenders.stream().filter(c -> !c.standby()).toList();
        List<Contender> heard = heard(active.isEmpty() ? contenders : active, merge);
        List<Failure> failures = new ArrayList<>();
        for (Id<Application> source :
                active.stream().map(Contender::from).distinct().toList()) {
            failures.add(failure(index, index.receiverOf(port), contenders, heard, source));
        }
        return new Contest(
                universe,
                port,
                heard.stream().map(Contender::stream).toList(),
                contenders,
                now(index, active, heard, merge),
                failures);
    }

    /** Who decides: the highest sACN priority; among equals all of them where it merges, else the first. */
    private static List<Contender> heard(List<Contender> active, Merge merge) {
        if (active.isEmpty()) {
            return List.of();
        }
        int highest = active.stream().mapToInt(Contender::priority).max().orElse(0);
        List<Contender> top = active.stream()
                .filter(c -> c.priority() == highest || c.protocol() != Protocol.SACN)
                .sorted(Comparator.comparing(Contender::standby))
                .toList();
        boolean artnet = top.stream().allMatch(c -> c.protocol() == Protocol.ARTNET);
        return artnet && merge != Merge.NONE ? top.subList(0, Math.min(ARTNET_SOURCES, top.size())) : top;
    }

    private static String names(PlanIndex index, List<Contender> contenders) {
        return String.join(
                " and ",
                contenders.stream().map(c -> index.name(c.from())).distinct().toList());
    }

    private static String now(PlanIndex index, List<Contender> active, List<Contender> heard, Merge merge) {
        if (heard.isEmpty()) {
            return "Nobody reaches it.";
        }
        if (active.isEmpty()) {
            return "Only " + names(index, heard) + " would, and stands by.";
        }
        if (heard.size() == 1 && active.size() == 1) {
            return names(index, heard) + " has it alone.";
        }
        if (heard.size() == 1) {
            Contender winner = heard.get(0);
            return names(index, heard)
                    + (winner.protocol() == Protocol.SACN
                            ? " wins with priority " + winner.priority() + "."
                            : " is taken, the others are not.");
        }
        if (merge == Merge.NONE) {
            return names(index, heard)
                    + " reach it with equal priority, and it accepts one source only; which one is not" + " specified.";
        }
        String ignored = active.size() > heard.size() && heard.stream().allMatch(c -> c.protocol() == Protocol.ARTNET)
                ? " A third is ignored."
                : "";
        return names(index, heard) + " are merged: "
                + (merge == Merge.LTP
                        ? "the latest change of each slot counts."
                        : "the higher level of each slot counts.")
                + ignored;
    }

    private static Failure failure(
            PlanIndex index, Receiver receiver, List<Contender> all, List<Contender> heard, Id<Application> source) {
        Merge merge = receiver.merge();
        List<Contender> left =
                all.stream().filter(c -> !c.from().equals(source)).toList();
        List<Contender> sending = left.stream().filter(c -> !c.standby()).toList();
        List<Contender> next = heard(sending.isEmpty() ? left : sending, merge);
        boolean mattered = heard.stream().anyMatch(c -> c.from().equals(source));
        boolean sacn = all.stream().filter(c -> c.from().equals(source)).allMatch(c -> c.protocol() == Protocol.SACN);
        String name = index.name(source);
        List<Id<Application>> then =
                next.stream().map(Contender::from).distinct().toList();
        if (!mattered) {
            return new Failure(source, then, 0, "If " + name + " stops, nothing changes here: it does not win.");
        }
        double seconds = sacn ? SACN_LOSS_SECONDS : ARTNET_LAPSE_SECONDS;
        String hold = sacn
                ? "sACN holds the last look 2.5 s"
                : merge == Merge.HTP && !next.isEmpty()
                        ? "its last levels stay in the merge up to 10 s"
                        : "Art-Net has no end, so the last look stays up to 10 s";
        boolean takesOver = !next.isEmpty() && next.stream().allMatch(Contender::standby);
        String text = "If " + name + " stops: " + hold
                + (next.isEmpty()
                        ? ", then " + index.name(receiver.id()) + " "
                                + receiver.taking().loss().words() + "; no other source sends."
                        : takesOver
                                ? ", unless " + names(index, next) + ", which stands by, takes over before."
                                : ", then " + names(index, next) + (next.size() == 1 ? " wins." : " win."));
        return new Failure(source, then, seconds, text);
    }

    /** Whether several send at once and nobody is meant to win. */
    public Optional<String> fight(PlanIndex index) {
        boolean meant =
                index.universe(universe).merge() && index.receiverOf(port).merge() != Merge.NONE;
        return heard.size() > 1 && !meant ? Optional.of(now) : Optional.empty();
    }
}
