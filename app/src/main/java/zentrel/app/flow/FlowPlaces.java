package zentrel.app.flow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowModel.Carrier;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.path.Verdict;
import zentrel.plan.Id;

/** At which height each thing of the flow stands, from the top. Worked out once for a model; nothing is drawn. */
final class FlowPlaces {
    static final double HEAD = 26;
    private static final double LEAST_ROW = 41;
    private static final double MOST_ROW = 58;
    static final double SENDER_ROW = 58;

    private static final double PER_UNIVERSE = 1.5;
    private static final double THINNEST = 2;
    private static final double THICKEST = 38;

    /** With so many takers the widest ribbon is this thick, so that two of them fit a row. */
    private static final double THIN = 16;

    private static final int MANY_TAKERS = 16;

    /** A ribbon of one universe out of an opened bundle: as high as its label. */
    private static final double OPENED = 9;

    /** A picture that is higher than this, and than there is room for, is seen in part only. */
    private static final double LONG = 700;

    /** Between two ribbons at one end. */
    private static final double BETWEEN = 1;

    /**
     * A bundle from a card to a bar or from a bar to a card.
     *
     * @param from its upper edge where it leaves
     * @param to its upper edge where it arrives
     * @param thick how thick it is
     * @param before how many marks stand nearer to the card already; only where it arrives at one
     */
    record Strand(Bundle bundle, double from, double to, double thick, int before) {
        double top() {
            return Math.min(from, to);
        }

        double bottom() {
            return Math.max(from, to) + thick;
        }
    }

    /**
     * The bar of a network.
     *
     * @param isLong whether it is seen in part only
     */
    record Bar(double top, double height, boolean isLong) {
        double bottom() {
            return top + height;
        }
    }

    private final FlowModel m;
    private final Predicate<Bundle> opened;
    private final double perUniverse;
    private final double row;
    private final double most;
    private final double height;
    private final Map<Id<?>, Double> senders = new HashMap<>();
    private final Map<Id<?>, Double> takers = new HashMap<>();
    private final Map<Id<?>, Bar> bars = new HashMap<>();
    private final Map<Id<?>, List<Bundle>> ins = new HashMap<>();
    private final List<Strand> out = new ArrayList<>();
    private final List<Strand> in = new ArrayList<>();

    /**
     * Works out all places.
     *
     * @param opened which bundles are opened to single universes
     * @param room how high the picture may be without being scrolled; rows use it
     */
    FlowPlaces(FlowModel m, Predicate<Bundle> opened, double room) {
        this.m = m;
        this.opened = opened;
        for (Bundle b : m.in()) {
            ins.computeIfAbsent(b.end(), e -> new ArrayList<>()).add(b);
        }
        int widest = m.in().stream().mapToInt(Bundle::width).max().orElse(1);
        perUniverse = m.takers().size() < MANY_TAKERS ? PER_UNIVERSE : Math.min(PER_UNIVERSE, THIN / widest);
        most = Math.max(LONG, room + 8);
        row = Math.max(
                LEAST_ROW,
                Math.min(MOST_ROW, (room - HEAD) / Math.max(1, m.takers().size())));
        double y = HEAD;
        for (Taker taker : m.takers()) {
            takers.put(taker.id(), y);
            y += row(taker);
        }
        double high = Math.max(y, HEAD + m.senders().size() * LEAST_ROW);
        placeBars();
        placeSenders(high);
        for (double at : senders.values()) {
            high = Math.max(high, at + SENDER_ROW);
        }
        height = high;
        placeStrands();
    }

    /** How high the picture is. */
    double height() {
        return height;
    }

    /** Where a sender stands. */
    double ofSender(Id<?> sender) {
        return at(senders, sender);
    }

    /** Where a taker stands. */
    double ofTaker(Id<?> taker) {
        return at(takers, taker);
    }

    /** The bar of a network; empty for one that leads nowhere. */
    Optional<Bar> bar(Id<?> carrier) {
        return Optional.ofNullable(bars.get(carrier));
    }

    /** From senders to networks. */
    List<Strand> out() {
        return out;
    }

    /** From networks to takers, in the order of these. */
    List<Strand> in() {
        return in;
    }

    /** How high a taker stands: as much as its ribbons need. */
    double row(Taker taker) {
        double ribbons = 0;
        for (Bundle b : ins.getOrDefault(taker.id(), List.of())) {
            ribbons += thickness(b) + BETWEEN;
        }
        return ribbons <= row + 6 ? row : ribbons + 12;
    }

    /** How high a row is at least. */
    double row() {
        return row;
    }

    /** Whether a row has room for a third line. */
    boolean isRoomy() {
        return row >= MOST_ROW - 2;
    }

    /** How thick a ribbon is. */
    double thickness(Bundle b) {
        if (isSingle(b)) {
            return OPENED;
        }
        return Math.min(THICKEST, Math.max(THINNEST, b.width() * perUniverse));
    }

