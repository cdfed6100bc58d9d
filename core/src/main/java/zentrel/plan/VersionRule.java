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

    /** How two versions stand to each other. */
    public enum Agreement {
        AGREE,
        DIFFER,
        /** As far as the shorter of the two is written they agree; what follows is not known. */
        NOT_SURE
    }

    /** How two versions stand to each other, as closely as this asks. */
    public Agreement compare(String a, String b) {
        int asked = switch (this) {
            case ANY -> 0;
            case MAJOR -> 1;
            case MAJOR_MINOR -> 2;
            case EXACT -> Integer.MAX_VALUE;
        };
        List<String> x = parts(a);
        List<String> y = parts(b);
        int both = Math.min(asked, Math.min(x.size(), y.size()));
        if (!x.subList(0, both).equals(y.subList(0, both))) {
            return Agreement.DIFFER;
        }
        boolean shorter = both < asked && x.size() != y.size();
        return shorter ? Agreement.NOT_SURE : Agreement.AGREE;
    }

    private static List<String> parts(String version) {
        return Arrays.asList(version.split("\\.", -1));
    }
}
