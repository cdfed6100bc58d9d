package zentrel.path;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Universe;

/** How fixtures share the slots of a universe: which overlap, and which go past its end. */
final class SlotJudge {
    /** How many fixtures one break is compared with; a universe has room for no more that do not overlap. */
    private static final int MOST_NEIGHBOURS = Universe.SLOTS;

    private record Placed(Fixture fixture, int breakIndex, int order) {
        Break slots() {
            return fixture.breaks().get(breakIndex);
        }

        /** The same place of the same fixture; an order belongs to one fixture, so nothing else need be compared. */
        boolean isAt(Placed other) {
            return order == other.order && breakIndex == other.breakIndex;
        }

        boolean sharesFixture(Placed other) {
            return order == other.order;
        }
    }

    private final PlanIndex index;
    private final BiConsumer<Fixture, Issue> to;

    /** @param to told what is wrong with a fixture */
    SlotJudge(PlanIndex index, BiConsumer<Fixture, Issue> to) {
        this.index = index;
        this.to = to;
    }

    /** How the fixtures of a universe share its slots. */
    void judge(Id<Universe> universe) {
        List<Fixture> fixtures = index.fixturesIn(universe);
        List<Placed> placed = new ArrayList<>(fixtures.size());
        for (int order = 0; order < fixtures.size(); order++) {
            List<Break> breaks = fixtures.get(order).breaks();
            for (int i = 0; i < breaks.size(); i++) {
                if (breaks.get(i).universe().equals(universe)) {
                    placed.add(new Placed(fixtures.get(order), i, order));
                }
            }
        }
        judge(placed);
    }

    private void judge(List<Placed> placed) {
        placed.sort(Comparator.comparingInt((Placed p) -> p.slots().start()).thenComparingInt(Placed::order));
        List<Placed> open = new ArrayList<>();
        for (Placed p : placed) {
            if (p.slots().end() > Universe.SLOTS) {
                pastEnd(p, placed);
            }
            open.removeIf(o -> o.slots().end() < p.slots().start());
            for (Placed o : open) {
                if (!(o.fixture().sharesSlots() && p.fixture().sharesSlots())) {
                    overlap(o, p, placed);
                }
            }
            if (open.size() < MOST_NEIGHBOURS) {
                open.add(p);
            }
        }
    }

    private void pastEnd(Placed p, List<Placed> placed) {
        Optional<Integer> free = freeStart(p, placed);
        to.accept(
                p.fixture(),
                new Issue(
                        Reason.PAST_END,
                        Verdict.BROKEN,
                        p.fixture().id(),
                        facts(free.isPresent() ? "room" : "no-room", p, free)));
    }

    private Facts facts(String form, Placed p, Optional<Integer> free) {
        Break b = p.slots();
        Facts facts = Facts.as(
                form,
                "fixture",
                p.fixture(),
                "universe",
                index.universe(b.universe()),
                "start",
                b.start(),
                "end",
                b.end(),
                "footprint",
                b.footprint(),
                "part",
                p.breakIndex());
        return free.map(f -> facts.and("free", f)).orElse(facts);
    }

    private void overlap(Placed a, Placed b, List<Placed> placed) {
        Placed later = a.order() >= b.order() ? a : b;
        Placed earlier = later.isAt(a) ? b : a;
        Optional<Integer> free = freeStart(later, placed);
        String form = earlier.sharesFixture(later) ? "itself" : "another";
        Issue issue = new Issue(
                Reason.OVERLAP,
                Verdict.BROKEN,
                later.fixture().id(),
                facts(free.isPresent() ? form + "-room" : form, later, free)
                        .and(
                                "other",
                                earlier.fixture(),
                                "otherStart",
                                earlier.slots().start(),
                                "otherEnd",
                                earlier.slots().end()));
        to.accept(later.fixture(), issue);
        if (!earlier.sharesFixture(later)) {
            to.accept(earlier.fixture(), issue);
        }
    }

    /** The first start with room for the footprint among the universe's other fixtures. */
    private static Optional<Integer> freeStart(Placed p, List<Placed> placed) {
        BitSet used = new BitSet();
        for (Placed other : placed) {
            if (!other.isAt(p)) {
                used.set(other.slots().start(), Math.min(other.slots().end(), Universe.SLOTS) + 1);
            }
        }
        int footprint = p.slots().footprint();
        int start = used.nextClearBit(1);
        while (start + footprint - 1 <= Universe.SLOTS) {
            int taken = used.nextSetBit(start);
            if (taken < 0 || taken - start >= footprint) {
                return Optional.of(start);
            }
            start = used.nextClearBit(taken);
        }
        return Optional.empty();
    }
}
