package zentrel.gear;

import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.Plan;

/** Names for people that count on: after "Boathouse node 3" comes "Boathouse node 4". */
final class Names {
    private static final Pattern NUMBERED = Pattern.compile("^(.*?)(\\s*)(\\d{1,6})$", Pattern.DOTALL);

    private final Set<String> taken = new HashSet<>();

    Names(Plan plan) {
        plan.hosts().forEach(h -> taken.add(h.name()));
        plan.applications().forEach(a -> taken.add(a.name()));
        plan.lines().forEach(l -> taken.add(l.name()));
        plan.segments().forEach(s -> taken.add(s.name()));
    }

    /** The name itself where it is free; else the next with a number that is. */
    String free(String wanted) {
        String candidate = wanted;
        while (!taken.add(candidate)) {
            candidate = next(candidate);
        }
        return candidate;
    }

    /** The first of several: numbered from 1, so that the others count on. */
    String first(String base) {
        return taken.contains(base + " 1") || taken.contains(base) ? free(base) : free(base + " 1");
    }

    /** The name with its last number one higher, or with 2 where it has none. Leading zeros stay. */
    static String next(String name) {
        Matcher numbered = NUMBERED.matcher(name);
        if (!numbered.matches()) {
            return name + " 2";
        }
        String digits = numbered.group(3);
        String counted = String.format("%0" + digits.length() + "d", Long.parseLong(digits) + 1);
        return numbered.group(1) + numbered.group(2) + counted;
    }
}
