package zentrel.cli;

import java.util.List;
import java.util.Map;
import picocli.AutoComplete;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Model.PositionalParamSpec;
import zentrel.text.Version;

/** What a package has beside the program, made of the texts that {@code --help} shows: a man page, and completion for a shell. */
public final class Documents {
    private Documents() {}

    /** Prints {@code man} or {@code completion}. */
    public static void main(String[] args) {
        CommandLine line = Main.commandLine();
        switch (args.length == 1 ? args[0] : "") {
            case "man" -> System.out.print(man(line));
            case "completion" -> System.out.print(AutoComplete.bash("zentrel", line));
            default -> {
                System.err.println("Say man or completion.");
                System.exit(2);
            }
        }
    }

    /** The page in the macros of man(7). */
    static String man(CommandLine line) {
        CommandSpec spec = line.getCommandSpec();
        StringBuilder page = new StringBuilder(".TH ZENTREL 1 \"\" \"Zentrel ")
                .append(Version.current())
                .append("\"\n.SH NAME\nzentrel \\- ")
                .append(escaped(String.join(" ", spec.usageMessage().description())))
                .append(
                        "\n.SH SYNOPSIS\n.B zentrel open\n.RI [ FILE ]\n.br\n.B zentrel demo\n.RI [ draft | ready ]\n.br\n")
                .append(".B zentrel\n.I COMMAND\n[...]\n.SH DESCRIPTION\n")
                .append("\\fBopen\\fR and \\fBdemo\\fR open the window. The other commands work in a terminal.\n")
                .append(".SH COMMANDS\n");
        for (Map.Entry<String, CommandLine> command : line.getSubcommands().entrySet()) {
            command(page, command.getKey(), command.getValue().getCommandSpec());
        }
        return page.append(".SH FILES\n.TP\n.I $XDG_CONFIG_HOME/zentrel/settings.json\nSettings.\n.TP\n")
                .append(".I $XDG_DATA_HOME/zentrel/profiles\nProfiles of your own.\n.TP\n")
                .append(".I $XDG_STATE_HOME/zentrel\nLogs, and work that is not saved yet.\n")
                .toString();
    }

    private static void command(StringBuilder page, String name, CommandSpec spec) {
        page.append(".SS ").append(escaped(name));
        List<PositionalParamSpec> parameters = spec.positionalParameters();
        for (PositionalParamSpec parameter : parameters) {
            page.append(' ').append(escaped(parameter.paramLabel()));
        }
        page.append('\n').append(paragraphs(spec.usageMessage().description())).append('\n');
        for (PositionalParamSpec parameter : parameters) {
            entry(page, "\\fI" + escaped(parameter.paramLabel()) + "\\fR", parameter);
        }
        for (OptionSpec option : spec.options()) {
            String names = String.join(
                    ", ",
                    List.of(option.names()).stream()
                            .map(n -> "\\fB" + escaped(n) + "\\fR")
                            .toList());
            boolean flag = option.arity().max() == 0;
            entry(page, names + (flag ? "" : " \\fI" + escaped(option.paramLabel()) + "\\fR"), option);
        }
    }

    private static void entry(StringBuilder page, String head, ArgSpec of) {
        page.append(".TP\n")
                .append(head)
                .append('\n')
                .append(paragraphs(of.description()))
                .append('\n');
    }

    /** Lines as one paragraph; what picocli fills in, as of defaults, is left to {@code --help}. */
    private static String paragraphs(String[] lines) {
        return escaped(String.join(" ", lines).replaceAll("\\$\\{[^}]*}", "…").replace("%n", " "));
    }

    private static String escaped(String text) {
        String escaped = text.replace("\\", "\\e").replace("-", "\\-");
        return escaped.startsWith(".") || escaped.startsWith("'") ? "\\&" + escaped : escaped;
    }
}
