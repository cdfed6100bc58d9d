package zentrel.app.desks;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import zentrel.plan.PlanIndex;
import zentrel.rehearsal.MainStopsTrial.Measured;
import zentrel.session.MainStops;
import zentrel.text.Counted;

/** What happens when the main desk stops, as it was worked out and as it was rehearsed, in words. */
record StopWords(PlanIndex index) {
    static final double FADE_SECONDS = 10;

    /** Steps that differ by less are told as one. */
    private static final int ALIKE = 8;

    /** As it was worked out. */
    List<String> of(MainStops stops) {
        List<String> all = new ArrayList<>();
        for (MainStops.Outcome o : stops.outcomes()) {
            String next = o.next().isEmpty()
                    ? "nobody has control"
                    : String.join(" and ", o.next().stream().map(index::name).toList())
                            + (o.next().size() == 1 ? " plays" : " play") + " on";
            all.add(holds(o.ports().size()) + " the last look "
                    + (o.seconds() == 0 ? "no time" : "up to " + seconds(o.seconds()) + " s") + ", then " + next
                    + (o.follows() && o.seconds() > 0
                            ? ": a fade of %.0f s steps by %.0f %%, %d of 255."
                                    .formatted(FADE_SECONDS, o.stepPercent(FADE_SECONDS), o.stepLevel(FADE_SECONDS))
                            : "."));
        }
        if (all.isEmpty()) {
            all.add(index.name(stops.main()) + " sends nothing that arrives, so nothing changes.");
        }
        all.add("Main again: let it enter as backup, then change parts. Never two main desks at once.");
        return all;
    }

    /** As it was measured in a rehearsal. */
    List<String> of(List<Measured> measured) {
        record Alike(long tenths, int step) {}
        Map<Alike, List<Measured>> groups = new LinkedHashMap<>();
        for (Measured m : measured) {
            OptionalDouble seconds = m.seconds();
            groups.computeIfAbsent(
                            new Alike(
                                    seconds.isPresent() ? Math.round(seconds.getAsDouble() * 10) : -1,
                                    m.step() / ALIKE),
                            a -> new ArrayList<>())
                    .add(m);
        }
        List<String> all = new ArrayList<>();
        groups.forEach((alike, of) -> all.add("Rehearsed: "
                + (alike.tenths() < 0
                        ? Counted.of(of.size(), "port") + " did not move within 12 s: the desk that goes on stands by"
                                + " and begins in its own time, or nothing of it arrives."
                        : holds(of.size()) + " " + seconds(alike.tenths() / 10.0) + " s and "
                                + (of.size() == 1 ? "steps" : "step") + " from "
                                + of.get(0).before() + " to " + of.get(0).after() + " of 255.")));
        return all;
    }

    private static String holds(int ports) {
        return ports + (ports == 1 ? " port holds" : " ports hold");
    }

    private static String seconds(double value) {
        return value == Math.rint(value) ? String.valueOf((int) value) : String.valueOf(value);
    }
}
