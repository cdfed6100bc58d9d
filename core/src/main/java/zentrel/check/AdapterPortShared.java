package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zentrel.path.HopKind;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/** Two programs of one computer on one port: {@code adapter.port-shared}. */
final class AdapterPortShared extends PathRule {
    private static final int LAST_PORT = 65535;

    AdapterPortShared() {
        super("adapter.port-shared");
    }

    @Override
    public boolean applies(CheckContext context) {
        Set<Id<Host>> seen = new HashSet<>();
        return context.plan().applications().stream().anyMatch(a -> !seen.add(a.host()));
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Host host : context.plan().hosts()) {
            List<Application> programs = context.index().applicationsOn(host.id());
            for (int i = 0; i < programs.size(); i++) {
                for (int j = i + 1; j < programs.size(); j++) {
                    osc(context, findings, host, programs.get(i), programs.get(j));
                    streams(context, findings, host, programs.get(i), programs.get(j));
                }
            }
        }
        return findings;
    }

    /** Whether two programs listen for a purpose on an adapter in common. */
    private static boolean meet(Application a, Application b, Purpose purpose) {
        Binding one = a.binding(purpose);
        Binding other = b.binding(purpose);
        if (one.mode() == BindingMode.ADAPTERS && other.mode() == BindingMode.ADAPTERS) {
            return one.adapters().stream().anyMatch(other.adapters()::contains);
        }
        boolean loopback = one.mode() == BindingMode.LOOPBACK;
        return loopback == (other.mode() == BindingMode.LOOPBACK)
                || one.mode() == BindingMode.ALL
                || other.mode() == BindingMode.ALL;
    }

    private static Optional<Integer> port(Application a) {
        return a.osc().filter(o -> o.receiving().inForce()).map(o -> o.port().inForce());
    }

    private void osc(CheckContext context, List<Finding> findings, Host host, Application a, Application b) {
        if (port(a).isEmpty() || !port(a).equals(port(b)) || !meet(a, b, Purpose.OSC_LISTEN)) {
            return;
        }
        int shared = port(b).orElseThrow();
        Set<Integer> used = context.index().applicationsOn(host.id()).stream()
                .flatMap(x -> port(x).stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        List<Edit> edits = new ArrayList<>();
        for (int free = shared + 1; free <= LAST_PORT && edits.isEmpty(); free++) {
            if (!used.contains(free)) {
                edits.add(listenOn(context.index().name(b.id()), b, free));
            }
        }
        findings.add(unmet(
                Severity.AT_RISK,
                Optional.of(HopKind.LET_IN),
                subjects(
                        List.of(b.id(), a.id(), host.id()),
                        context.plan().links().stream()
                                .filter(l -> (l.to().equals(a.id()) || l.to().equals(b.id()))
                                        && l.port().inForce() == shared)
                                .map(ControlLink::id)
                                .toList()),
                RuleWords.say(
                        "adapter.port-shared.says/osc",
                        "one",
                        context.index().name(a.id()),
                        "other",
                        context.index().name(b.id()),
                        "device",
                        host.name(),
                        "port",
                        String.valueOf(shared)),
                edits));
    }

    /** The program on another port, and what is sent to it with it. */
    private static Edit listenOn(String name, Application program, int port) {
        return new Edit(
                RuleWords.say("adapter.port-shared.fix/osc", "program", name, "port", String.valueOf(port)), plan -> {
                    List<ControlLink> links = new ArrayList<>(plan.links());
                    links.replaceAll(l -> l.to().equals(program.id()) ? l.withPort(port) : l);
                    return plan.with(Kind.LINK, links)
                            .with(
                                    program.id(),
                                    a -> a.withOsc(a.osc().orElseThrow().withPort(port)));
                });
    }

    private void streams(CheckContext context, List<Finding> findings, Host host, Application a, Application b) {
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            if (!takes(context, a, protocol)
                    || !takes(context, b, protocol)
                    || !meet(a, b, Purpose.listening(protocol))) {
                continue;
            }
            Set<Stream> addressed = new LinkedHashSet<>();
            addressed.addAll(addressedTo(context, a, protocol));
            addressed.addAll(addressedTo(context, b, protocol));
            if (!addressed.isEmpty()) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.LET_IN),
                        subjects(
                                List.of(b.id(), a.id(), host.id()),
                                addressed.stream().map(Stream::id).toList()),
                        RuleWords.say(
                                "adapter.port-shared.says/streams",
                                "one",
                                context.index().name(a.id()),
                                "other",
                                context.index().name(b.id()),
                                "device",
                                host.name(),
                                "protocol",
                                protocol.title(),
                                "count",
                                addressed.size()),
                        List.of(sendToAll(addressed, protocol))));
            }
        }
    }

    private static List<Id<?>> subjects(List<Id<?>> first, List<? extends Id<?>> signals) {
        List<Id<?>> all = new ArrayList<>(first);
        all.addAll(signals);
        return all;
    }

    private static boolean takes(CheckContext context, Application a, Protocol protocol) {
        return context.index().receiversOf(a.id()).stream()
                .anyMatch(r -> r.inputOn().inForce()
                        && r.ports().stream().anyMatch(p -> p.protocol().inForce() == protocol));
    }

    private static List<Stream> addressedTo(CheckContext context, Application a, Protocol protocol) {
        return context.index().receiversOf(a.id()).stream()
                .flatMap(r -> r.ports().stream())
                .flatMap(p -> context.index().universesOf(p.id()).stream())
                .flatMap(u -> context.index().streamsOf(u).stream())
                .filter(s -> s.protocol() == protocol
                        && s.enabled().inForce()
                        && (s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND)
                        && !s.application().equals(a.id()))
                .distinct()
                .toList();
    }

    private static Edit sendToAll(Set<Stream> streams, Protocol protocol) {
        Delivery delivery = protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST;
        return new Edit(
                RuleWords.say(
                        "adapter.port-shared.fix/streams",
                        "count",
                        streams.size(),
                        "delivery",
                        delivery.word().replace('-', ' ')),
                plan -> {
                    List<Stream> all = new ArrayList<>(plan.streams());
                    all.replaceAll(s -> streams.stream().anyMatch(x -> x.id().equals(s.id()))
                            ? s.withDelivery(delivery, List.of())
                            : s);
                    return plan.with(Kind.STREAM, all);
                });
    }
}
