package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.profile.ProfileSupply;

/** Lines about cables, DMX lines and supplies. */
final class CableWords {
    private final Plan plan;
    private final Things things;

    CableWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    /** {@code cable [KIND] A to B}; a network cable goes from adapter to adapter or into a switch, others from box to box. */
    List<Offer> cable(List<String> words) {
        CableKind kind = CableKind.NETWORK;
        List<String> rest = words;
        for (CableKind k : CableKind.values()) {
            if (!words.isEmpty() && words.get(0).equalsIgnoreCase(k.word())) {
                kind = k;
                rest = words.subList(1, words.size());
            }
        }
        List<List<String>> sides = Words.around(rest, "to");
        if (sides.get(1).isEmpty()) {
            return List.of();
        }
        CableKind chosen = kind;
        List<Offer> offers = new ArrayList<>();
        for (Host a : things.named(sides.get(0), plan.hosts(), h -> true, "a device")) {
            for (Host b : things.named(sides.get(1), plan.hosts(), h -> !h.id().equals(a.id()), "another device")) {
                if (offers.size() < Commands.MOST_OFFERS) {
                    Id<?> from = chosen == CableKind.NETWORK ? Connections.socket(plan, a.id()) : a.id();
                    Id<?> to = chosen == CableKind.NETWORK ? Connections.socket(plan, b.id()) : b.id();
                    offers.add(Offer.of(
                            "Cable " + plan.index().name(from) + " to "
                                    + plan.index().name(to) + ", " + chosen.word(),
                            () -> Connections.cable(plan, chosen, from, to)));
                }
            }
        }
        return offers;
    }

    /** {@code split LINE by BOX [into COUNT]}: the splitter's branches become lines. */
    List<Offer> split(List<String> words) {
        List<List<String>> into = Words.around(words, "into");
        int count = into.get(1).stream()
                .filter(w -> w.matches("\\d{1,3}"))
                .findFirst()
                .map(Integer::parseInt)
                .orElse(1);
        List<List<String>> sides = Words.around(into.get(0), "by");
        List<Offer> offers = new ArrayList<>();
        for (Line line : things.named(sides.get(0), plan.lines(), l -> true, "a DMX line")) {
            for (Host box : things.named(
                    sides.get(1), plan.hosts(), CableWords::passesLines, "a device that passes DMX lines on")) {
                if (offers.size() < Commands.MOST_OFFERS) {
                    offers.add(Offer.of(
                            "Split " + line.name() + " by " + box.name() + " into "
                                    + (count == 1 ? "a line" : count + " lines"),
                            () -> Connections.split(plan, line, box, count)));
                }
            }
        }
        return offers;
    }

    /** {@code air LINE from SENDER to RECEIVER}: a line by radio. */
    List<Offer> air(List<String> words) {
        List<List<String>> ends = Words.around(words, "to");
        List<List<String>> start = Words.around(ends.get(0), "from");
        List<Offer> offers = new ArrayList<>();
        for (Line line : things.named(start.get(0), plan.lines(), l -> true, "a DMX line")) {
            for (Host sender : things.named(
                    start.get(1), plan.hosts(), CableWords::passesLines, "a device that passes DMX lines on")) {
                for (Host receiver : things.named(
                        ends.get(1),
                        plan.hosts(),
                        h -> passesLines(h) && !h.id().equals(sender.id()),
                        "another device that passes DMX lines on")) {
                    if (offers.size() < Commands.MOST_OFFERS) {
                        offers.add(Offer.of(
                                "Pass " + line.name() + " on by radio from " + sender.name() + " to " + receiver.name(),
                                () -> Connections.air(plan, line, sender, receiver)));
                    }
                }
            }
        }
        return offers;
    }

    /** A box that hands a DMX line on has nothing to do with the network. */
    private static boolean passesLines(Host host) {
        return host.adapters().isEmpty();
    }

    /** {@code power BOX from BOX}: a power cable; {@code power BOX by SUPPLY}: one of its supplies. */
    List<Offer> power(List<String> words) {
        List<List<String>> from = Words.around(words, "from");
        List<List<String>> by = Words.around(words, "by");
        List<Offer> offers = new ArrayList<>();
        if (!from.get(1).isEmpty()) {
            for (Host fed : things.named(from.get(0), plan.hosts(), h -> true, "a device")) {
                for (Host feeder : things.named(
                        from.get(1),
                        plan.hosts(),
                        h -> !h.id().equals(fed.id()) && mayFeed(h),
                        "a device that feeds others")) {
                    offers.add(Offer.of(
                            "Power " + fed.name() + " from " + feeder.name(),
                            () -> Connections.cable(plan, CableKind.POWER, feeder.id(), fed.id())));
                }
            }
            return offers;
        }
        for (Host host : things.named(by.get(0), plan.hosts(), h -> true, "a device")) {
            List<ProfileSupply> supplies =
                    plan.index().profileOf(host).map(Profile::supplies).orElse(List.of());
            supplies.stream()
                    .filter(s -> Things.matches(s.name(), by.get(1)))
                    .forEach(s -> offers.add(
                            Offer.of("Power " + host.name() + " by " + s.name(), () -> Connections.supply(host, s))));
        }
        return offers;
    }

    private boolean mayFeed(Host host) {
        return plan.index().profileOf(host).map(Profile::passesPower).orElse(true);
    }
}
