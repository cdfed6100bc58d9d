package zentrel.profile;

import java.util.List;
import java.util.Optional;

/**
 * How many universes of a protocol an application sends, and on what that depends. Of the limits whose conditions are met
 * the largest counts; where there are limits and none is met, nothing is sent.
 *
 * @param universes how many at most, from 0
 * @param fromVersion the version from which on this holds
 * @param licence the licence that it needs
 * @param attached the hardware that must be attached
 */
public record ProfileLimit(
        Protocol protocol,
        int universes,
        Optional<String> fromVersion,
        Optional<String> licence,
        Optional<String> attached) {
    public ProfileLimit {
        if (universes < 0) {
            throw new IllegalArgumentException("A limit is 0 universes or more, not " + universes + ".");
        }
    }

    /**
     * Whether its conditions are met; a version that is not specified meets no condition on it.
     *
     * @param installed the licence and the attached hardware of the program
     */
    boolean holdsFor(Optional<String> version, Optional<String> ownLicence, List<String> installed) {
        boolean versionFits = fromVersion.isEmpty()
                || (version.isPresent() && compareVersions(version.get(), fromVersion.get()) >= 0);
        return versionFits && holdsOfAnyVersion(ownLicence, installed);
    }

    /** Whether its conditions are met but for that on the version. */
    boolean holdsOfAnyVersion(Optional<String> ownLicence, List<String> installed) {
        return (licence.isEmpty() || licence.equals(ownLicence))
                && (attached.isEmpty() || installed.contains(attached.get()));
    }

    /** What it asks for, in words; empty text where it asks for nothing. */
    public String condition() {
        StringBuilder words = new StringBuilder();
        fromVersion.ifPresent(v -> words.append("version ").append(v).append(" or later"));
        licence.ifPresent(l ->
                words.append(words.length() > 0 ? ", " : "").append("licence ").append(l));
        attached.ifPresent(
                a -> words.append(words.length() > 0 ? ", " : "").append(a).append(" attached"));
        return words.toString();
    }

    /** Compares version texts number by number: 3.10 is after 3.9; words after numbers are compared as text. */
    public static int compareVersions(String a, String b) {
        String[] left = a.split("[.\\-_ ]", -1);
        String[] right = b.split("[.\\-_ ]", -1);
        for (int i = 0; i < Math.max(left.length, right.length); i++) {
            String x = i < left.length ? left[i] : "0";
            String y = i < right.length ? right[i] : "0";
            int order = x.matches("\\d{1,9}") && y.matches("\\d{1,9}")
                    ? Integer.compare(Integer.parseInt(x), Integer.parseInt(y))
                    : x.compareTo(y);
            if (order != 0) {
                return order;
            }
        }
        return 0;
    }
}
