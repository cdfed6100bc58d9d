package zentrel.gear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/**
 * A place that keeps a copy of what is about to change: somebody typed it in there, and it does not follow.
 *
 * @param where in words: "the unicast list of the Hut desk for U4"
 * @param at the thing that keeps it
 * @param follow types the new value in there
 * @param setting whether it is a setting, which can be planned and set later; a unicast list and a cable's label are not
 */
public record CopiedPlace(String where, Id<?> at, Edit follow, boolean setting) {
    /** Every place that keeps {@code old}, the address that a box had, with the step that makes it {@code now}. */
    public static List<CopiedPlace> keeping(Plan plan, Id<Host> host, Ipv4Address old, Ipv4Address now) {
        List<CopiedPlace> places = new ArrayList<>();
        if (old.equals(now)) {
            return places;
        }
        PlanIndex index = plan.index();
        for (Stream s : plan.streams()) {
            if (s.to().contains(old) && index.takes(host, s.universe())) {
                places.add(list(
                        "the unicast list of " + index.name(s.id()),
                        s.id(),
                        now,
                        p -> p.with(s.id(), x -> {
                            List<Ipv4Address> to = new ArrayList<>(x.to());
                            to.replaceAll(a -> a.equals(old) ? now : a);
                            return x.withDelivery(x.delivery(), to);
                        })));
            }
        }
        for (ControlLink l : plan.links()) {
            boolean toHost = index.application(l.to()).host().equals(host);
            if (toHost
                    && (l.destination().planned().equals(old)
                            || l.destination().inForce().equals(old))) {
                places.add(place(
                        "the target of " + l.name() + " in " + index.name(l.from()),
                        l.id(),
                        now,
                        p -> p.with(l.id(), x -> x.withDestination(now))));
            }
        }
        for (TypedCopy c : plan.copies()) {
            if (c.of().is(Kind.ADAPTER) && index.hostOf(c.of()).id().equals(host)) {
                copy(index, c, old.toString(), now.toString()).ifPresent(places::add);
            }
        }
        return places;
    }

    /**
     * Every place that has the number of a port's universe: the sources that send it, the other ports that wait for it by the
     * same protocol, what is typed in or printed.
     */
    static List<CopiedPlace> keepingWire(Plan plan, Port port, int old, int now) {
        List<CopiedPlace> places = new ArrayList<>();
        if (old == now) {
            return places;
        }
        PlanIndex index = plan.index();
        Protocol protocol = port.protocol().planned();
        port.universe().ifPresent(universe -> {
            for (Stream s : index.streamsOf(universe)) {
                if (s.protocol() == protocol
                        && index.wireOf(s).filter(w -> w == old).isPresent()) {
                    places.add(place(
                            index.name(s.id()) + ", which is sent as " + old,
                            s.id(),
                            now,
                            p -> p.with(s.id(), x -> x.withWire(now))));
                }
            }
            for (Port other : index.portsOf(universe)) {
                boolean same = !other.id().equals(port.id())
                        && other.protocol().planned() == protocol
                        && other.wire().filter(w -> w.inForce() == old).isPresent();
                if (same) {
                    places.add(place(
                            index.name(other.id()), other.id(), now, p -> p.with(other.id(), x -> x.withWire(now))));
                }
            }
        });
        printed(index, plan, port.id(), String.valueOf(old), String.valueOf(now), places);
        return places;
    }

    /** Every place that has the UDP port on which an application takes OSC. */
    static List<CopiedPlace> keepingOscPort(Plan plan, Id<Application> of, int old, int now) {
        List<CopiedPlace> places = new ArrayList<>();
        if (old == now) {
            return places;
        }
        PlanIndex index = plan.index();
        for (ControlLink l : plan.links()) {
            if (l.to().equals(of) && (l.port().planned() == old || l.port().inForce() == old)) {
                places.add(place(
                        "the port of " + l.name() + " in " + index.name(l.from()),
                        l.id(),
                        now,
                        p -> p.with(l.id(), x -> x.withPort(now))));
            }
        }
        printed(index, plan, of, String.valueOf(old), String.valueOf(now), places);
        return places;
    }

    /** Every place that has the name of a thing: what is typed in or printed, and the labels of its cables. */
    static List<CopiedPlace> keepingName(Plan plan, Id<?> of, String old, String now) {
        List<CopiedPlace> places = new ArrayList<>();
        if (old.equals(now)) {
            return places;
        }
        PlanIndex index = plan.index();
        printed(index, plan, of, old, now, places);
        if (of.is(Kind.HOST)) {
            List<Id<?>> ends = new ArrayList<>(List.of(of));
            index.hostOf(of).adapters().forEach(a -> ends.add(a.id()));
            for (Cable c : plan.cables()) {
                if (c.name().contains(old) && (ends.contains(c.from()) || ends.contains(c.to()))) {
                    String label = c.name().replace(old, now);
                    places.add(new CopiedPlace(
                            "the label of the cable " + c.name(),
                            c.id(),
                            new Edit(
                                    "Label the cable " + label,
                                    p -> p.with(
                                            c.id(),
                                            x -> new Cable(x.id(), label, x.kind(), x.from(), x.to(), x.connected()))),
                            false));
                }
            }
        }
        return places;
    }

    private static void printed(
            PlanIndex index, Plan plan, Id<?> of, String old, String now, List<CopiedPlace> places) {
        plan.copies().stream()
                .filter(c -> c.of().equals(of))
                .forEach(c -> copy(index, c, old, now).ifPresent(places::add));
    }

    private static Optional<CopiedPlace> copy(PlanIndex index, TypedCopy c, String old, String now) {
        if (!c.value().inForce().equals(old) && !c.value().planned().equals(old)) {
            return Optional.empty();
        }
        String where = c.isPrinted()
                ? c.name() + " printed on " + index.name(c.owner())
                : c.name() + " in " + index.name(c.owner());
        return Optional.of(new CopiedPlace(
                where,
                c.id(),
                new Edit(
                        (c.isPrinted() ? "Print " : "Type ") + now + (c.isPrinted() ? " as " : " into ") + where,
                        p -> p.with(c.id(), x -> x.withValue(now))),
                !c.isPrinted()));
    }

    private static CopiedPlace place(String where, Id<?> at, Object now, UnaryOperator<Plan> change) {
        return new CopiedPlace(where, at, new Edit("Type " + now + " into " + where, change), true);
    }

    private static CopiedPlace list(String where, Id<?> at, Object now, UnaryOperator<Plan> change) {
        return new CopiedPlace(where, at, new Edit("Type " + now + " into " + where, change), false);
    }

    /** All the steps as one edit. */
    public static Edit all(List<CopiedPlace> places, Object now) {
        return new Edit("Type " + now + " in everywhere else: " + Counted.of(places.size(), "place"), plan -> {
            Plan next = plan;
            for (CopiedPlace place : places) {
                next = place.follow().applyTo(next);
            }
            return next;
        });
    }
}
