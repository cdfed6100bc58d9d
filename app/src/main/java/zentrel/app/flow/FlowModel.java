package zentrel.app.flow;

import static java.util.stream.Collectors.joining;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zentrel.check.Report;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.Fixture;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Line;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.plan.Segment;
import zentrel.plan.Stream;
import zentrel.plan.Universe;
import zentrel.text.Counted;

/**
 * What the Flow stage shows, without any nodes: sources, networks, receivers, fixtures. Worked out from
 * a report on any thread.
 */
public record FlowModel(
        List<Sender> senders,
        List<Carrier> carriers,
        List<Taker> takers,
        List<Bundle> out,
        List<Bundle> in,
        String summary) {
    /**
     * Who sends.
     *
     * @param others further addresses of its device, where there is room for them
     * @param universes what it sends, by name, where there is room for it
     * @param place where it stands
     * @param kind what kind of box it is, in words
     * @param members the senders in it, where several are folded into one; else itself
     */
    record Sender(
            Id<?> id,
            String name,
            String address,
            String others,
            String line,
            String universes,
            String place,
            String kind,
            List<Id<?>> members) {
        Sender {
            members = List.copyOf(members);
        }

        boolean isFolded() {
            return members.size() > 1;
        }
    }

    record Carrier(Id<?> id, String name, String subnet) {}

    /**
     * Who takes; {@code dark} of its {@code fixtures} do not respond.
     *
     * @param others further addresses of its device, where there is room for them
     * @param universes what its ports send out, by name, where there is room for it
     * @param ports its ports that are used, and all of them
     * @param place where it stands
     * @param kind what kind of box it is, in words
     * @param members the takers in it, where several are folded into one; else itself
     */
    record Taker(
            Id<?> id,
            String name,
            String address,
            String others,
            String line,
            String universes,
            int fixtures,
            int dark,
            String lights,
            Ports ports,
            String place,
            String kind,
            List<Id<?>> members) {
        Taker {
            members = List.copyOf(members);
        }

        boolean isFolded() {
            return members.size() > 1;
        }
    }

    /** Ports that are used, of all. */
    record Ports(int used, int all) {
        Ports plus(Ports more) {
            return new Ports(used + more.used, all + more.all);
        }

        String words() {
            return used + " of " + Counted.of(all, "port");
        }
    }

    /**
     * Universes that go the same way in the same state.
     *
     * @param end the sender or the taker
     * @param signals the universes or links in it
     */
    record Bundle(Id<?> end, Id<?> carrier, String protocol, Verdict verdict, boolean standby, List<Id<?>> signals) {
        int width() {
            return signals.size();
        }

        /** What makes it another bundle than its neighbours. */
        Key key() {
            return new Key(end, carrier, protocol, verdict, standby);
        }
    }

    record Key(Id<?> end, Id<?> carrier, String protocol, Verdict verdict, boolean standby) {}

    /** More names than this no card has room for. */
    private static final int MOST_NAMED = 12;

    public static FlowModel of(Report report) {
        return new Builder(report).build();
    }

    private static final class Builder {
        private final Report report;
        private final Plan plan;
        private final PlanIndex index;
        private final Map<Id<?>, Sender> senders = new LinkedHashMap<>();
        private final Map<Id<?>, Taker> takers = new LinkedHashMap<>();
        private final Map<Key, Set<Id<?>>> out = new LinkedHashMap<>();
        private final Map<Key, Set<Id<?>>> in = new LinkedHashMap<>();
        private final Map<Id<Port>, Verdict> ports = new LinkedHashMap<>();
        private final Set<Id<?>> usedCarriers = new LinkedHashSet<>();
        private int universesWell;
        private int universesBroken;

        Builder(Report report) {
            this.report = report;
            this.plan = report.plan();
            this.index = plan.index();
        }

        FlowModel build() {
            for (Segment segment : plan.segments()) {
                usedCarriers.add(segment.id()); // in the plan's order; those that carry nothing are dropped below
            }
            Set<Id<?>> carrying = new LinkedHashSet<>();
            Map<Id<?>, Verdict> byUniverse = new LinkedHashMap<>();
            for (SignalPath path : report.paths()) {
                Optional<Id<?>> carrier = carrier(path);
                boolean betweenDesks = path.protocol().equals(SignalPaths.SESSION); // the page of desks shows those
                if (betweenDesks || path.source().isEmpty() || path.receiver().isEmpty() || carrier.isEmpty()) {
                    continue;
                }
                carrying.add(carrier.get());
                Id<?> sender = path.source().get();
                Id<?> taker = takerOf(path.receiver().get());
                boolean standby = path.signal()
                        .flatMap(s -> s.as(Kind.STREAM))
                        .map(s -> index.stream(s).standby())
                        .orElse(false);
                Id<?> signal = path.signal()
                        .flatMap(s -> s.as(Kind.STREAM))
                        .<Id<?>>map(s -> index.stream(s).universe())
                        .orElse(path.signal().orElse(taker));
                Verdict verdict = path.verdict();
                senders.computeIfAbsent(sender, this::sender);
                out.computeIfAbsent(
                                new Key(sender, carrier.get(), path.protocol(), Verdict.PASSES, standby),
                                k -> new LinkedHashSet<>())
                        .add(signal);
                if (!standby) {
                    in.computeIfAbsent(
                                    new Key(taker, carrier.get(), path.protocol(), shown(verdict), false),
                                    k -> new LinkedHashSet<>())
                            .add(signal);
                }
                if (index.find(path.receiver().get()).orElse(null) instanceof Port port && !standby) {
                    ports.merge(port.id(), verdict, (a, b) -> a.compareTo(b) < 0 ? a : b);
                    if (port.kind() == zentrel.profile.PortKind.DMX && hasFixtures(signal)) {
                        byUniverse.merge(signal, verdict, (a, b) -> a.compareTo(b) > 0 ? a : b);
                    }
                }
                takers.putIfAbsent(taker, placeholder(taker));
            }
            byUniverse.values().forEach(v -> {
                if (v == Verdict.BROKEN) {
                    universesBroken++;
                } else {
                    universesWell++;
                }
            });
            takers.replaceAll((id, t) -> taker(id));
            List<Carrier> carriers = usedCarriers.stream()
                    .filter(carrying::contains)
                    .map(id -> new Carrier(
                            id,
                            index.name(id),
                            index.segment(id.as(Kind.SEGMENT).orElseThrow())
                                    .subnet()
                                    .map(Object::toString)
                                    .orElse("")))
                    .toList();
            String summary = Counted.of(plan.universes().size(), "universe") + " · " + universesWell
                    + (universesWell == 1 ? " reaches its fixtures" : " reach their fixtures")
                    + (universesBroken > 0 ? " · " + universesBroken + " broken" : "")
                    + " · width is the number of universes";
            return new FlowModel(
                    List.copyOf(senders.values()), carriers, sorted(carriers), bundles(out), bundles(in), summary);
        }

        /** A universe without fixtures reaches none, however well it arrives. */
        private boolean hasFixtures(Id<?> signal) {
            return signal.as(Kind.UNIVERSE)
                    .filter(u -> !index.fixturesIn(u).isEmpty())
                    .isPresent();
        }

        private static Verdict shown(Verdict verdict) {
            return verdict.compareTo(Verdict.AT_RISK) >= 0 ? verdict : Verdict.PASSES;
        }

        /** Takers in the order of their carriers, so that ribbons cross little. */
        private List<Taker> sorted(List<Carrier> carriers) {
            Map<Id<?>, Integer> order = new LinkedHashMap<>();
            List<Id<?>> ids = carriers.stream().map(Carrier::id).toList();
            in.keySet().forEach(k -> order.merge(k.end(), ids.indexOf(k.carrier()), Math::min));
            List<Taker> list = new ArrayList<>(takers.values());
            list.sort(java.util.Comparator.comparing(t -> order.getOrDefault(t.id(), 0)));
            return list;
        }

        private static List<Bundle> bundles(Map<Key, Set<Id<?>>> map) {
            List<Bundle> list = new ArrayList<>();
            map.forEach((k, signals) -> list.add(
                    new Bundle(k.end(), k.carrier(), k.protocol(), k.verdict(), k.standby(), List.copyOf(signals))));
            return list;
        }

        private Optional<Id<?>> carrier(SignalPath path) {
            if (path.legs().isEmpty()) {
                return Optional.empty();
            }
            Hop hop = path.legs().get(0).hop(HopKind.CARRIED);
            if (hop.at().is(Kind.SEGMENT)) {
                return Optional.of(hop.at());
            }
            // Within one computer, or apart: drawn where the sender is.
            return path.source()
                    .flatMap(s -> index.hostOf(s).adapters().stream()
                            .flatMap(a -> a.segment().stream())
                            .findFirst());
        }

        private Id<?> takerOf(Id<?> receiver) {
            return receiver.is(Kind.PORT) ? index.keptIn(receiver) : receiver;
        }

        private Sender sender(Id<?> id) {
            Application a = index.application(id.as(Kind.APPLICATION).orElseThrow());
            Map<String, TreeSet<Integer>> sent = new LinkedHashMap<>();
            for (Stream s : index.streamsFrom(a.id())) {
                index.wireOf(s)
                        .ifPresent(w -> sent.computeIfAbsent(s.protocol().title(), k -> new TreeSet<>())
                                .add(w));
            }
            List<String> parts = new ArrayList<>();
            sent.forEach((protocol, numbers) -> parts.add(protocol + " " + runs(numbers)));
            if (parts.isEmpty()) {
                plan.links().stream()
                        .filter(l -> l.from().equals(id))
                        .findFirst()
                        .ifPresent(l -> parts.add("OSC to " + l.port().inForce()));
            }
            Host host = index.host(a.host());
            return new Sender(
                    id,
                    a.name(),
                    address(host),
                    others(host),
                    String.join(" · ", parts),
                    universes(index.streamsFrom(a.id()).stream().map(Stream::universe)),
                    host.place(),
                    kind(host),
                    List.of(id));
        }

        private static String kind(Host host) {
            return host.kind().word().replace('-', ' ');
        }

        private static String runs(java.util.SortedSet<Integer> numbers) {
            return numbers.size() == 1 ? String.valueOf(numbers.first()) : numbers.first() + "–" + numbers.last();
        }

        private static String address(Host host) {
            return addresses(host).findFirst().orElse("no address");
        }

        private static String others(Host host) {
            return addresses(host).skip(1).collect(joining(", "));
        }

        private static java.util.stream.Stream<String> addresses(Host host) {
            return host.adapters().stream()
                    .flatMap(a -> a.addresses().stream())
                    .map(a -> a.inForce().address().toString());
        }

        private String universes(java.util.stream.Stream<Id<Universe>> ids) {
            return ids.distinct()
                    .limit(MOST_NAMED)
                    .map(index::universe)
                    .map(u -> (u.label() + " " + u.name()).strip())
                    .collect(joining(", "));
        }

        private Taker placeholder(Id<?> id) {
            return new Taker(id, "", "", "", "", "", 0, 0, "", new Ports(0, 0), "", "", List.of(id));
        }

        private Taker taker(Id<?> id) {
            Object found = index.get(id);
            if (found instanceof Application program) {
                return program(program);
            }
            Receiver receiver = (Receiver) found;
            Map<Id<Fixture>, Fixture> fixtures = new LinkedHashMap<>();
            Set<Id<Fixture>> dark = new HashSet<>();
            int used = 0;
            for (Port port : receiver.ports()) {
                used += index.universesOf(port.id()).isEmpty() ? 0 : 1;
                Verdict verdict = ports.getOrDefault(port.id(), Verdict.BROKEN);
                for (Fixture f : fixturesOf(port)) {
                    fixtures.put(f.id(), f);
                    boolean ownFault =
                            report.signalPaths().patchIssues(f).stream().anyMatch(i -> i.verdict() == Verdict.BROKEN);
                    if (ownFault || (verdict == Verdict.BROKEN && portDies(port))) {
                        dark.add(f.id());
                    }
                }
            }
            Application a = index.application(receiver.application());
            String lights = receiver.ports().stream().anyMatch(p -> p.kind() == zentrel.profile.PortKind.INTERNAL)
                    ? "on a screen"
                    : fixtures.values().stream()
                            .map(Fixture::place)
                            .filter(p -> !p.isEmpty())
                            .distinct()
                            .limit(MOST_NAMED)
                            .collect(joining(", "));
            return new Taker(
                    id,
                    receiver.name(),
                    address(index.host(a.host())),
                    others(index.host(a.host())),
                    new Ports(used, receiver.ports().size()).words(),
                    universes(receiver.ports().stream().flatMap(p -> index.universesOf(p.id()).stream())),
                    fixtures.size(),
                    dark.size(),
                    lights,
                    new Ports(used, receiver.ports().size()),
                    index.host(a.host()).place(),
                    kind(index.host(a.host())),
                    List.of(id));
        }

        /** A program that takes OSC, a console's own stream, or both. */
        private Taker program(Application a) {
            List<String> takes = new ArrayList<>();
            List<String> lines = new ArrayList<>();
            if (plan.links().stream().anyMatch(l -> l.to().equals(a.id()))) {
                takes.add("OSC");
                lines.add(a.osc().map(o -> "listens on " + o.port().inForce()).orElse("receives no OSC"));
            }
            for (Attachment x : plan.attachments()) {
                if (x.to().equals(a.id())) {
                    takes.add("own stream");
                    lines.add("from " + index.name(x.from()));
                }
            }
            Host host = index.host(a.host());
            return new Taker(
                    a.id(),
                    a.name() + ", "
                            + String.join(", ", takes.stream().distinct().toList()),
                    address(host),
                    others(host),
                    String.join(" · ", lines),
                    "",
                    0,
                    0,
                    a.osc().map(o -> String.join("  ", o.addresses())).orElse(""),
                    new Ports(0, 0),
                    host.place(),
                    kind(host),
                    List.of(a.id()));
        }

        /** Whether the port itself is not reached, as opposed to one fixture on it being patched wrongly. */
        private boolean portDies(Port port) {
            return index.universesOf(port.id()).stream()
                    .flatMap(u -> report.signalPaths().ofUniverse(u).paths().stream())
                    .filter(p -> p.receiver().equals(Optional.of(port.id())))
                    .allMatch(p ->
                            p.legs().get(0).hops().subList(0, 9).stream().anyMatch(h -> h.verdict() == Verdict.BROKEN));
        }

        private List<Fixture> fixturesOf(Port port) {
            List<Fixture> list = new ArrayList<>();
            for (Line line : index.linesOf(port.id())) {
                list.addAll(index.fixturesOn(line.id()));
            }
            if (list.isEmpty()) {
                index.universesOf(port.id()).forEach(u -> list.addAll(index.fixturesIn(u)));
            }
            return list;
        }
    }
}
