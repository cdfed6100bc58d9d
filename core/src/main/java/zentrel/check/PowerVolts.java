package zentrel.check;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.profile.ProfileSupply;
import zentrel.profile.VoltRange;
import zentrel.text.Numbers;

/** A supply that is given a voltage that it does not take: {@code power.volts}. */
final class PowerVolts extends PathRule {
    PowerVolts() {
        super("power.volts");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().hosts().stream().anyMatch(h -> h.power().volts().isPresent());
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        return context.plan().hosts().stream()
                .flatMap(h -> h.power().volts().stream().flatMap(v -> wrong(context, h, v).stream()))
                .toList();
    }

    private Optional<Finding> wrong(CheckContext context, Host host, double volts) {
        List<ProfileSupply> own = host.supplies(context.index()).stream()
                .filter(s -> !s.poe() && s.volts().isPresent())
                .toList();
        List<String> used = host.power().supplies();
        // what is given goes to the supply in use, or to the only one that there is
        return own.stream()
                .filter(s -> used.contains(s.name()) || (used.isEmpty() && own.size() == 1))
                .filter(s -> !s.volts().orElseThrow().takes(volts))
                .findFirst()
                .map(s -> finding(host, s.name(), s.volts().orElseThrow(), volts));
    }

    private Finding finding(Host host, String supply, VoltRange range, double volts) {
        return unmet(
                Severity.BROKEN,
                Optional.empty(),
                List.of(host.id()),
                RuleWords.say(
                        "power.volts.says",
                        "supply",
                        supply,
                        "device",
                        host.name(),
                        "from",
                        Numbers.plain(range.from()),
                        "to",
                        Numbers.plain(range.to()),
                        "volts",
                        Numbers.plain(volts)),
                List.of(new Edit(
                        RuleWords.say(
                                "power.volts.fix",
                                "device",
                                host.name(),
                                "volts",
                                Numbers.plain(Math.max(range.from(), Math.min(volts, range.to())))),
                        p -> p.with(
                                host.id(),
                                h -> h.withPower(h.power()
                                        .withVolts(
                                                Optional.of(Math.max(range.from(), Math.min(volts, range.to())))))))));
    }
}
