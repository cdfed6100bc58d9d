package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.profile.ProfilePoe;
import zentrel.profile.ProfileSupply;
import zentrel.text.Numbers;

/** More power than the switch gives over its sockets: {@code power.poe-budget}. */
final class PowerPoeBudget extends PathRule {
    PowerPoeBudget() {
        super("power.poe-budget");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().profiles().stream().anyMatch(p -> p.poe().isPresent());
    }

    private static Optional<ProfilePoe> poe(CheckContext context, Host host) {
        return context.index().profileOf(host).flatMap(Profile::poe);
    }

    /** A box that a switch powers, with what it draws. */
    private record Drawn(Host host, ProfileSupply supply, Optional<ProfileSupply> otherwise) {}

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            poe(context, host).ifPresent(poe -> judge(context, host, poe, findings));
        }
        return findings;
    }

    private void judge(CheckContext context, Host host, ProfilePoe poe, List<Finding> findings) {
        List<Drawn> drawn = drawn(context, host);
        for (Drawn d : drawn) {
            if (d.supply().watts() > poe.perPortWatts()) {
                findings.add(unmet(
                        Severity.BROKEN,
                        Optional.empty(),
                        List.of(d.host().id(), host.id()),
                        RuleWords.say(
                                "power.poe-budget.says/socket",
                                "device",
                                d.host().name(),
                                "drawn",
                                watts(d.supply().watts()),
                                "switch",
                                host.name(),
                                "given",
                                watts(poe.perPortWatts())),
                        otherwise(List.of(d))));
            }
        }
        double total = drawn.stream().mapToDouble(d -> d.supply().watts()).sum();
        if (total > poe.totalWatts()) {
            List<Id<?>> subjects = new ArrayList<>(List.of(host.id()));
            drawn.forEach(d -> subjects.add(d.host().id()));
            findings.add(unmet(
                    Severity.BROKEN,
                    Optional.empty(),
                    subjects,
                    RuleWords.say(
                            "power.poe-budget.says/all",
                            "count",
                            drawn.size(),
                            "drawn",
                            watts(total),
                            "switch",
                            host.name(),
                            "given",
                            watts(poe.totalWatts())),
                    relief(drawn, total - poe.totalWatts())));
        }
    }

    private static List<Drawn> drawn(CheckContext context, Host host) {
        List<Drawn> drawn = new ArrayList<>();
        List<Cable> cables = new ArrayList<>(context.index().cablesOf(host.id()));
        host.adapters().forEach(a -> cables.addAll(context.index().cablesOf(a.id())));
        for (Cable cable : cables) {
            if (cable.kind() != CableKind.NETWORK || !cable.connected()) {
                continue;
            }
            Id<?> far = cable.from().equals(host.id())
                            || host.adapters().stream().anyMatch(a -> a.id().equals(cable.from()))
                    ? cable.to()
                    : cable.from();
            if (!far.is(Kind.ADAPTER)) {
                continue;
            }
            Host taker = context.index().hostOf(far);
            List<ProfileSupply> supplies = taker.supplies(context.index());
            supplies.stream()
                    .filter(s -> s.poe() && taker.power().supplies().contains(s.name()))
                    .findFirst()
                    .ifPresent(s -> drawn.add(new Drawn(
                            taker, s, supplies.stream().filter(o -> !o.poe()).findFirst())));
        }
        return drawn;
    }

    /** Takes the hungriest off the switch until the rest fits. */
    private static List<Edit> relief(List<Drawn> drawn, double tooMuch) {
        List<Drawn> off = new ArrayList<>();
        double left = tooMuch;
        for (Drawn d : drawn.stream()
                .filter(d -> d.otherwise().isPresent())
                .sorted(Comparator.comparingDouble((Drawn d) -> d.supply().watts())
                        .reversed())
                .toList()) {
            if (left > 0) {
                off.add(d);
                left -= d.supply().watts();
            }
        }
        return left > 0 ? List.of() : otherwise(off);
    }

    private static List<Edit> otherwise(List<Drawn> drawn) {
        if (drawn.stream().anyMatch(d -> d.otherwise().isEmpty())) {
            return List.of();
        }
        String names = String.join(
                ", ",
                drawn.stream()
                        .map(d -> RuleWords.say(
                                "power.poe-budget.part/by",
                                "device",
                                d.host().name(),
                                "supply",
                                d.otherwise().orElseThrow().name()))
                        .toList());
        return List.of(new Edit(RuleWords.say("power.poe-budget.fix", "devices", names), p -> {
            Plan next = p;
            for (Drawn d : drawn) {
                next = next.with(d.host().id(), h -> {
                    List<String> supplies = new ArrayList<>(h.power().supplies());
                    supplies.remove(d.supply().name());
                    supplies.add(d.otherwise().orElseThrow().name());
                    return h.withPower(h.power().withSupplies(supplies));
                });
            }
            return next;
        }));
    }

    private static String watts(double value) {
        return Numbers.plain(value) + " W";
    }
}
