package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.profile.Profile;

/** Two supplies that must not both be connected: {@code power.supplies-clash}. */
final class PowerSuppliesClash extends PathRule {
    PowerSuppliesClash() {
        super("power.supplies-clash");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().profiles().stream().anyMatch(p -> !p.clashes().isEmpty());
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            List<List<String>> clashes =
                    context.index().profileOf(host).map(Profile::clashes).orElse(List.of());
            for (List<String> clash : clashes) {
                if (host.power().supplies().containsAll(clash)) {
                    findings.add(unmet(
                            Severity.BROKEN,
                            Optional.empty(),
                            List.of(host.id()),
                            RuleWords.say(
                                    "power.supplies-clash.says",
                                    "device",
                                    host.name(),
                                    "one",
                                    clash.get(0),
                                    "other",
                                    clash.get(1)),
                            clash.stream().map(s -> without(host, s)).toList()));
                }
            }
        }
        return findings;
    }

    private static Edit without(Host host, String supply) {
        return new Edit(
                RuleWords.say("power.supplies-clash.fix", "supply", supply, "device", host.name()),
                p -> p.with(host.id(), h -> {
                    List<String> left = new ArrayList<>(h.power().supplies());
                    left.remove(supply);
                    return h.withPower(h.power().withSupplies(left));
                }));
    }
}
