package zentrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.machine.AddressTable;
import zentrel.machine.HostsFile;
import zentrel.machine.Reservations;
import zentrel.plan.Plan;

/** {@code zentrel export PLAN --as FORM [-o FILE]}: the addresses of a plan in another form. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description = "Writes the addresses as DHCP reservations (dnsmasq, kea), a hosts file or a table (csv).")
final class ExportCommand implements Callable<Integer> {
    /** The forms there are. */
    enum Form {
        dnsmasq,
        kea,
        hosts,
        csv
    }

    @Parameters(index = "0", paramLabel = "PLAN", description = "A plan file, demo:draft or demo:ready.")
    @SuppressWarnings("NullAway.Init")
    private String plan;

    @Option(names = "--as", required = true, paramLabel = "FORM", description = "${COMPLETION-CANDIDATES}.")
    @SuppressWarnings("NullAway.Init")
    private Form form;

    @Option(names = "-o", paramLabel = "FILE", description = "Where to write it, which must not be there yet.")
    private @Nullable Path file;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = PlanArgument.open(plan).plan();
        String text = switch (form) {
            case dnsmasq -> Reservations.of(opened).dnsmasq();
            case kea -> Reservations.of(opened).kea();
            case hosts -> HostsFile.of(opened);
            case csv -> AddressTable.csv(opened);
        };
        if (file == null) {
            out.line(text.stripTrailing());
            return 0;
        }
        try {
            if (Files.exists(file)) {
                throw new Refusal("There is a file " + file + " already; nothing was written.");
            }
            Files.write(file, text.getBytes(StandardCharsets.UTF_8));
        } catch (IOException | InvalidPathException e) {
            throw new Refusal("The file " + file + " could not be written: " + e.getMessage() + ".", e);
        }
        return 0;
    }
}
