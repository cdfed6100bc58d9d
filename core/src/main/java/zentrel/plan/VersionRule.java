package zentrel.plan;

import java.util.Arrays;
import java.util.List;
import zentrel.text.Word;

/** How closely the versions of a session's desks must agree. */
public enum VersionRule implements Word {
    /** The whole version text. */
    EXACT,
    /** The first two numbers. */
    MAJOR_MINOR,
    /** The first number. */
    MAJOR,
    /** They need not agree. */
    ANY;

    /** Whether two versions agree as closely as this asks. */
    public boolean agree(String a, String b) {
        return switch (this) {
            case ANY -> true;
            case EXACT -> a.equals(b);
            case MAJOR_MINOR -> firstParts(a, 2).equals(firstParts(b, 2));
            case MAJOR -> firstParts(a, 1).equals(firstParts(b, 1));
        };
    }

    private static List<String> firstParts(String version, int count) {
        return Arrays.stream(version.split("\\.", -1)).limit(count).toList();
    }
}
