package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * A type of fixture with its modes.
 *
 * @param maker who makes it; blank where nobody said
 * @param modes at least one
 */
@RecordBuilder
public record FixtureType(Id<FixtureType> id, String name, String maker, List<FixtureMode> modes, FixtureOptics optics)
        implements Named, FixtureTypeBuilder.With {
    /** A type whose light nobody described. */
    public FixtureType(Id<FixtureType> id, String name, String maker, List<FixtureMode> modes) {
        this(id, name, maker, modes, FixtureOptics.USUAL);
    }

    public FixtureType {
        PlainText.require("The name of a fixture type", name);
        PlainText.require("A maker", maker);
        modes = List.copyOf(modes);
        if (modes.isEmpty()) {
            throw new IllegalArgumentException("A fixture type needs at least one mode with its slots.");
        }
    }

    /** Two names that are written differently and mean the same type or mode. */
    public static boolean sameName(String one, String other) {
        return one.equals(other) || plain(one).equals(plain(other));
    }

    /** A name without what people write differently: case, blanks and marks. */
    public static String plain(String name) {
        StringBuilder plain = new StringBuilder(name.length());
        name.codePoints()
                .filter(Character::isLetterOrDigit)
                .map(Character::toLowerCase)
                .forEach(plain::appendCodePoint);
        return plain.toString();
    }

    /** A mode by its name; where none is said, the only one. */
    public Optional<FixtureMode> mode(String called) {
        return called.isBlank()
                ? Optional.of(modes).filter(m -> m.size() == 1).map(m -> m.get(0))
                : modes.stream().filter(m -> sameName(m.name(), called)).findFirst();
    }
}
