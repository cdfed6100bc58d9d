package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Edit;
import zentrel.plan.Setting;
import zentrel.plan.TypedCopy;

/** An application's copy of an address differs: {@code adapter.stale-setting}. */
final class AdapterStaleSetting extends PathRule {
    AdapterStaleSetting() {
        super(
                "adapter.stale-setting",
                "An application's copy of an address differs",
                "Some applications keep an address that was typed in once. When the adapter gets another, the copy stays what it was, and nothing on the screen says so.");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().copies().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (TypedCopy copy : context.plan().copies()) {
            List<Ipv4Address> real = context.index().adapter(copy.of()).addresses().stream()
                    .map(a -> a.inForce().address())
                    .toList();
            Ipv4Address typed = copy.value().inForce();
            if (real.isEmpty() || real.contains(typed)) {
                continue;
            }
            String owner = context.index().name(copy.owner());
            findings.add(unmet(
                    Severity.BROKEN,
                    Optional.empty(),
                    List.of(copy.id(), copy.owner(), copy.of()),
                    owner + " has " + typed + " typed in as " + copy.name() + "; the "
                            + context.index().name(copy.of()) + " is " + real.get(0) + ". Type in " + real.get(0) + ".",
                    List.of(new Edit(
                            "Type " + real.get(0) + " into " + copy.name() + " of " + owner,
                            p -> p.withCopy(copy.id(), c -> c.withValue(Setting.of(real.get(0))))))));
        }
        return findings;
    }
}
