package zentrel.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.FixtureMode;

/** Reads what a fixture shows out of its levels, by what its mode says of its slots. Immutable. */
public final class FixtureReader {
    private static final Pattern CELL = Pattern.compile("(.+?) (\\d{1,4})");

    /** The fastest that a strobe flashes (common practice, no source). */
    private static final double FASTEST_STROBE = 20;

    /** The levels of a fixture. */
    @FunctionalInterface
    public interface Levels {
        /** From 0 to 255; part and slot count from 0. */
        int at(int part, int slot);
    }

    /** A value of one slot, or of two, the finer last. */
    private record Channel(SlotRole role, int cell, int part, List<Integer> slots) {
        double value(Levels levels) {
            double value = 0;
            double whole = 0;
            for (int slot : slots) {
                value = value * 256 + levels.at(part, slot);
                whole = whole * 256 + 255;
            }
            return value / whole;
        }
    }

    private final List<Channel> channels;
    private final List<Integer> cells;
    private final boolean known;
    private final List<Integer> footprints;

    private FixtureReader(List<Channel> channels, List<Integer> footprints) {
        this.channels = channels;
        this.footprints = footprints;
        known = channels.stream().anyMatch(c -> c.role() != SlotRole.OTHER);
        cells = channels.stream()
                .map(Channel::cell)
                .filter(c -> c > 0)
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * A reader.
     *
     * @param mode what its slots do; empty where nobody said
     * @param footprints how many slots each part has
     */
    public static FixtureReader of(Optional<FixtureMode> mode, List<Integer> footprints) {
        List<Channel> channels = new ArrayList<>();
        mode.ifPresent(m -> {
            for (int part = 0; part < m.parts().size(); part++) {
                read(m.parts().get(part), part, channels);
            }
        });
        return new FixtureReader(channels, List.copyOf(footprints));
    }

    private static void read(List<String> names, int part, List<Channel> to) {
        TreeMap<String, List<Integer>> slots = new TreeMap<>();
        for (int slot = 0; slot < names.size(); slot++) {
            String name = names.get(slot).toLowerCase(Locale.ROOT);
            String coarse = name;
            while (coarse.endsWith(FixtureMode.FINE)) {
                coarse = coarse.substring(0, coarse.length() - FixtureMode.FINE.length());
            }
            if (!coarse.isEmpty()) {
                slots.computeIfAbsent(coarse, c -> new ArrayList<>()).add(slot);
            }
        }
        slots.forEach((name, all) -> {
            Matcher cell = CELL.matcher(name);
            boolean numbered = cell.matches() && SlotRole.of(cell.group(1)) != SlotRole.OTHER;
            to.add(new Channel(
                    SlotRole.of(numbered ? cell.group(1) : name),
                    numbered ? Integer.parseInt(cell.group(2)) : 0,
                    part,
                    all.size() > 4 ? all.subList(0, 4) : all));
        });
    }

    /** Whether anything is known of what its slots do; else it is as bright as its highest slot. */
    public boolean isKnown() {
        return known;
    }

    /** Whether its head moves. */
    public boolean moves() {
        return has(SlotRole.PAN) || has(SlotRole.TILT);
    }

    /** Whether it has a way to be coloured. */
    public boolean isColoured() {
        return channels.stream().anyMatch(c -> c.role().adds() && c.role() != SlotRole.WHITE)
                || has(SlotRole.CYAN)
                || has(SlotRole.MAGENTA)
                || has(SlotRole.YELLOW);
    }

    private boolean has(SlotRole role) {
        return channels.stream().anyMatch(c -> c.role() == role);
    }

    /** What it shows. */
    public FixtureLook read(Levels levels) {
        if (!known) {
            return unknown(levels);
        }
        List<Integer> shown = new ArrayList<>();
        double[] sum = new double[3];
        for (int cell : cells.isEmpty() ? List.of(0) : cells) {
            double[] rgb = colour(levels, cell);
            for (int i = 0; i < 3; i++) {
                sum[i] += rgb[i] / Math.max(1, cells.size());
            }
            if (!cells.isEmpty()) {
                shown.add(0xFF000000
                        | FixtureLook.byteOf(rgb[0]) << 16
                        | FixtureLook.byteOf(rgb[1]) << 8
                        | FixtureLook.byteOf(rgb[2]));
            }
        }
        return new FixtureLook(
                sum[0],
                sum[1],
                sum[2],
                of(levels, SlotRole.PAN, 0.5),
                of(levels, SlotRole.TILT, 0.5),
                of(levels, SlotRole.ZOOM, 0),
                moves(),
                of(levels, SlotRole.STROBE, 0) * FASTEST_STROBE,
                shown);
    }

    private double of(Levels levels, SlotRole role, double otherwise) {
        return channels.stream()
                .filter(c -> c.role() == role)
                .findFirst()
                .map(c -> c.value(levels))
                .orElse(otherwise);
    }

    /** The brightness of red, green and blue of a cell; what belongs to no cell belongs to all. */
    private double[] colour(Levels levels, int cell) {
        double[] rgb = new double[3];
        boolean adds = false;
        double dimmer = 1;
        double[] left = {1, 1, 1};
        for (Channel c : channels) {
            if (c.cell() != 0 && c.cell() != cell) {
                continue;
            }
            SlotRole role = c.role();
            if (role.adds()) {
                double value = c.value(levels);
                adds = true;
                rgb[0] += value * role.red();
                rgb[1] += value * role.green();
                rgb[2] += value * role.blue();
            } else {
                switch (role) {
                    case DIMMER -> dimmer *= c.value(levels);
                    case SHUTTER -> dimmer *= c.value(levels) > 0 ? 1 : 0; // closed at 0 (common practice, no source)
                    case CYAN -> left[0] *= 1 - c.value(levels);
                    case MAGENTA -> left[1] *= 1 - c.value(levels);
                    case YELLOW -> left[2] *= 1 - c.value(levels);
                    case TEMPERATURE -> {
                        left[1] *= 1 - 0.35 * c.value(levels); // warmer the higher (common practice, no source)
                        left[2] *= 1 - 0.65 * c.value(levels);
                    }
                    default -> {
                        // it changes neither brightness nor colour
                    }
                }
            }
        }
        double most = Math.max(1, Math.max(rgb[0], Math.max(rgb[1], rgb[2])));
        for (int i = 0; i < 3; i++) {
            rgb[i] = (adds ? rgb[i] / most : 1) * left[i] * dimmer;
        }
        return rgb;
    }

    private FixtureLook unknown(Levels levels) {
        int highest = 0;
        for (int part = 0; part < footprints.size(); part++) {
            for (int slot = 0; slot < footprints.get(part); slot++) {
                highest = Math.max(highest, levels.at(part, slot));
            }
        }
        double all = highest / 255.0;
        return FixtureLook.DARK.withRed(all).withGreen(all).withBlue(all);
    }
}
