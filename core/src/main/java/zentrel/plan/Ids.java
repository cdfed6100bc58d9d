package zentrel.plan;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** Finds ids that a plan does not use yet. */
public final class Ids {
    private final PlanIndex index;
    private final Set<String> given = new HashSet<>();

    /** Ids that are free beside those of {@code plan} and those given out here before. */
    public Ids(Plan plan) {
        index = plan.index();
    }

    /** The id wanted, or that id with the first number from 2 that makes it free. */
    public static String free(Plan plan, String wanted) {
        return new Ids(plan).next(wanted);
    }

    /** As {@link #free}, and never the same again. */
    public String next(String wanted) {
        String candidate = wanted;
        for (int n = 2; given.contains(candidate) || index.holds(candidate); n++) {
            candidate = wanted + "-" + n;
        }
        given.add(candidate);
        return candidate;
    }

    /** A name as an id: lower case, without accents, hyphens for the rest; {@code otherwise} where nothing is left. */
    public static String of(String name, String otherwise) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9.]+", "-")
                .replaceAll("^-+|-+$", "");
        return plain.isEmpty() ? otherwise : plain.substring(0, Math.min(plain.length(), 60));
    }
}
