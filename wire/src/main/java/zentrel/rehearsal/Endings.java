package zentrel.rehearsal;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.net.sim.Drop;
import zentrel.path.HopKind;
import zentrel.path.Reason;
import zentrel.plan.Application;
import zentrel.plan.BindingMode;
import zentrel.plan.Delivery;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Purpose;
import zentrel.plan.Stream;
import zentrel.profile.Protocol;
import zentrel.standin.DeviceSpec;

/**
 * Reads from the trace of a rehearsal where what a stream sends to a port has ended. What a packet shows by itself (no route, no cable,
 * another VLAN, a firewall) comes from where it was dropped; that it was never meant to leave, or came to a program that does nothing
 * with it, from what the stand-ins at both ends are set to. Where several things are wrong the first hop counts, as on the way of a
 * packet that was sent in spite of it.
 */
final class Endings {
    private final PlanIndex index;
    private final Map<Id<Application>, DeviceSpec> specs;
    private final Trace trace;
    private final BiPredicate<Stream, Port> arrives;
    private final Layout layout;

    Endings(Plan plan, Map<Id<Application>, DeviceSpec> specs, Trace trace, BiPredicate<Stream, Port> arrives) {
        this.index = plan.index();
        this.specs = specs;
        this.trace = trace;
        this.arrives = arrives;
        this.layout = new Layout(index);
    }

    /** A stream on its way to a port, and the packets that show what becomes of it: levels, or polls where nobody is found. */
    private record Flow(
            Stream stream, Port port, Application from, Host sender, Application to, Host host, List<Trace.Sent> sent) {
        boolean toOne() {
            return stream.delivery() == Delivery.UNICAST || stream.delivery() == Delivery.FOUND;
        }

        BindingMode mode() {
            return from.binding(Purpose.sending(stream.protocol())).mode();
        }
    }

    Optional<Ending> of(Stream stream, Port port) {
        Application from = index.application(stream.application());
        Optional<Reason> silent = notSent(stream, from);
        if (silent.isPresent()) {
            return Optional.of(at(silent.get(), from.id()));
        }
        Application to = index.applicationOf(port.id());
        Host host = index.hostOf(to.id());
        String program = PlanNet.place(from.id());
        List<Trace.Sent> levels = trace.of(
                program,
                Trace.What.LEVELS,
                stream.protocol(),
                index.wireOf(stream).orElse(-1));
        boolean isFound = stream.delivery() == Delivery.FOUND;
        List<Trace.Sent> toIt = stream.delivery() == Delivery.UNICAST || isFound
                ? levels.stream().filter(s -> Layout.has(host, s.to)).toList()
                : levels;
        boolean polls = isFound && toIt.isEmpty();
        Flow flow = new Flow(
                stream,
                port,
                from,
                index.hostOf(from.id()),
                to,
                host,
                polls ? trace.of(program, Trace.What.POLL, Protocol.ARTNET, 0) : toIt);
        List<Trace.Sent> all = toIt.isEmpty() ? polls ? flow.sent() : levels : toIt;
        return bound(flow)
                .or(() -> first(all, d -> d.reason().hop().number() <= HopKind.UP.number()))
                .or(() -> named(flow, polls))
                .or(() -> polls ? found(flow) : arrived(flow));
    }

    private static Ending at(Reason reason, Id<?> place) {
        return new Ending(reason, PlanNet.place(place));
    }

    private static Optional<Ending> first(List<Trace.Sent> sent, Predicate<Drop> which) {
        return sent.stream()
                .flatMap(s -> s.drops.stream())
                .filter(which)
                .findFirst()
                .map(d -> new Ending(d.reason(), d.place()));
    }

    // --- hops 1 and 2 ---

    private Optional<Reason> notSent(Stream stream, Application from) {
        if (!from.installed().runs()) {
            return Optional.of(Reason.NOT_RUNNING);
        }
        if (!stream.enabled().inForce()
                || !from.output(stream.protocol()).enabled().inForce()) {
            return Optional.of(Reason.SOURCE_OFF);
        }
        Optional<Integer> wire = index.wireOf(stream);
        if (wire.isEmpty()) {
            return Optional.of(Reason.LABEL_NOT_COVERED);
        }
        if (!stream.protocol().carries(wire.get())) {
            return Optional.of(Reason.NUMBER_RANGE);
        }
        @Nullable DeviceSpec spec = specs.get(from.id());
        boolean sends = spec != null
                && spec.streams().stream()
                        .anyMatch(s -> s.id().equals(stream.id().value()) && !s.standby());
        return sends ? Optional.empty() : Optional.of(Reason.STANDS_BY);
    }

