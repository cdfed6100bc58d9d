package zentrel.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;

/** The fixtures of the Fernlight Trail, their types, and the list of them that the previs in the office has. */
final class FernlightPatch {
    private static final String MAKER = "House brand";

    private FernlightPatch() {}

    static void fixtures(PlanSketch s) {
        Map<Integer, String[]> kinds = new LinkedHashMap<>();
        kinds.put(1, new String[] {"Glasshouse wash", "wash 18", "18", "12"});
        kinds.put(2, new String[] {"Glasshouse fern", "fern spot", "23", "9"});
        kinds.put(3, new String[] {"Bridge arch", "bar 12", "12", "10"});
        kinds.put(4, new String[] {"Boathouse gable", "wash 18", "18", "10"});
        kinds.put(5, new String[] {"Boathouse door", "wash 18", "18", "12"});
        kinds.put(6, new String[] {"Jetty post", "post 6", "6", "8"});
        kinds.put(7, new String[] {"Reed bed", "flood 7", "7", "9"});
        kinds.put(8, new String[] {"Path light", "post 6", "6", "12"});
        kinds.put(9, new String[] {"Fountain jet", "jet 14", "14", "6"});
        kinds.put(10, new String[] {"Entrance letter", "bar 12", "12", "9"});
        for (int u = 11; u <= 19; u++) {
            kinds.put(u, new String[] {"Arch " + (u - 10), "pixel string 160", "480", "1"});
        }
        kinds.put(20, new String[] {"Orchard tree", "flood 7", "7", "11"});
        kinds.put(21, new String[] {"Orchard lantern", "post 6", "6", "9"});
        kinds.put(22, new String[] {"Rockery stone", "flood 7", "7", "8"});
        kinds.put(23, new String[] {"Terrace string", "bar 12", "12", "6"});
        kinds.forEach((u, kind) -> {
            int footprint = Integer.parseInt(kind[2]);
            int count = Integer.parseInt(kind[3]);
            String line = FernlightPixels.isPixels(u) ? FernlightPixels.lineOf(u) : FernlightTrail.lineOf(u);
            String place = FernlightPixels.isPixels(u) ? "Pergola tunnel" : FernlightTrail.placeOf(u);
            for (int i = 0; i < count; i++) {
                String number = String.valueOf(u * 100 + i + 1);
                String title = count == 1 ? kind[0] : kind[0] + " " + (i + 1);
                s.fixture(
                        "f" + number,
                        number,
                        title,
                        place,
                        kind[1],
                        u == 2 ? "leaves 23" : "",
                        line,
                        FernlightPixels.isPixels(u)
                                ? FernlightPixels.slots(u - 10)
                                : new Break[] {new Break(Kind.UNIVERSE.id("u" + u), 1 + i * footprint, footprint)});
            }
        });
    }

    static void add(PlanSketch s) {
        s.fixtureType(
                "wash-18",
                "wash 18",
                MAKER,
                "18 slots",
                "dimmer, dimmer fine, shutter, pan, pan fine, tilt, tilt fine, zoom, zoom fine, red, red fine, green, green fine,"
                        + " blue, blue fine, white, white fine, reset");
        s.fixtureType(
                "fern-spot",
                "fern spot",
                MAKER,
                "leaves 23",
                "dimmer, dimmer fine, shutter, pan, pan fine, tilt, tilt fine, speed, zoom, zoom fine, focus, focus fine, cyan,"
                        + " magenta, yellow, white temperature, leaf, leaf turn, leaf turn fine, prism, frost, iris, reset");
        s.fixtureType(
                "bar-12",
                "bar 12",
                MAKER,
                "three cells",
                "red 1, green 1, blue 1, white 1, red 2, green 2, blue 2, white 2, red 3, green 3, blue 3, white 3");
        s.fixtureType("post-6", "post 6", MAKER, "6 slots", "dimmer, red, green, blue, white, strobe");
        s.fixtureType("flood-7", "flood 7", MAKER, "7 slots", "dimmer, dimmer fine, red, green, blue, white, amber");
        s.patchList("office-previs-list", "Office previs list", "office-previs");
    }

    /** The list as it was left: made from an older plan, and typed in part. */
    static PatchList outOfDate(PatchList list) {
        List<PatchRow> rows = new ArrayList<>();
        for (PatchRow row : list.rows()) {
            SlotRun run = row.runs().get(0);
            int universe = run.universe();
            if (universe == 2) { // the ferns were put into a smaller mode, and counted on
                int start = 1 + (run.slot() - 1) / run.footprint() * 16;
                row = row.withMode("leaves 16").withRuns(List.of(new SlotRun(universe, start, 16)));
            } else if (universe == 3) { // the bridge was moved up by one bar
                row = row.withRuns(List.of(new SlotRun(universe, run.slot() + 12, run.footprint())));
            } else if (row.number().equals("505")) {
                row = row.withLabel("Boathouse gate 5");
            } else if (row.number().equals("904")) {
                row = row.withRuns(List.of(new SlotRun(universe + 1, run.slot(), run.footprint())));
            }
            if (!row.number().equals("404")) {
                rows.add(row);
            }
        }
        return list.withRows(rows);
    }
}
