package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;

/** A cable that must lead straight to its partner: {@code cable.must-be-direct}. */
final class CableMustBeDirect extends PathRule {
    CableMustBeDirect() {
        super("cable.must-be-direct");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().profiles().stream().anyMatch(p -> !p.direct().isEmpty());
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            List<String> direct =
                    context.index().profileOf(host).map(Profile::direct).orElse(List.of());
            for (Adapter adapter : host.adapters()) {
                if (direct.contains(adapter.name())) {
                    judge(context, adapter, findings);
                }
            }
        }
        return findings;
    }

    private void judge(CheckContext context, Adapter adapter, List<Finding> findings) {
        for (Cable cable : context.index().cablesOf(adapter.id())) {
            Id<?> far = cable.otherEnd(adapter.id());
            Host between = context.index()
                    .hostAtEnd(far)
                    .orElseGet(() -> context.index().hostOf(adapter.id()));
            if (cable.kind() == CableKind.NETWORK
                    && (between.kind() == HostKind.SWITCH || between.kind() == HostKind.ACCESS_POINT)) {
                findings.add(unmet(
                        Severity.BROKEN,
                        Optional.empty(),
                        List.of(cable.id(), adapter.id(), between.id()),
                        RuleWords.say(
                                "cable.must-be-direct.says",
                                "adapter",
                                context.index().name(adapter.id()),
                                "device",
                                between.name()),
                        partners(context, between, adapter).stream()
                                .map(p -> straight(context, cable, adapter, p))
                                .toList()));
            }
        }
    }

    /** Consoles that are cabled to the same switch: the partner is likely one of them. */
    private static List<Adapter> partners(CheckContext context, Host between, Adapter adapter) {
        List<Adapter> partners = new ArrayList<>();
        List<Cable> cables = new ArrayList<>(context.index().cablesOf(between.id()));
        between.adapters().forEach(a -> cables.addAll(context.index().cablesOf(a.id())));
        for (Cable cable : cables) {
            for (Id<?> end : List.of(cable.from(), cable.to())) {
                if (!end.equals(adapter.id())
                        && context.index().find(end).orElse(null) instanceof Adapter other
                        && context.index().hostOf(end).kind() == HostKind.CONSOLE) {
                    partners.add(other);
                }
            }
        }
        return partners;
    }

    private static Edit straight(CheckContext context, Cable cable, Adapter adapter, Adapter partner) {
        return new Edit(
                RuleWords.say(
                        "cable.must-be-direct.fix",
                        "cable",
                        cable.name(),
                        "partner",
                        context.index().name(partner.id())),
                p -> p.with(
                        cable.id(),
                        c -> new Cable(c.id(), c.name(), c.kind(), adapter.id(), partner.id(), c.connected())));
    }
}
