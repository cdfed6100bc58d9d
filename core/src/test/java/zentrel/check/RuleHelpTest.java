package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.provider.Arguments;
import zentrel.path.HopKind;
import zentrel.plan.Plan;

/**
 * The help page of each rule: its example is one of the faults that the rule is tried with, its advice are the fixes that were tried.
 * With {@code -Dzentrel.write=docs} the pages are written anew.
 */
class RuleHelpTest {
    private static final Path FOLDER = Path.of("..", "docs", "help");

    /** What is explained with rules whose id begins so; the longest counts. */
    private static final Map<String, String> CONCEPTS = Map.ofEntries(
            Map.entry("address", "subnet-mask"),
            Map.entry("address.link-local-mix", "dhcp"),
            Map.entry("address.in-dhcp-pool", "dhcp"),
            Map.entry("address.none", "dhcp"),
            Map.entry("dhcp", "dhcp"),
            Map.entry("adapter", "loopback"),
            Map.entry("address.same-subnet-twice", "two-addresses"),
            Map.entry("network", "multicast"),
            Map.entry("receiver", "directed-broadcast"),
            Map.entry("universe", "universe-numbers"),
            Map.entry("universe.two-sources", "priorities"),
            Map.entry("universe.one-cid", "priorities"),
            Map.entry("universe.own-levels", "priorities"),
            Map.entry("universe.no-local-copy", "loopback"),
            Map.entry("port", "universe-numbers"),
            Map.entry("desk", "priorities"),
            Map.entry("discovery", "directed-broadcast"));

    private static Map<String, String> pages() {
        Map<String, Arguments> first = new LinkedHashMap<>();
        RulesTest.faults().forEach(f -> first.putIfAbsent((String) f.get()[0], f));
        Map<String, String> pages = new LinkedHashMap<>();
        for (Rule rule : RuleBook.rules()) {
            Object[] fault = first.get(rule.id()).get();
            Report report = Check.run((Plan) fault[3]);
            pages.put(
                    rule.id(),
                    page(
                            rule,
                            report,
                            report.finding(rule.id() + "@" + fault[1]).orElseThrow()));
        }
        return pages;
    }

    private static String page(Rule rule, Report report, Finding finding) {
        StringBuilder page = new StringBuilder("# " + rule.title() + "\n\n" + rule.why() + "\n");
        finding.hop()
                .ifPresent(h -> page.append("\n![hops: ")
                        .append(h.number())
                        .append("](hop-")
                        .append(h.number())
                        .append(".svg)\n"));
        page.append("\n## Example\n\n").append(escaped(finding.text())).append("\n\n## What to do\n\n");
        List<Fix> fixes = Fixes.proven(report, finding);
        fixes.forEach(f -> page.append("- ").append(escaped(f.text())).append(".\n"));
        if (fixes.isEmpty()) {
            page.append("- Do what the sentence says; nothing in the plan alone mends it.\n");
        }
        List<String> see = new ArrayList<>();
        finding.hop().map(HopKind::number).ifPresent(n -> see.add("[hop " + n + "](hop-" + n + ".md)"));
        CONCEPTS.keySet().stream()
                .filter(rule.id()::startsWith)
                .reduce((a, b) -> a.length() >= b.length() ? a : b)
                .map(CONCEPTS::get)
                .ifPresent(c -> see.add("[" + c.replace('-', ' ') + "](concept-" + c + ".md)"));
        if (!see.isEmpty()) {
            page.append("\nSee also: ").append(String.join(", ", see)).append('\n');
        }
        return page.append("\nRule `").append(rule.id()).append("`\n").toString();
    }

    /** The list of all pages. */
    private static String index() throws IOException {
        StringBuilder index =
                new StringBuilder("# Help\n\n- [Keys](../keys.md)\n\n## What happens on the way of a signal\n\n");
        for (HopKind hop : HopKind.values()) {
            index.append(listed("hop-" + hop.number()));
        }
        index.append("\n## What things mean\n\n");
        try (Stream<Path> files = Files.list(FOLDER)) {
            for (String name : files.map(f -> f.getFileName().toString())
                    .filter(f -> f.startsWith("concept-") && f.endsWith(".md"))
                    .sorted()
                    .toList()) {
                index.append(listed(name.replace(".md", "")));
            }
        }
        index.append("\n## What can be wrong\n\n");
        for (Rule rule : RuleBook.rules()) {
            index.append(listed("rule-" + rule.id()));
        }
        return index.toString();
    }

    private static String listed(String name) throws IOException {
        String title = Files.readAllLines(FOLDER.resolve(name + ".md")).get(0).replaceFirst("# ", "");
        return "- [" + title + "](" + name + ".md)\n";
    }

    /** Characters that Markdown takes for its own. */
    private static String escaped(String text) {
        return text.replace("*", "\\*").replace("_", "\\_").replace("<", "\\<");
    }

    @Test
    void eachRuleHasItsPage() throws IOException {
        boolean write = "docs".equals(System.getProperty("zentrel.write"));
        for (Map.Entry<String, String> page : pages().entrySet()) {
            Path file = FOLDER.resolve("rule-" + page.getKey() + ".md");
            if (write) {
                Files.writeString(file, page.getValue());
            }
            assertThat(file).content().as(page.getKey()).isEqualTo(page.getValue());
        }
        if (write) {
            Files.writeString(FOLDER.resolve("index.md"), index());
        }
        assertThat(FOLDER.resolve("index.md")).content().isEqualTo(index());
    }
}
