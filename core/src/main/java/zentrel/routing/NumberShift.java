package zentrel.routing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/**
 * Wire numbers of one protocol moved by a distance everywhere at once: at the sources, at the ports, and where one is typed in or
 * printed.
 *
 * @param lines what changes, one line each
 * @param edit all of it
 */
public record NumberShift(List<String> lines, Edit edit) {
    public NumberShift {
        lines = List.copyOf(lines);
    }

    /**
     * Works it out.
     *
     * @param first the first number that moves
     * @param last the last one
     * @param to where the first one goes
     * @throws IllegalArgumentException with a sentence, where a number would be none of the protocol or another one's
     */
    public static NumberShift of(Plan plan, Protocol protocol, int first, int last, int to) {
        if (first > last) {
            throw new IllegalArgumentException(
                    "A range goes from its first number to its last; " + first + " is after " + last + ".");
        }
        int by = to - first;
        PlanIndex index = plan.index();
        Set<Integer> staying = new HashSet<>();
        Set<Integer> moving = new HashSet<>();
        List<String> lines = new ArrayList<>();
        List<Id<Stream>> streams = new ArrayList<>();
        for (Stream s : plan.streams()) {
            Optional<Integer> wire = index.wireOf(s);
            if (s.protocol() == protocol && wire.isPresent()) {
                if (in(wire.get(), first, last)) {
                    moving.add(wire.get());
                    streams.add(s.id());
                    lines.add(index.name(s.id()) + ": " + wire.get() + " becomes " + (wire.get() + by));
                } else {
                    staying.add(wire.get());
                }
            }
        }
        List<Id<Port>> ports = new ArrayList<>();
        for (Receiver r : plan.receivers()) {
            for (Port p : r.ports()) {
                if (p.protocol().inForce() == protocol && p.wire().isPresent()) {
                    int wire = p.wire().get().inForce();
                    if (in(wire, first, last)) {
                        moving.add(wire);
                        ports.add(p.id());
                        lines.add(index.name(p.id()) + ": " + wire + " becomes " + (wire + by));
                    } else {
                        staying.add(wire);
                    }
                }
            }
        }
        for (int wire : moving) {
            if (!protocol.carries(wire + by)) {
                throw new IllegalArgumentException(protocol.title() + " has no universe " + (wire + by)
                        + "; it goes from " + protocol.firstNumber() + " to " + protocol.lastNumber() + ".");
            }
            if (staying.contains(wire + by)) {
                throw new IllegalArgumentException(protocol.title() + " " + (wire + by)
                        + " is another universe's already; " + wire + " cannot go there.");
            }
        }
        Edit edit = new Edit("Move " + protocol.title() + " " + first + " to " + last + " to " + to + " and on", p -> {
            Plan next = p;
            for (Id<Stream> id : streams) {
                int wire = p.index().wireOf(p.index().stream(id)).orElseThrow();
                next = next.with(id, s -> s.withWire(wire + by));
            }
            for (Id<Port> id : ports) {
                next = next.with(id, x -> x.withWire(x.wire().orElseThrow().inForce() + by));
            }
            Set<Id<?>> moved = new HashSet<>(ports);
            List<TypedCopy> copies = new ArrayList<>(next.copies());
            copies.replaceAll(c -> moved.contains(c.of()) && c.value().inForce().matches("\\d{1,5}")
                    ? c.withValue(String.valueOf(Integer.parseInt(c.value().inForce()) + by))
                    : c);
            return next.with(Kind.COPY, copies);
        });
        return new NumberShift(lines, edit);
    }

    private static boolean in(int wire, int first, int last) {
        return wire >= first && wire <= last;
    }
}
