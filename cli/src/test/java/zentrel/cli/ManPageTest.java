package zentrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import picocli.AutoComplete;
import picocli.CommandLine;
import picocli.CommandLine.Model.OptionSpec;

/** The man page and the completion have every command and every option of the tools. */
class ManPageTest {
    private static final CommandLine LINE = Main.commandLine();

    @Test
    void everyCommandAndEveryOptionIsThere() {
        String page = Documents.man(LINE).replace("\\-", "-");
        String completion = AutoComplete.bash("zentrel", LINE);
        for (Map.Entry<String, CommandLine> command : LINE.getSubcommands().entrySet()) {
            assertThat(page).contains("\n.SS " + command.getKey());
            assertThat(completion)
                    .contains("_picocli_zentrel_"
                            + command.getKey().replace("-", "").toLowerCase(Locale.ROOT));
            for (OptionSpec option : command.getValue().getCommandSpec().options()) {
                assertThat(page).contains("\\fB" + option.longestName() + "\\fR");
                assertThat(completion).contains(option.longestName());
            }
        }
    }

    /** A line that begins with a point or a quote is a command of the page itself. */
    @Test
    void onlyItsOwnMacrosBeginALine() {
        assertThat(Documents.man(LINE).lines().filter(l -> l.startsWith(".") || l.startsWith("'")))
                .allMatch(l -> l.matches("\\.(TH|SH|SS|TP|B|I|RI|br)( .*)?"));
    }
}
