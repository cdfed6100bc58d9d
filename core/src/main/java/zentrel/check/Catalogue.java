package zentrel.check;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import zentrel.path.Reason;

/** The rules as a page for people: what each looks for, where a signal dies of it, why it matters. */
public final class Catalogue {
    private Catalogue() {}

    /** The page in Markdown; {@code docs/rules.md} is this text. */
    public static String page() {
        StringBuilder page = new StringBuilder("""
                # The rules

                One section a rule, in the order of the work. *Reasons* are the codes that `path` prints, each with the one hop
                where it happens; a rule without reasons looks at the plan beyond the single signals. *Broken* does not work,
                *at risk* works by luck, load or loss, a *note* is worth knowing.
                """);
        for (Rule rule : RuleBook.rules()) {
            page.append("\n## ").append(rule.id()).append("\n\n");
            page.append(rule.title()).append(". ").append(rule.why()).append('\n');
            List<Reason> reasons = Arrays.stream(Reason.values())
                    .filter(r -> r.rule().equals(rule.id()))
                    .toList();
            if (!reasons.isEmpty()) {
                page.append("\nReasons: ")
                        .append(reasons.stream()
                                .map(r -> "`" + r.code() + "` (hop " + r.hop().number() + ")")
                                .collect(Collectors.joining(", ")))
                        .append(".\n");
            }
        }
        return page.toString();
    }
}
