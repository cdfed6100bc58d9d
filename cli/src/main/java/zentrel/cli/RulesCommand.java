package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import zentrel.check.Catalogue;
import zentrel.check.RuleBook;

/** {@code zentrel rules}: what the check looks for. */
@Command(name = "rules", mixinStandardHelpOptions = true, description = "Prints every rule, what it finds and why.")
final class RulesCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() {
        if (!out.json) {
            out.line(Catalogue.page().stripTrailing());
            return 0;
        }
        ArrayNode rules = Output.JSON.arrayNode();
        RuleBook.rules()
                .forEach(r -> rules.addObject()
                        .put("rule", r.id())
                        .put("title", r.title())
                        .put("why", r.why()));
        out.json(rules);
        return 0;
    }
}
