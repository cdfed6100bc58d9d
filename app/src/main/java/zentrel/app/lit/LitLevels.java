package zentrel.app.lit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.lit.FixtureLook;
import zentrel.lit.Lamp;
import zentrel.lit.Wire;
import zentrel.live.UniverseSeen;
import zentrel.pixel.PixelColour;
import zentrel.pixel.PixelMap;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;
import zentrel.plan.Universe;

/** What every fixture and pixel shows at a moment, by one of three ways. On the JavaFX thread. */
final class LitLevels {
    /** By what the place is lit. */
    enum Way {
        /** By levels that are heard, for what is reached by its path. */
        PATH,
        /** By levels that are heard, whatever the path. */
        HEARD,
        /** As if all were at full, for what is reached by its path. */
        FULL
    }

    private static final int UNLIT = 0xFF2E3740;
    private static final int FULL_PIXEL = 0xFFE9E4D8;
    private static final byte[] NOTHING = new byte[0];

    private final Map<Wire, byte[]> heard = new HashMap<>();
    private Way way = Way.FULL;
    private Optional<Set<Id<Fixture>>> only = Optional.empty();
    private byte[] levels = NOTHING;
    private int[] colours = new int[0];

    void way(Way now) {
        way = now;
    }

    Way way() {
        return way;
    }

    /** Only these are lit, at full, whatever is heard; empty for all by their levels. */
    void only(Optional<Set<Id<Fixture>>> fixtures) {
        only = fixtures;
    }

    /** What is heard now. */
    void hear(List<UniverseSeen> universes) {
        heard.clear();
        universes.forEach(
                u -> heard.put(new Wire(u.protocol(), u.number()), u.levels().toArray()));
    }

    /** The same from levels, 512 of each universe. */
    void hear(Map<Wire, byte[]> universes) {
        heard.clear();
        heard.putAll(universes);
    }

    void hearNothing() {
        heard.clear();
    }

    int heardUniverses() {
        return heard.size();
    }

    /** What a lamp shows; dark where nothing reaches it. */
    FixtureLook look(Lamp lamp) {
        if (only.isPresent()) {
            return only.get().contains(lamp.fixture().id()) ? lamp.full() : still(lamp);
        }
        if (way != Way.HEARD && lamp.dark().isPresent()) {
            return still(lamp);
        }
        return way == Way.FULL
                ? lamp.full()
                : lamp.look(w -> Optional.ofNullable(heard.get(w))).orElse(still(lamp));
    }

    private static FixtureLook still(Lamp lamp) {
        return FixtureLook.DARK.withMoves(lamp.reader().moves());
    }

    /** The colour of each pixel, {@code 0xFFrrggbb}. */
    int[] pixels(LitSight sight) {
        PixelMap map = sight.lit().pixels();
        if (colours.length != map.count()) {
            colours = new int[map.count()];
        }
        if (levels.length != map.universes().size() * Universe.SLOTS) {
            levels = map.levels();
        }
        fill(sight);
        for (int r = 0; r < map.runs().size(); r++) {
            PixelRun run = map.runs().get(r);
            Lamp lamp = sight.runs().get(run.id());
            boolean chosen = only.isPresent()
                    && lamp != null
                    && only.get().contains(lamp.fixture().id());
            for (int i = map.first(r); i < map.first(r + 1); i++) {
                colours[i] = only.isPresent() ? (chosen ? FULL_PIXEL : UNLIT) : pixel(sight, run, i);
            }
        }
        return colours;
    }

    private int pixel(LitSight sight, PixelRun run, int pixel) {
        int at = sight.lit().pixels().at(pixel);
        if (at < 0) {
            return UNLIT;
        }
        boolean arrives = sight.lit().pixelArrives().get(at / Universe.SLOTS);
        if (way != Way.HEARD && !arrives) {
            return UNLIT;
        }
        int shown = way == Way.FULL ? FULL_PIXEL : PixelColour.shown(levels, at, run.type());
        return (shown & 0xFFFFFF) == 0 ? UNLIT : shown;
    }

    private void fill(LitSight sight) {
        Arrays.fill(levels, (byte) 0);
        if (way == Way.FULL) {
            return;
        }
        List<Optional<Wire>> wires = sight.lit().pixelWires();
        for (int u = 0; u < wires.size(); u++) {
            byte[] each = wires.get(u).map(heard::get).orElse(NOTHING);
            System.arraycopy(each, 0, levels, u * Universe.SLOTS, Math.min(each.length, Universe.SLOTS));
        }
    }
}
