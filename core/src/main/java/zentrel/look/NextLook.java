package zentrel.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.Plan;

/**
 * What is left of a path after some observations, and the one to make next. A signal dies at one hop; it is seen to get as far as
 * a hop, or not; so each answer leaves the hops behind it or those up to it.
 *
 * @param left the hops at which it may die, counted along all legs from 0
 * @param next the observation that halves them best; empty where one hop is left, or nothing more can be seen
 * @param says in a sentence what is known now
 */
public record NextLook(List<Integer> left, Optional<Look> next, String says) {
    /** How much likelier a hop is to be the one, by what was computed of it. */
    private static final double BROKEN = 8;

    private static final double AT_RISK = 4;
    private static final double NOT_KNOWN = 2;

    public NextLook {
        left = List.copyOf(left);
    }

    /**
     * Works it out.
     *
     * @param path the path of what does not respond
     * @param seen the answers so far, in any order; the last one about a hop counts
     */
    public static NextLook of(Plan plan, SignalPath path, List<Seen> seen) {
        PathWords words = new PathWords(plan.index());
        List<Hop> hops = path.hops().toList();
        int passed = -1;
        int stopped = hops.size();
        List<Integer> dumb = new ArrayList<>();
        for (int place = 0; place < hops.size(); place++) {
            Optional<Seen> last = last(seen, place);
            if (last.isPresent()) {
                switch (last.get().answer()) {
                    case YES -> passed = Math.max(passed, place);
                    case NO -> stopped = Math.min(stopped, place);
                    case CANNOT_TELL -> dumb.add(place);
                }
            }
        }
        if (passed >= stopped) {
            return new NextLook(
                    List.of(),
                    Optional.empty(),
                    "It was seen at hop " + number(hops, passed) + " and not at hop " + number(hops, stopped)
                            + " before it: one of the two changed meanwhile, or was seen wrong. Look at both again.");
        }
        List<Integer> left = new ArrayList<>();
        for (int place = passed + 1; place <= Math.min(stopped, hops.size() - 1); place++) {
            if (hops.get(place).applicable()) {
                left.add(place);
            }
        }
        if (left.size() <= 1) {
            return new NextLook(left, Optional.empty(), found(words, hops, left));
        }
        Optional<Look> next = best(plan, path, hops, left, dumb);
        return new NextLook(
                left,
                next,
                next.isPresent()
                        ? "It fails at one of " + left.size() + " hops, " + number(hops, left.get(0)) + " to "
                                + number(hops, left.get(left.size() - 1)) + "."
                        : "It fails at one of the hops " + number(hops, left.get(0)) + " to "
                                + number(hops, left.get(left.size() - 1)) + ", and nobody can tell which by looking. "
                                + "The likeliest: "
                                + words.text(hops.get(likeliest(hops, left))));
    }

    private static Optional<Seen> last(List<Seen> seen, int place) {
        return seen.stream().filter(s -> s.place() == place).reduce((a, b) -> b);
    }

    private static String number(List<Hop> hops, int place) {
        Hop hop = hops.get(place);
        return hop.kind().number() + " (" + hop.kind().title() + ")";
    }

    private static String found(PathWords words, List<Hop> hops, List<Integer> left) {
        if (left.isEmpty()) {
            return "It was seen to arrive.";
        }
        Hop hop = hops.get(left.get(0));
        return "It fails at hop " + number(hops, left.get(0)) + ". "
                + (hop.issue().isPresent()
                        ? words.text(hop)
                        : "The plan says that it passes there: " + words.text(hop)
                                + " So what is set there is not what the plan says.");
    }

    private static int likeliest(List<Hop> hops, List<Integer> left) {
        int best = left.get(0);
        for (int place : left) {
            if (weight(hops.get(place)) > weight(hops.get(best))) {
                best = place;
            }
        }
        return best;
    }

    private static double weight(Hop hop) {
        Verdict verdict = hop.verdict();
        return switch (verdict) {
            case BROKEN -> BROKEN;
            case AT_RISK -> AT_RISK;
            case NOT_KNOWN -> NOT_KNOWN;
            case PASSES, NOT_APPLICABLE -> 1;
        };
    }

    /**
     * The observation whose two answers are as likely as can be, among those after which the rest can still be told apart in
     * the fewest looks.
     */
    private static Optional<Look> best(
            Plan plan, SignalPath path, List<Hop> hops, List<Integer> left, List<Integer> dumb) {
        double all = left.stream().mapToDouble(p -> weight(hops.get(p))).sum();
        int depth = looks(left.size());
        Optional<Look> best = Optional.empty();
        double bestGap = Double.MAX_VALUE;
        double before = 0;
        for (int i = 0; i < left.size() - 1; i++) {
            int place = left.get(i);
            before += weight(hops.get(place));
            Optional<Look> look = dumb.contains(place) ? Optional.empty() : Looks.at(plan, path, place);
            int later = Math.max(looks(i + 1), looks(left.size() - i - 1)) + 1;
            double gap = Math.abs(2 * before - all) + (later > depth ? 1000.0 * (later - depth) : 0);
            if (look.isPresent() && gap < bestGap) {
                best = look;
                bestGap = gap;
            }
        }
        return best;
    }

    /** How many looks tell so many hops apart, at best. */
    private static int looks(int hops) {
        return hops <= 1 ? 0 : 32 - Integer.numberOfLeadingZeros(hops - 1);
    }
}
