package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import zentrel.text.PlainText;

/**
 * A light, or whatever else takes slots.
 *
 * @param number its number in the show, as people say it
 * @param type the kind of fixture
 * @param mode the mode that it is set to; blank where the type says enough
 * @param line the DMX line it hangs on; where not given, a port of its universe is taken to lead to it, unless each of them has
 *     lines with other fixtures
 * @param breaks its runs of slots, at least one
 * @param sharesSlots whether it is meant to share its slots with another
 * @param unitLoads how much of a DMX line's 32 unit loads it takes (ANSI E1.11; EIA-485)
 * @param use what it is for, and where it hangs
 */
@RecordBuilder
public record Fixture(
        Id<Fixture> id,
        String number,
        String name,
        String place,
        String type,
        String mode,
        Optional<Id<Line>> line,
        List<Break> breaks,
        boolean sharesSlots,
        double unitLoads,
        FixtureUse use)
        implements Named, FixtureBuilder.With {
    /** A fixture of one unit load. */
    public Fixture(
            Id<Fixture> id,
            String number,
            String name,
            String place,
            String type,
            Optional<Id<Line>> line,
            List<Break> breaks,
            boolean sharesSlots) {
        this(id, number, name, place, type, "", line, breaks, sharesSlots, 1, FixtureUse.NONE);
    }

    public Fixture {
        PlainText.require("The number of a fixture", number);
        PlainText.require("The name of a fixture", name);
        PlainText.require("A place", place);
        PlainText.require("The type of a fixture", type);
        PlainText.require("The mode of a fixture", mode);
        breaks = List.copyOf(breaks);
        if (breaks.isEmpty()) {
            throw new IllegalArgumentException("A fixture needs at least one break: universe, start and footprint.");
        }
    }

    /** The slots that it takes of a universe, 1 to 512; what of it lies beyond is left out. */
    public IntStream slotsIn(Id<Universe> universe) {
        return breaks.stream()
                .filter(b -> b.universe().equals(universe))
                .flatMapToInt(b -> IntStream.rangeClosed(b.start(), Math.min(b.end(), Universe.SLOTS)));
    }

    /** What people call it: its number, if it has one, and its name. */
    public String label() {
        return number.isEmpty() ? name : number + " " + name;
    }

    /** This fixture with the break at {@code index} replaced. */
    public Fixture withBreak(int index, Break value) {
        List<Break> list = new ArrayList<>(breaks);
        list.set(index, value);
        return withBreaks(list);
    }

    /** Its type and mode, as one. */
    public String typeAndMode() {
        return mode.isEmpty() ? type : type + ", " + mode;
    }

    /** The line by which one of its breaks is connected: its own, else the fixture's. */
    public Optional<Id<Line>> lineOf(Break one) {
        return one.line().or(() -> line);
    }

    /** The lines by which its breaks are connected, each once. */
    public List<Id<Line>> lines() {
        if (breaks.size() == 1) {
            return lineOf(breaks.get(0)).map(List::of).orElse(List.of()); // nearly all
        }
        return breaks.stream().flatMap(b -> lineOf(b).stream()).distinct().toList();
    }

    /** The universes of the breaks that a line connects. */
    public Set<Id<Universe>> universesOn(Id<Line> on) {
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        for (Break b : breaks) {
            if (lineOf(b).equals(Optional.of(on))) {
                universes.add(b.universe());
            }
        }
        return universes;
    }

    /** All its breaks by the fixture's own line. */
    public Fixture withoutBreakLines() {
        return withBreaks(breaks.stream().map(b -> b.withLine(Optional.empty())).toList());
    }

    /** This fixture without a line that is gone. */
    public Fixture withoutLine(Id<Line> gone) {
        Fixture rest = line.equals(Optional.of(gone)) ? withLine(Optional.empty()) : this;
        return rest.withBreaks(rest.breaks.stream()
                .map(b -> b.line().equals(Optional.of(gone)) ? b.withLine(Optional.empty()) : b)
                .toList());
    }

    /** The universes that it is patched in, in the order of its breaks. */
    public Set<Id<Universe>> universes() {
        if (breaks.size() == 1) {
            return Set.of(breaks.get(0).universe()); // nearly all, and a plan may have a hundred thousand
        }
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        breaks.forEach(b -> universes.add(b.universe()));
        return universes;
    }

    public boolean uses(Id<Universe> universe) {
        return breaks.stream().anyMatch(b -> b.universe().equals(universe));
    }
}
