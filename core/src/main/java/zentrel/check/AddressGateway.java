package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;

/** A gateway outside the subnet, or on a closed segment: {@code address.gateway}. */
final class AddressGateway extends PathRule {
    AddressGateway() {
        super("address.gateway");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.GATEWAY);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            for (Adapter adapter : host.adapters()) {
                adapter.gateway().ifPresent(gateway -> judge(context, findings, adapter, gateway));
            }
        }
        return findings;
    }

    /** The address of a router on the adapter's segment that the adapter reaches. */
    private static Optional<Ipv4Address> router(CheckContext context, Adapter adapter) {
        return adapter.segment().stream()
                .flatMap(s -> context.index().adaptersOn(s).stream())
                .filter(a -> context.index().hostOf(a.id()).kind() == HostKind.ROUTER && a.isUp())
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.inForce().address())
                .filter(r -> adapter.addresses().stream()
                        .anyMatch(a ->
                                a.inForce().sees(r) && !a.inForce().address().equals(r)))
                .findFirst();
    }

    private void judge(CheckContext context, List<Finding> findings, Adapter adapter, Ipv4Address gateway) {
        String name = context.index().name(adapter.id());
        List<Edit> away = List.of(new Edit(
                RuleWords.say("address.gateway.fix/off", "adapter", name),
                p -> p.with(adapter.id(), a -> a.withGateway(Optional.empty()))));
        boolean near = adapter.addresses().isEmpty()
                || adapter.addresses().stream().anyMatch(a -> a.inForce().sees(gateway));
        if (!near) {
            List<Edit> edits = new ArrayList<>();
            router(context, adapter)
                    .ifPresent(r -> edits.add(new Edit(
                            RuleWords.say("address.gateway.fix/router", "adapter", name, "router", r),
                            p -> p.with(adapter.id(), a -> a.withGateway(Optional.of(r))))));
            edits.addAll(away);
            findings.add(unmet(
                    Severity.AT_RISK,
                    Optional.empty(),
                    List.of(adapter.id()),
                    RuleWords.say(
                            "address.gateway.says/outside",
                            "adapter",
                            name,
                            "gateway",
                            gateway,
                            "subnet",
                            adapter.addresses().get(0).inForce().subnet(),
                            "router",
                            router(context, adapter)
                                    .map(r -> " " + RuleWords.say("address.gateway.says/router", "router", r))
                                    .orElse("")),
                    edits));
            return;
        }
        Optional<Segment> segment = adapter.segment().map(context.index()::segment);
        boolean there = segment.isPresent()
                && context.index().adaptersOn(segment.get().id()).stream()
                        .anyMatch(a -> a.addresses().stream()
                                .anyMatch(x -> x.inForce().address().equals(gateway)));
        if (segment.isPresent() && !segment.get().wayOut() && !there) {
            findings.add(unmet(
                    Severity.NOTE,
                    Optional.empty(),
                    List.of(adapter.id()),
                    RuleWords.say(
                            "address.gateway.says/nobody",
                            "adapter",
                            name,
                            "gateway",
                            gateway,
                            "segment",
                            segment.get().name()),
                    away));
        }
    }
}
