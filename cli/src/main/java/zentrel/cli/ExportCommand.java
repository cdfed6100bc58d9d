package zentrel.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.machine.HostsFile;
import zentrel.machine.Reservations;
import zentrel.plan.Plan;

/** {@code zentrel export PLAN --as FORM [-o FILE]}: the addresses of a plan in another form. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description =
                "Writes the addresses as DHCP reservations (dnsmasq, kea), a hosts file or a table (csv, xlsx); with"
                        + " --what routes the table of ports and their universes.")
final class ExportCommand implements Callable<Integer> {
    /** The forms there are. */
    enum Form {
        dnsmasq,
        kea,
        hosts,
        csv,
        xlsx
    }

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Option(names = "--as", required = true, paramLabel = "FORM", description = "${COMPLETION-CANDIDATES}.")
    @SuppressWarnings("NullAway.Init")
    private Form form;

    @Option(
            names = "--what",
            paramLabel = "WHAT",
            defaultValue = "addresses",
            description =
                    "What a table is of: addresses (default), routes, or start: the order in which sessions start.")
    @SuppressWarnings("NullAway.Init")
    private Tables.What what;

    @Option(names = "-o", paramLabel = "FILE", description = "Where to write it, which must not be there yet.")
    private @Nullable Path file;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        byte[] bytes = switch (form) {
            case dnsmasq -> text(Reservations.of(opened).dnsmasq());
            case kea -> text(Reservations.of(opened).kea());
            case hosts -> text(HostsFile.of(opened));
            case csv -> text(what.of(opened).csv());
            case xlsx -> what.of(opened).workbook(what.title());
        };
        out.write(bytes, form != Form.xlsx, file);
        return 0;
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
