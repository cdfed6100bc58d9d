package zentrel.cli;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import zentrel.file.PlanWriter;

/** {@code zentrel fmt PLAN}: the canonical form of a plan file. */
@Command(name = "fmt", mixinStandardHelpOptions = true, description = "Prints a plan file in its canonical form.")
final class FmtCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        // The canonical form is JSON either way.
        out.line(new String(PlanWriter.write(input.loaded()), StandardCharsets.UTF_8).stripTrailing());
        return 0;
    }
}
