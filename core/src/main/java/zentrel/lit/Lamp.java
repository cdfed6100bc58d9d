package zentrel.lit;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Fixture;
import zentrel.plan.FixtureOptics;
import zentrel.plan.Universe;

/**
 * A fixture with all that is needed to light it.
 *
 * @param wires where the levels of each of its parts come from; empty where no number is set
 * @param dark why nothing arrives by its path; empty where it arrives
 * @param atRisk whether it arrives by luck, or not enough is known
 */
public record Lamp(
        Fixture fixture,
        FixtureReader reader,
        FixtureOptics optics,
        List<Optional<Wire>> wires,
        Optional<Dark> dark,
        boolean atRisk) {
    public Lamp {
        wires = List.copyOf(wires);
    }

    /** The levels of universes. */
    @FunctionalInterface
    public interface Levels {
        /** 512 levels of a universe, from slot 1; empty where it is not heard. */
        Optional<byte[]> of(Wire wire);
    }

    /** What it shows at the levels of its universes; empty where none of them is heard. */
    public Optional<FixtureLook> look(Levels levels) {
        byte[][] parts = new byte[wires.size()][];
        boolean heard = false;
        for (int i = 0; i < parts.length; i++) {
            parts[i] = wires.get(i).flatMap(levels::of).orElse(NOTHING);
            heard |= parts[i].length > 0;
        }
        return heard ? Optional.of(reader.read((part, slot) -> level(parts, part, slot))) : Optional.empty();
    }

    private static final byte[] NOTHING = new byte[0];

    private int level(byte[][] parts, int part, int slot) {
        if (part >= parts.length) {
            return 0;
        }
        int at = fixture.breaks().get(part).start() - 1 + slot;
        return at >= 0 && at < Universe.SLOTS && at < parts[part].length ? parts[part][at] & 0xFF : 0;
    }

    /** What it shows at full, its head in the middle. */
    public FixtureLook full() {
        FixtureLook look = FixtureLook.DARK.withRed(1).withGreen(1).withBlue(1);
        return reader.moves() ? look.withMoves(true) : look;
    }
}
