package zentrel.path.words;

import java.util.List;
import java.util.Map;
import zentrel.path.Facts;
import zentrel.path.Hop;
import zentrel.path.Issue;
import zentrel.path.Reason;
import zentrel.path.SignalPaths;
import zentrel.plan.PlanIndex;
import zentrel.text.Phrases;

/** Says what the hops of a path found, in sentences made when somebody reads them. */
public final class PathWords {
    private static final Phrases PHRASES = new Phrases("zentrel.path.words.hops");
    private static final String SAID = "said";

    /** Under a hop at which there is nothing to judge. */
    private static final String NOTHING = "–";

    private static final Map<Reason, Reason> LIKE = Map.ofEntries(
            Map.entry(Reason.NUMBERS_DIFFER, Reason.OFF_BY_ONE),
            Map.entry(Reason.NOBODY_ASKED, Reason.OFF_BY_ONE),
            Map.entry(Reason.OWN_ADDRESS, Reason.DUPLICATE),
            Map.entry(Reason.INPUT_NOT_ASKED, Reason.WRONG_WAY),
            Map.entry(Reason.GROUP_NOT_JOINED, Reason.OFF_BY_ONE),
            Map.entry(Reason.ATTACHED_ELSEWHERE, Reason.WRONG_TARGET),
            Map.entry(Reason.FAR_NO_POWER, Reason.NO_POWER),
            Map.entry(Reason.FAR_UNPLUGGED, Reason.UNPLUGGED),
            Map.entry(Reason.FAR_SWITCHED_OFF, Reason.SWITCHED_OFF),
            Map.entry(Reason.FAR_NO_ADDRESS, Reason.NO_ADDRESS),
            Map.entry(Reason.FAR_NOT_A_HOST, Reason.NOT_A_HOST));

    private final Values values;

    /** Words with the names of a plan. */
    public PathWords(PlanIndex index) {
        values = new Values(index, this::phrase);
    }

    /** Words with the names that the paths were judged with. */
    public static PathWords of(SignalPaths paths) {
        return new PathWords(paths.plan().index());
    }

    /** Why a hop passes, or the first sentence of what is wrong. */
    public String text(Hop hop) {
        return hop.issue().map(this::text).orElseGet(() -> phrase(key(hop), hop.why()));
    }

    /** The few words and numbers that decide a hop. */
    public String brief(Hop hop) {
        if (hop.issue().isPresent()) {
            return brief(hop.issue().get());
        }
        String key = key(hop) + ".brief";
        return PHRASES.has(key) ? phrase(key, hop.why()) : NOTHING;
    }

    /** What is wrong, with the real numbers, then what to set and where. */
    public String text(Issue issue) {
        return issue.facts().is(SAID) ? issue.facts().get("text", String.class) : phrase(key(issue, ""), issue.facts());
    }

    /** The few words and numbers that go under the hop. */
    public String brief(Issue issue) {
        return issue.facts().is(SAID)
                ? issue.facts().get("brief", String.class)
                : phrase(key(issue, ".brief"), issue.facts());
    }

    /** The texts of some hops, in order. */
    public List<String> texts(List<Hop> hops) {
        return hops.stream().map(this::text).toList();
    }

    private static String key(Hop hop) {
        return "hop/" + hop.why().form();
    }

    /** The key of an issue; what happens at the receiver, or shows at another hop, is said as where it has words of its own. */
    private static String key(Issue issue, String part) {
        String form = issue.facts().form();
        String end = (form.isEmpty() ? "" : "/" + form) + part;
        String plain = issue.reason().code() + end;
        if (PHRASES.has(plain)) {
            return plain;
        }
        String simple = issue.reason().code() + part;
        Reason like = LIKE.getOrDefault(issue.reason(), issue.reason());
        return !part.isEmpty() && PHRASES.has(simple) ? simple : like.code() + end;
    }

    private String phrase(String key, Facts facts) {
        return PHRASES.of(key).fill(place -> values.shown(facts, place), place -> values.counted(facts, place));
    }
}