    /** Whether it is one universe out of an opened bundle. */
    boolean isSingle(Bundle b) {
        return b.width() == 1 && opened.test(b);
    }

    /** Whether its taker has no other bundle. */
    boolean isAlone(Bundle b) {
        return ins.getOrDefault(b.end(), List.of()).size() <= 1;
    }

    private void placeBars() {
        for (Carrier carrier : m.carriers()) {
            double top = Double.MAX_VALUE;
            double bottom = 0;
            for (Bundle b : m.in()) {
                if (b.carrier().equals(carrier.id())) {
                    double y = at(takers, b.end());
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + LEAST_ROW);
                }
            }
            if (bottom > 0) {
                double height = Math.max(bottom - top - 22, 40);
                bars.put(carrier.id(), new Bar(top, height, height > most));
            }
        }
    }

    /** Each sender stands beside the first segment it sends to, as near its middle as there is room. */
    private void placeSenders(double high) {
        List<List<Sender>> groups = new ArrayList<>();
        List<Double> middles = new ArrayList<>();
        Set<Id<?>> placed = new HashSet<>();
        for (Carrier carrier : m.carriers()) {
            Bar bar = bars.get(carrier.id());
            List<Sender> group = m.senders().stream()
                    .filter(s -> bar != null && !placed.contains(s.id()) && sendsTo(s, carrier))
                    .toList();
            if (!group.isEmpty() && bar != null) {
                group.forEach(s -> placed.add(s.id()));
                groups.add(group);
                middles.add(bar.top() + bar.height() / 2);
            }
        }
        double bottom = Math.max(high, HEAD + placed.size() * SENDER_ROW);
        double after = placed.size() * SENDER_ROW;
        double y = HEAD;
        for (int g = 0; g < groups.size(); g++) {
            double wanted = middles.get(g) - groups.get(g).size() * SENDER_ROW / 2;
            if (high > most) {
                wanted = y; // the middle of a long picture is not where one looks first
            }
            y = Math.max(y, Math.min(wanted, bottom - after));
            for (Sender s : groups.get(g)) {
                senders.put(s.id(), y);
                y += SENDER_ROW;
                after -= SENDER_ROW;
            }
        }
        for (Sender s : m.senders()) {
            senders.putIfAbsent(s.id(), HEAD);
        }
    }

    private boolean sendsTo(Sender s, Carrier carrier) {
        return m.out().stream()
                .anyMatch(b -> b.end().equals(s.id()) && b.carrier().equals(carrier.id()));
    }

    private void placeStrands() {
        Map<Id<?>, Double> ends = new HashMap<>();
        Map<Id<?>, Double> left = firstStrands(m.out());
        for (Bundle b : m.out()) {
            double thick = thickness(b);
            double from = next(ends, b.end(), at(senders, b.end()) + 4, thick + BETWEEN);
            if (left.containsKey(b.carrier())) {
                out.add(new Strand(b, from, next(left, b.carrier(), 0, thick + 2), thick, 0));
            }
        }
        ends.clear();
        Map<Id<?>, Double> right = firstStrands(m.in());
        Map<Id<?>, Integer> marks = new HashMap<>();
        for (Taker taker : m.takers()) {
            for (Bundle b : ins.getOrDefault(taker.id(), List.of())) {
                double thick = thickness(b);
                double to = next(ends, b.end(), at(takers, b.end()) + 6, thick + BETWEEN);
                Bar bar = bars.get(b.carrier());
                if (bar == null) {
                    continue;
                }
                double next = next(right, b.carrier(), 0, thick + 2);
                // from a bar that is longer than a screen ribbons leave where they are needed, or none could be
                // followed
                double from = bar.isLong() ? Math.max(bar.top(), Math.min(to, bar.bottom() - thick)) : next;
                boolean marked = b.verdict().compareTo(Verdict.AT_RISK) >= 0;
                in.add(new Strand(b, from, to, thick, marked ? marks.merge(b.end(), 1, Integer::sum) - 1 : 0));
            }
        }
    }

    /** Where the first strand of each bar stands, so that all of them stand about its middle. */
    private Map<Id<?>, Double> firstStrands(List<Bundle> bundles) {
        Map<Id<?>, Double> first = new HashMap<>();
        bars.forEach((carrier, bar) -> {
            double total = bundles.stream()
                    .filter(b -> b.carrier().equals(carrier))
                    .mapToDouble(b -> thickness(b) + 2)
                    .sum();
            first.put(carrier, bar.top() + (bar.isLong() ? 2 : Math.max(2, (bar.height() - total) / 2)));
        });
        return first;
    }

    /** The next free place at one end; the one after it is {@code by} further down. */
    private static double next(Map<Id<?>, Double> ends, Id<?> end, double first, double by) {
        double at = ends.getOrDefault(end, first);
        ends.put(end, at + by);
        return at;
    }

    private static double at(Map<Id<?>, Double> places, Id<?> id) {
        return Objects.requireNonNull(places.get(id), "a place in the picture");
    }
}