    /** What its binding keeps it from, whatever else is wrong. */
    private Optional<Ending> bound(Flow f) {
        if (f.sender().id().equals(f.host().id())) {
            return Optional.empty();
        }
        if (f.mode() == BindingMode.LOOPBACK) {
            return Optional.of(at(Reason.BOUND_TO_LOOPBACK, f.from().id()));
        }
        if (f.mode() == BindingMode.AUTOMATIC
                && f.stream().delivery() != Delivery.UNICAST
                && first(f.sent(), d -> d.reason() == Reason.NO_ROUTE).isPresent()) {
            return Optional.of(at(Reason.LEFT_TO_SYSTEM, f.from().id())); // it takes none at all
        }
        boolean leads = layout.boundLead(f.from(), f.stream().protocol(), f.host());
        boolean another = layout.share(f.sender(), f.host());
        boolean missed = isMissed(f) || f.stream().delivery() != Delivery.UNICAST;
        return !leads && another && missed
                ? Optional.of(at(
                        f.mode() == BindingMode.AUTOMATIC ? Reason.LEFT_TO_SYSTEM : Reason.BOUND_ELSEWHERE,
                        f.from().id()))
                : Optional.empty();
    }

    // --- hop 4 ---

    /** Whether the typed list names nothing that comes to the receiver. */
    private static boolean isMissed(Flow f) {
        return f.stream().delivery() == Delivery.UNICAST
                && f.stream().to().stream().noneMatch(d -> Layout.has(f.host(), d));
    }

