package zentrel.routing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/**
 * The universes of a source moved from one network protocol to the other, with all that follows: other sources of the same
 * universes, ports, numbers, bindings, switches, and where a number is typed in or printed.
 *
 * @param lines what changes, one line each
 * @param warnings what cannot follow
 * @param edit all of it
 */
public record SwitchingProtocol(List<String> lines, List<String> warnings, Edit edit) {
    public SwitchingProtocol {
        lines = List.copyOf(lines);
        warnings = List.copyOf(warnings);
    }

    /** Works it out; a universe keeps its show number in sACN, and is one less in Art-Net where its source has no range for it. */
    public static SwitchingProtocol of(Plan plan, Id<Application> source, Protocol to) {
        PlanIndex index = plan.index();
        Protocol from = to.other();
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        index.streamsFrom(source).stream().filter(s -> s.protocol() == from).forEach(s -> universes.add(s.universe()));
        Map<Id<Universe>, Integer> wires = new HashMap<>();
        for (Id<Universe> u : universes) {
            wires.put(u, number(index, source, u, to));
        }
        List<String> lines = new ArrayList<>();
        List<String> warnings = new ArrayList<>();
        Set<Id<Stream>> streams = new LinkedHashSet<>();
        Set<Id<Application>> programs = new LinkedHashSet<>();
        Map<Id<Port>, Integer> ports = new HashMap<>();
        for (Id<Universe> u : universes) {
            for (Stream s : index.streamsOf(u)) {
                if (s.protocol() == from) {
                    streams.add(s.id());
                    programs.add(s.application());
                    lines.add(index.name(s.id()) + " becomes " + to.title() + " " + wires.get(u));
                }
            }
            for (Port p : index.portsOf(u)) {
                Receiver receiver = index.receiverOf(p.id());
                if (p.protocol().inForce() == from && receiver.protocols().contains(to)) {
                    ports.put(p.id(), wires.get(u));
                    programs.add(receiver.application());
                    lines.add(index.name(p.id()) + ": " + from.title()
                            + p.wire().map(w -> " " + w.inForce()).orElse("") + " becomes " + to.title() + " "
                            + wires.get(u));
                } else if (p.protocol().inForce() == from) {
                    warnings.add(index.name(p.id()) + " receives " + from.title() + " only, and cannot follow.");
                }
            }
        }
        Edit edit = new Edit(
                "Send the universes of " + index.name(source) + " by " + to.title(),
                p -> changed(p, to, streams, programs, ports, wires));
        return new SwitchingProtocol(lines, warnings, edit);
    }

    private static int number(PlanIndex index, Id<Application> source, Id<Universe> universe, Protocol to) {
        int number = index.universe(universe).number();
        ProtocolOutput output = index.application(source).output(to);
        Optional<Integer> ranged = output.ranges().isEmpty() ? Optional.empty() : output.wire(number);
        return ranged.orElse(to == Protocol.ARTNET ? number - 1 : number);
    }

    private static Plan changed(
            Plan plan,
            Protocol to,
            Set<Id<Stream>> streams,
            Set<Id<Application>> programs,
            Map<Id<Port>, Integer> ports,
            Map<Id<Universe>, Integer> wires) {
        Plan next = plan.with(
                Kind.STREAM,
                replaced(
                        plan.streams(),
                        s -> streams.contains(s.id()) ? sent(s, to, wires.getOrDefault(s.universe(), 1)) : s));
        next = next.with(
                Kind.RECEIVER,
                replaced(
                        next.receivers(),
                        r -> r.withPorts(replaced(
                                r.ports(),
                                x -> ports.containsKey(x.id())
                                        ? x.withProtocol(to).withWire(ports.getOrDefault(x.id(), 1))
                                        : x))));
        for (Id<Application> id : programs) {
            next = next.with(id, a -> program(a, to));
        }
        return next.with(
                Kind.COPY,
                replaced(
                        next.copies(),
                        c -> c.of().as(Kind.PORT)
                                .map(ports::get)
                                .map(wire -> c.withValue(String.valueOf(wire)))
                                .orElse(c)));
    }

    private static <T> List<T> replaced(List<T> list, Function<T, T> change) {
        return list.stream().map(change).toList();
    }

    private static Stream sent(Stream s, Protocol to, int wire) {
        return new Stream(
                s.id(),
                s.application(),
                s.universe(),
                to,
                s.enabled(),
                s.standby(),
                s.label(),
                Optional.of(Setting.of(wire)),
                to == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND,
                List.of(),
                s.priority(),
                s.ratePerSecond(),
                s.preview());
    }

    /** Bound for the new protocol as for the old one, where nothing is said yet, and switched on. */
    private static Application program(Application a, Protocol to) {
        Application next = a;
        for (Function<Protocol, Purpose> purpose :
                List.<Function<Protocol, Purpose>>of(Purpose::sending, Purpose::listening)) {
            Setting<Binding> old = a.bindings().get(purpose.apply(to.other()));
            if (old != null && !a.bindings().containsKey(purpose.apply(to))) {
                next = next.withBinding(purpose.apply(to), old);
            }
        }
        return next.output(to).enabled().inForce()
                ? next
                : next.withOutput(to, next.output(to).withEnabled(true));
    }
}
