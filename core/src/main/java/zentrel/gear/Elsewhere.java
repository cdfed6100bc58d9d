package zentrel.gear;

import java.util.ArrayList;
import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * A place that keeps a copy of an address somebody typed in: it does not follow when the adapter gets another.
 *
 * @param where in words: "the unicast list of the Hut desk for U4"
 * @param at the thing that keeps it
 * @param follow types the new address in there
 */
public record Elsewhere(String where, Id at, Edit follow) {
    /** Every place that keeps {@code old}, the address that a box had, with the step that makes it {@code now}. */
    public static List<Elsewhere> keeping(Plan plan, HostId host, Ipv4Address old, Ipv4Address now) {
        List<Elsewhere> places = new ArrayList<>();
        if (old.equals(now)) {
            return places;
        }
        PlanIndex index = plan.index();
        for (Stream s : plan.streams()) {
            boolean feedsHost = index.portsOf(s.universe()).stream()
                    .anyMatch(p -> index.applicationOf(p.id()).host().equals(host));
            if (s.to().contains(old) && feedsHost) {
                String where = "the unicast list of " + index.name(s.id());
                places.add(place(
                        where,
                        s.id(),
                        now,
                        p -> p.withStream(s.id(), x -> {
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
                        p -> p.withLink(l.id(), x -> x.withDestination(now))));
            }
        }
        for (TypedCopy c : plan.copies()) {
            if (index.hostOf(c.of()).id().equals(host) && c.value().inForce().equals(old)) {
                places.add(place(
                        c.name() + " in " + index.name(c.owner()),
                        c.id(),
                        now,
                        p -> p.withCopy(c.id(), x -> x.withValue(Setting.of(now)))));
            }
        }
        return places;
    }

    private static Elsewhere place(
            String where, Id at, Ipv4Address now, java.util.function.UnaryOperator<Plan> change) {
        return new Elsewhere(where, at, new Edit("Type " + now + " into " + where, change));
    }

    /** All the steps as one edit. */
    public static Edit all(List<Elsewhere> places, Ipv4Address now) {
        return new Edit(
                "Type " + now + " in everywhere else: " + places.size() + (places.size() == 1 ? " place" : " places"),
                plan -> {
                    Plan next = plan;
                    for (Elsewhere place : places) {
                        next = place.follow().applyTo(next);
                    }
                    return next;
                });
    }
}
