package zentrel.app.shell;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.patch.FixtureList;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.profile.Protocol;
import zentrel.text.Counted;
import zentrel.universe.PortAddress;

/** What is told of a fixture: its start slot as each program writes it, and what its slots do. */
final class FixtureFacts {
    private static final int MOST_SLOTS = 40;

    private FixtureFacts() {}

    /** Names and values, in order. */
    static Map<String, String> of(Plan plan, Fixture fixture) {
        Map<String, String> facts = new LinkedHashMap<>();
        PlanIndex index = plan.index();
        int part = 1;
        for (Break b : fixture.breaks()) {
            Universe universe = index.universe(b.universe());
            String which = fixture.breaks().size() == 1 ? "" : " " + part++;
            facts.put("Universe" + which, universe.label() + " " + universe.name());
            facts.put("Start slot" + which, b.start() + " to " + b.end() + ", " + Counted.of(b.footprint(), "slot"));
            SlotRun run = new SlotRun(universe.number(), b.start(), b.footprint());
            facts.put("Counted through all" + which, SlotNotation.ABSOLUTE.written(run, 1));
            index.streamsOf(universe.id()).stream()
                    .filter(s -> s.protocol() == Protocol.ARTNET)
                    .findFirst()
                    .flatMap(index::wireOf)
                    .ifPresent(w -> facts.put(
                            "On Art-Net" + which,
                            w + (w >= 0 && w <= PortAddress.LAST ? " (" + new PortAddress(w) + ")" : "") + ", slot "
                                    + b.start()));
        }
        if (!fixture.type().isEmpty()) {
            facts.put("Type, mode", fixture.typeAndMode());
        }
        lists(plan, fixture, facts);
        use(fixture, facts);
        slots(plan, fixture, facts);
        return facts;
    }

    /** Where each other program has it, in that program's own notation. */
    private static void lists(Plan plan, Fixture fixture, Map<String, String> facts) {
        PatchRow here = FixtureList.row(plan, fixture);
        for (PatchList list : plan.patchLists()) {
            Optional<PatchRow> there = FixtureList.of(list).find(here);
            facts.put(
                    "In " + list.name(),
                    there.map(r -> r.runs().isEmpty()
                                    ? "not patched"
                                    : String.join(
                                            ", ",
                                            r.runs().stream()
                                                    .map(x -> list.style().notation() == SlotNotation.TWO_COLUMNS
                                                            ? (x.universe()
                                                                            - 1
                                                                            + list.style()
                                                                                    .base()) + " · " + x.slot()
                                                            : list.style().written(x))
                                                    .toList()))
                            .orElse("missing"));
        }
    }

    private static void use(Fixture fixture, Map<String, String> facts) {
        put(facts, "Purpose", fixture.use().purpose());
        put(facts, "Unit or circuit", fixture.use().unit());
        fixture.use().position().ifPresent(p -> facts.put("Position", p + " m"));
        put(facts, "Note", fixture.use().note());
    }

    private static void put(Map<String, String> facts, String name, String value) {
        if (!value.isEmpty()) {
            facts.put(name, value);
        }
    }

    private static void slots(Plan plan, Fixture fixture, Map<String, String> facts) {
        Optional<FixtureMode> mode = plan.fixtureTypes().stream()
                .filter(t -> FixtureType.sameName(t.name(), fixture.type()))
                .findFirst()
                .flatMap(t -> t.mode(fixture.mode()));
        int shown = 0;
        for (int part = 0;
                part < mode.map(m -> m.parts().size()).orElse(0)
                        && part < fixture.breaks().size();
                part++) {
            List<String> names = mode.orElseThrow().parts().get(part);
            int start = fixture.breaks().get(part).start();
            for (int i = 0; i < names.size() && shown < MOST_SLOTS; i++) {
                if (!names.get(i).isEmpty() && !names.get(i).endsWith(FixtureMode.FINE)) {
                    boolean fine = i + 1 < names.size() && names.get(i + 1).equals(names.get(i) + FixtureMode.FINE);
                    facts.put(
                            "Slot " + (start + i) + (fine ? ", " + (start + i + 1) : ""),
                            names.get(i) + (fine ? ", fine" : ""));
                    shown++;
                }
            }
        }
    }
}