    private Optional<Ending> named(Flow f, boolean polls) {
        Optional<Reason> closed = isMissed(f) || f.sent().stream().allMatch(s -> s.departures.isEmpty())
                ? layout.closed(f.from(), f.stream().protocol())
                : Optional.empty();
        if (closed.isPresent()) {
            return closed.map(r -> at(r, f.from().id()));
        }
        if (isMissed(f)) {
            return Optional.of(at(Reason.NOT_DELIVERED, f.from().id()));
        }
        boolean own = f.toOne()
                && f.host().adapters().stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().address())
                        .filter(a -> polls || f.sent().stream().anyMatch(s -> s.to.equals(a)))
                        .anyMatch(a -> Layout.has(f.sender(), a));
        if (own && (polls || f.sent().stream().allMatch(s -> Layout.has(f.sender(), s.to)))) {
            return Optional.of(at(Reason.OWN_ADDRESS, f.from().id()));
        }
        return polls
                ? PortRefusals.unasked(index, f.stream(), f.port())
                        .map(r -> at(r, f.from().id()))
                : Optional.empty();
    }

    /** Nothing was sent, for nobody was found: a poll did not come there, or its answer not back. */
    private Optional<Ending> found(Flow f) {
        boolean polled = f.sent().stream().anyMatch(s -> s.arrivals.contains(PlanNet.place(f.to().id())));
        if (!polled) {
            Ending ending = onTheWay(f);
            return Optional.of(
                    ending.reason() == Reason.BROADCAST_DIFFERS
                            ? new Ending(Reason.POLL_DIFFERS, ending.place())
                            : ending);
        }
        boolean heard = trace.of(PlanNet.place(f.to().id()), Trace.What.REPLY, Protocol.ARTNET, 0).stream()
                .anyMatch(s -> s.arrivals.contains(PlanNet.place(f.from().id())));
        return Optional.of(
                at(heard ? Reason.PROTOCOL_DIFFERS : Reason.REPLY_LOST, f.port().id()));
    }

    // --- hops 5 to 7 ---

    private Optional<Ending> arrived(Flow f) {
        if (f.sent().stream().noneMatch(s -> s.arrivals.contains(PlanNet.place(f.to().id())))) {
            return Optional.of(onTheWay(f));
        }
        if (arrives.test(f.stream(), f.port())) {
            return Optional.empty();
        }
        return Optional.of(at(
                PortRefusals.of(index, f.stream(), f.port()).stream()
                        .findFirst()
                        .orElse(Reason.TWO_SOURCES),
                f.port().id()));
    }

    private Ending onTheWay(Flow f) {
        Set<String> there = layout.placesOf(f.host());
        List<Drop> drops = f.sent().stream().flatMap(s -> s.drops.stream()).toList();
        return drops.stream()
                .filter(d -> there.contains(d.place()))
                .max(Comparator.comparingInt(d -> d.reason().hop().number()))
                .map(d -> refined(d, f))
                .or(() -> drops.stream()
                        .filter(d -> d.reason().hop() == HopKind.CARRIED
                                && d.reason() != Reason.NOT_ROUTED
                                && !layout.isAtThird(d.place(), f.sender(), f.host()))
                        .findFirst()
                        .map(d -> new Ending(d.reason(), d.place())))
                .or(() -> layout.darkRouter(f.sender(), f.host()).map(r -> at(Reason.PASSING_OFF, r.id())))
                .or(() -> byAnother(f))
                .or(() -> anothers(f))
                .or(() -> first(f.sent(), d -> d.reason() == Reason.NO_ROUTE)
                        .filter(e -> layout.boundLead(f.from(), f.stream().protocol(), f.host())))
                .orElseGet(() -> nowhere(f));
    }

    /** That no group is joined says less than why: the port takes the other protocol, or its number does not exist. */
    private Ending refined(Drop drop, Flow f) {
        boolean hearsNothing = drop.reason() == Reason.FAR_NOT_RUNNING || drop.reason() == Reason.LISTENS_ON_LOOPBACK;
        if (hearsNothing
                && f.stream().delivery() == Delivery.MULTICAST
                && PortRefusals.unasked(index, f.stream(), f.port())
                        .filter(r -> r == Reason.NOBODY_ASKED)
                        .isPresent()) {
            return at(Reason.GROUP_NOT_JOINED, f.port().id()); // nor would it be if the program ran
        }
        boolean isWhy = drop.reason() == Reason.GROUP_NOT_JOINED
                && PortRefusals.unjoinable(index, f.stream(), f.port()).isPresent();
        Optional<Reason> why =
                isWhy ? PortRefusals.of(index, f.stream(), f.port()).stream().findFirst() : Optional.empty();
        return why.map(r -> at(r, f.port().id())).orElseGet(() -> new Ending(drop.reason(), drop.place()));
    }

    /** Somebody else has the address, too, and got it; not where the sender took it for near and the receiver is elsewhere. */
    private Optional<Ending> anothers(Flow f) {
        boolean near = layout.share(f.sender(), f.host());
        if (near
                ? !layout.boundLead(f.from(), f.stream().protocol(), f.host())
                : !layout.isRouted(f.sender(), f.host())) {
            return Optional.empty(); // sent by an adapter that does not lead there
        }
        for (Host other : index.plan().hosts()) {
            if (other.id().equals(f.host().id()) || other.id().equals(f.sender().id())) {
                continue;
            }
            Set<String> there = layout.placesOf(other);
            boolean got = f.sent().stream()
                    .filter(s -> Layout.has(other, s.to) && near == Layout.sees(f.sender(), s.to))
                    .anyMatch(s -> s.drops.stream().anyMatch(d -> there.contains(d.place()))
                            || s.arrivals.stream().anyMatch(there::contains));
            if (got) {
                return Optional.of(at(Reason.DUPLICATE, other.id()));
            }
        }
        return Optional.empty();
    }

    /** The system sent it by an adapter to which the program is not bound. */
    private Optional<Ending> byAnother(Flow f) {
        List<String> bound = f.from().binding(Purpose.sending(f.stream().protocol())).adapters().stream()
                .map(PlanNet::place)
                .toList();
        boolean byAnother = f.mode() == BindingMode.ADAPTERS
                && f.sent().stream()
                        .flatMap(s -> s.departures.stream())
                        .anyMatch(d -> !bound.contains(d) && !layout.leads(d, f.sender(), f.host()));
        return byAnother ? Optional.of(at(Reason.ROUTED_ELSEWHERE, f.from().id())) : Optional.empty();
    }

    /** It left, and nothing on its way leads to the receiver. */
    private Ending nowhere(Flow f) {
        Id<Application> from = f.from().id();
        if (layout.share(f.sender(), f.host())) {
            return at(
                    layout.boundLead(f.from(), f.stream().protocol(), f.host())
                            ? Reason.NO_ROUTE
                            : f.mode() == BindingMode.AUTOMATIC ? Reason.LEFT_TO_SYSTEM : Reason.BOUND_ELSEWHERE,
                    from);
        }
        // Where a router stands between, the reason is named after it, whoever had no way: that is its one place,
        // though a
        // sender without a gateway keeps the packet itself.
        Reason routed = f.stream().delivery() == Delivery.UNICAST
                ? Reason.NOT_ROUTED
                : f.stream().delivery() == Delivery.MULTICAST ? Reason.GROUP_NOT_ROUTED : Reason.APART;
        return at(layout.isRouted(f.sender(), f.host()) ? routed : Reason.APART, from);
    }
}
