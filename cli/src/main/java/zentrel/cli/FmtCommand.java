package zentrel.cli;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import zentrel.file.PlanWriter;

/** {@code zentrel fmt PLAN}: the canonical form of a plan file. */
@Command(name = "fmt", mixinStandardHelpOptions = true, description = "Prints a plan file in its canonical form.")
final class FmtCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PLAN", description = "A plan file, demo:draft or demo:ready.")
    @SuppressWarnings("NullAway.Init")
    private String plan;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        // The canonical form is JSON either way.
        out.line(new String(PlanWriter.write(PlanArgument.open(plan)), StandardCharsets.UTF_8).stripTrailing());
        return 0;
    }
}
