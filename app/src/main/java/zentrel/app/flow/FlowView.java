package zentrel.app.flow;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowModel.Ports;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.path.Verdict;
import zentrel.plan.Id;

/**
 * What of the flow is shown: some of it only, boxes folded into groups with their totals, bundles opened to single
 * universes. A function of the model; it keeps nothing.
 *
 * @param protocol only this one, as the path calls it; empty for all
 * @param carrier only this segment
 * @param place only what stands there
 * @param wrong only what is broken or at risk
 * @param fold what boxes are folded by
 * @param unfolded the groups that are opened, by the words they are folded by
 * @param opened the bundles that are opened
 */
public record FlowView(
        Optional<String> protocol,
        Optional<Id<?>> carrier,
        Optional<String> place,
        boolean wrong,
        Fold fold,
        Set<String> unfolded,
        Set<FlowModel.Key> opened) {
    /** What boxes are folded by. */
    public enum Fold {
        /** By place where there are many, by kind where all stand in one place, and few not at all. */
        AS_NEEDED,
        PLACE,
        KIND,
        NOTHING
    }

    /** From so many boxes on they are folded where that is left to the program: two pictures of a small screen. */
    static final int MANY = 40;

    /** Fewer than so many are no group. */
    private static final int FEWEST = 3;

    /** All of it, folded where there are many. */
    public static final FlowView ALL = new FlowView(
            Optional.empty(), Optional.empty(), Optional.empty(), false, Fold.AS_NEEDED, Set.of(), Set.of());

    public FlowView {
        unfolded = Set.copyOf(unfolded);
        opened = Set.copyOf(opened);
    }

    FlowView withProtocol(Optional<String> value) {
        return new FlowView(value, carrier, place, wrong, fold, unfolded, opened);
    }

    FlowView withCarrier(Optional<Id<?>> value) {
        return new FlowView(protocol, value, place, wrong, fold, unfolded, opened);
    }

    FlowView withPlace(Optional<String> value) {
        return new FlowView(protocol, carrier, value, wrong, fold, unfolded, opened);
    }

    FlowView withWrong(boolean value) {
        return new FlowView(protocol, carrier, place, value, fold, unfolded, opened);
    }

    /** Folded otherwise. */
    public FlowView folded(Fold value) {
        return new FlowView(protocol, carrier, place, wrong, value, Set.of(), opened);
    }

    FlowView unfolding(String group) {
        return new FlowView(protocol, carrier, place, wrong, fold, toggled(unfolded, group), opened);
    }

    FlowView opening(FlowModel.Key bundle) {
        return new FlowView(protocol, carrier, place, wrong, fold, unfolded, toggled(opened, bundle));
    }

    private static <T> Set<T> toggled(Set<T> set, T item) {
        Set<T> next = new HashSet<>(set);
        if (!next.remove(item)) {
            next.add(item);
        }
        return next;
    }

    /** The model as this view shows it. */
    public FlowModel of(FlowModel whole) {
        return opened(folded(filtered(whole)));
    }

    // --- some of it only ---

    private FlowModel filtered(FlowModel m) {
        if (protocol.isEmpty() && carrier.isEmpty() && place.isEmpty() && !wrong) {
            return m;
        }
        Map<Id<?>, String> places = new LinkedHashMap<>();
        m.takers().forEach(t -> places.put(t.id(), t.place()));
        List<Bundle> in = m.in().stream()
                .filter(b -> protocol.filter(p -> !p.equals(b.protocol())).isEmpty())
                .filter(b -> carrier.filter(c -> !c.equals(b.carrier())).isEmpty())
                .filter(b -> place.filter(p -> !p.equals(places.get(b.end()))).isEmpty())
                .filter(b -> !wrong || b.verdict().compareTo(Verdict.AT_RISK) >= 0)
                .toList();
        Set<Id<?>> signals = new HashSet<>();
        in.forEach(b -> signals.addAll(b.signals()));
        List<Bundle> out = new ArrayList<>();
        for (Bundle b : m.out()) {
            boolean fits = protocol.filter(p -> !p.equals(b.protocol())).isEmpty()
                    && carrier.filter(c -> !c.equals(b.carrier())).isEmpty();
            List<Id<?>> kept = b.signals().stream().filter(signals::contains).toList();
            if (fits && !kept.isEmpty()) {
                out.add(new Bundle(b.end(), b.carrier(), b.protocol(), b.verdict(), b.standby(), kept));
            }
        }
        // a program may both send and take, so the two sides are looked up apart
        Set<Id<?>> sending = ends(out);
        Set<Id<?>> taking = ends(in);
        Set<Id<?>> carriers = new HashSet<>();
        in.forEach(b -> carriers.add(b.carrier()));
        return new FlowModel(
                m.senders().stream().filter(s -> sending.contains(s.id())).toList(),
                m.carriers().stream().filter(c -> carriers.contains(c.id())).toList(),
                m.takers().stream().filter(t -> taking.contains(t.id())).toList(),
                out,
                in,
                m.summary());
    }

    private static Set<Id<?>> ends(List<Bundle> bundles) {
        Set<Id<?>> ends = new HashSet<>();
        bundles.forEach(b -> ends.add(b.end()));
        return ends;
    }

    // --- folded ---

    private FlowModel folded(FlowModel m) {
        boolean many = Math.max(m.takers().size(), m.senders().size()) >= MANY;
        boolean places =
                m.takers().stream().map(Taker::place).distinct().limit(2).count() > 1;
        Fold by = fold != Fold.AS_NEEDED ? fold : !many ? Fold.NOTHING : places ? Fold.PLACE : Fold.KIND;
        if (by == Fold.NOTHING) {
            return m;
        }
        Map<Id<?>, Id<?>> takersInto = new LinkedHashMap<>();
        Map<Id<?>, Id<?>> sendersInto = new LinkedHashMap<>();
        List<Taker> takers = new ArrayList<>();
        Map<Id<?>, Id<?>> takersOn = main(m.in());
        groups(m.takers(), t -> group(by, t.place(), t.kind()) + " " + takersOn.get(t.id()))
                .forEach(group -> takers.addAll(fold(by, group, takersInto)));
        List<Sender> senders = new ArrayList<>();
        Map<Id<?>, Id<?>> sendersOn = main(m.out());
        groups(m.senders(), s -> group(by, s.place(), s.kind()) + " " + sendersOn.get(s.id()))
                .forEach(group -> senders.addAll(foldSenders(by, group, sendersInto)));
        return new FlowModel(
                senders, m.carriers(), takers, joined(m.out(), sendersInto), joined(m.in(), takersInto), m.summary());
    }

    /** The first segment of each end. */
    private static Map<Id<?>, Id<?>> main(List<Bundle> bundles) {
        Map<Id<?>, Id<?>> main = new LinkedHashMap<>();
        bundles.forEach(b -> main.putIfAbsent(b.end(), b.carrier()));
        return main;
    }

    private static String group(Fold by, String place, String kind) {
        String words = by == Fold.PLACE ? place : kind;
        return words.isEmpty() ? "no place" : words;
    }

    private static <T> List<List<T>> groups(List<T> all, Function<T, String> key) {
        Map<String, List<T>> groups = new LinkedHashMap<>();
        for (T item : all) {
            groups.computeIfAbsent(key.apply(item), k -> new ArrayList<>()).add(item);
        }
        return List.copyOf(groups.values());
    }

    private List<Taker> fold(Fold by, List<Taker> group, Map<Id<?>, Id<?>> into) {
        Taker first = group.get(0);
        String words = group(by, first.place(), first.kind());
        if (group.size() < FEWEST || unfolded.contains(words)) {
            return group;
        }
        group.forEach(t -> into.put(t.id(), first.id()));
        Ports ports = group.stream().map(Taker::ports).reduce(new Ports(0, 0), Ports::plus);
        return List.of(new Taker(
                first.id(),
                words,
                group.size() + " that take",
                "",
                ports.all() == 0 ? "" : ports.words(),
                "",
                group.stream().mapToInt(Taker::fixtures).sum(),
                group.stream().mapToInt(Taker::dark).sum(),
                by == Fold.PLACE ? "" : words,
                ports,
                first.place(),
                first.kind(),
                group.stream().map(Taker::id).toList()));
    }

    private List<Sender> foldSenders(Fold by, List<Sender> group, Map<Id<?>, Id<?>> into) {
        Sender first = group.get(0);
        String words = group(by, first.place(), first.kind());
        if (group.size() < FEWEST || unfolded.contains(words)) {
            return group;
        }
        group.forEach(s -> into.put(s.id(), first.id()));
        return List.of(new Sender(
                first.id(),
                words,
                group.size() + " that send",
                "",
                "",
                "",
                first.place(),
                first.kind(),
                group.stream().map(Sender::id).toList()));
    }

    private static List<Bundle> joined(List<Bundle> bundles, Map<Id<?>, Id<?>> into) {
        Map<FlowModel.Key, Set<Id<?>>> all = new LinkedHashMap<>();
        for (Bundle b : bundles) {
            FlowModel.Key key = new FlowModel.Key(
                    into.getOrDefault(b.end(), b.end()), b.carrier(), b.protocol(), b.verdict(), b.standby());
            all.computeIfAbsent(key, k -> new LinkedHashSet<>()).addAll(b.signals());
        }
        List<Bundle> list = new ArrayList<>();
        all.forEach((k, signals) -> list.add(
                new Bundle(k.end(), k.carrier(), k.protocol(), k.verdict(), k.standby(), List.copyOf(signals))));
        return list;
    }

    // --- opened ---

    private FlowModel opened(FlowModel m) {
        return opened.isEmpty()
                ? m
                : new FlowModel(m.senders(), m.carriers(), m.takers(), single(m.out()), single(m.in()), m.summary());
    }

    private List<Bundle> single(List<Bundle> bundles) {
        List<Bundle> list = new ArrayList<>();
        for (Bundle b : bundles) {
            if (opened.contains(b.key())) {
                b.signals()
                        .forEach(s -> list.add(
                                new Bundle(b.end(), b.carrier(), b.protocol(), b.verdict(), b.standby(), List.of(s))));
            } else {
                list.add(b);
            }
        }
        return list;
    }
}
