package zentrel.app.gear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zentrel.app.shell.Boxes;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.Profile;
import zentrel.text.Counted;

/** The rows of the ledger: boxes by place, worked out from a report. */
record Ledger(List<Segment> segments, List<Row> rows, String summary) {
    /** Ports drawn one by one; a box with more says how many. */
    static final int MOST_PORTS = 24;

    private static final int MOST_LABELS = 4;

    /** One row: a place, or a box in it. */
    record Row(
            @Nullable Host host,
            String place,
            int boxes,
            String profile,
            Set<Id<Segment>> touches,
            List<Slot> slots,
            int ports,
            String sends,
            @Nullable Severity severity) {
        boolean isPlace() {
            return host == null;
        }

        /** The universes of its ports, as many as there is room to write. */
        String carries() {
            List<String> labels = slots.stream()
                    .flatMap(s -> s.universe().stream())
                    .map(Universe::label)
                    .distinct()
                    .toList();
            return labels.size() <= MOST_LABELS
                    ? String.join(" ", labels)
                    : labels.get(0) + " … " + labels.get(labels.size() - 1);
        }
    }

    /** One port: what it is meant for, and whether it is switched on. */
    record Slot(String name, Optional<Universe> universe, boolean on) {}

    static Ledger of(Report report) {
        Plan plan = report.plan();
        Map<String, List<Host>> places = new LinkedHashMap<>();
        plan.hosts()
                .forEach(h -> places.computeIfAbsent(h.place(), p -> new ArrayList<>())
                        .add(h));
        Map<Id<?>, Severity> worst = severities(report);
        List<Row> rows = new ArrayList<>();
        places.forEach((place, hosts) -> {
            rows.add(new Row(
                    null,
                    place.isEmpty() ? "No place yet" : place,
                    hosts.size(),
                    "",
                    Set.of(),
                    List.of(),
                    0,
                    "",
                    null));
            hosts.forEach(h -> rows.add(row(plan, h, worst.get(h.id()))));
        });
        long unrouted = plan.receivers().stream()
                .flatMap(r -> r.ports().stream())
                .filter(p -> p.kind() == PortKind.DMX
                        && p.enabled().inForce()
                        && plan.index().universesOf(p.id()).isEmpty())
                .count();
        return new Ledger(
                plan.segments(),
                rows,
                Counted.of(plan.hosts().size(), "device") + " in " + Counted.of(places.size(), "place")
                        + (unrouted > 0 ? " · " + Counted.of(unrouted, "port") + " free" : ""));
    }

    private static Map<Id<?>, Severity> severities(Report report) {
        Map<Id<?>, Severity> worst = new LinkedHashMap<>();
        PlanIndex index = report.plan().index();
        for (Finding finding : report.findings()) {
            Boxes.of(index, finding.cause())
                    .ifPresent(h -> worst.merge(h, finding.severity(), (a, b) -> a.compareTo(b) > 0 ? a : b));
        }
        return worst;
    }

    private static Row row(Plan plan, Host host, @Nullable Severity severity) {
        PlanIndex index = plan.index();
        Set<Id<Segment>> touches = new TreeSet<>(java.util.Comparator.comparing(Id<Segment>::value));
        host.adapters().forEach(a -> a.segment().ifPresent(touches::add));
        List<Slot> slots = new ArrayList<>();
        int ports = 0;
        Set<Integer> sent = new TreeSet<>();
        for (Application a : index.applicationsOn(host.id())) {
            index.streamsFrom(a.id())
                    .forEach(s -> sent.add(index.universe(s.universe()).number()));
            for (Receiver r : index.receiversOf(a.id())) {
                for (Port p : r.ports()) {
                    ports++;
                    if (slots.size() < MOST_PORTS) {
                        slots.add(new Slot(
                                p.name(),
                                index.universesOf(p.id()).stream().findFirst().map(index::universe),
                                p.enabled().inForce()));
                    }
                }
            }
        }
        String profile = index.profileOf(host)
                .map(Profile::name)
                .orElse(host.profile()
                        .map(p -> p.replaceFirst("^house/", "").replace('-', ' '))
                        .orElse(host.kind().word().replace('-', ' ')));
        return new Row(host, host.place(), 1, profile, touches, slots, ports, sends(sent), severity);
    }

    private static String sends(Set<Integer> numbers) {
        if (numbers.isEmpty()) {
            return "";
        }
        int first = numbers.iterator().next();
        int last = ((TreeSet<Integer>) numbers).last();
        boolean run = last - first + 1 == numbers.size();
        return "sends U" + first + (first == last ? "" : (run ? "–" : " … ") + "U" + last);
    }
}
