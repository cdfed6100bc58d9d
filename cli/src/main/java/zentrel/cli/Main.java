package zentrel.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import zentrel.text.Version;

/** {@code zentrel COMMAND …}. */
@Command(
        name = "zentrel",
        mixinStandardHelpOptions = true,
        versionProvider = Main.Versions.class,
        description = "Plans and checks lighting networks: addresses, universes, signal paths.",
        footer = {"", "zentrel open [FILE] and zentrel demo open the window."},
        subcommands = {
            CheckCommand.class,
            RulesCommand.class,
            PathCommand.class,
            ApplyCommand.class,
            FmtCommand.class,
            SayCommand.class,
            NewCommand.class,
            NumberCommand.class,
            MachineCommand.class,
            KeeperCommand.class,
            HereCommand.class,
            ExportCommand.class,
            ImportCommand.class,
            AskCommand.class,
            LoadCommand.class,
            NextLookCommand.class,
            WhoWinsCommand.class,
            ReadyCommand.class,
            StandinCommand.class,
            SendCommand.class,
            OscCommand.class,
            CuesCommand.class,
            PatchCommand.class,
            PixelsCommand.class,
            SurfaceCommand.class,
            ListenCommand.class,
            DiscoverCommand.class,
            SetCommand.class,
            RdmCommand.class,
            RecordCommand.class,
            ReplayCommand.class,
            ProbeCommand.class
        })
public final class Main implements Callable<Integer> {
    @CommandLine.Spec
    @SuppressWarnings("NullAway.Init")
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
        spec.commandLine().usage(System.err);
        return 2;
    }

    /** The version of the build. */
    static final class Versions implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {"Zentrel " + Version.current()};
        }
    }

    /** The tools as one command line; the same in the program and in its tests. */
    public static CommandLine commandLine() {
        CommandLine line = new CommandLine(new Main());
        Converters.register(line);
        line.setExecutionExceptionHandler((e, command, result) -> {
            if (e instanceof Refusal) {
                command.getErr().println(e.getMessage());
                return 2;
            }
            throw e;
        });
        line.setParameterExceptionHandler((e, args) -> {
            String message =
                    String.valueOf(e.getMessage()).replaceAll("\\s+", " ").strip();
            e.getCommandLine()
                    .getErr()
                    .println(message + (message.endsWith(".") ? "" : ".") + " See zentrel "
                            + e.getCommandLine().getCommandName() + " --help.");
            return 2;
        });
        return line;
    }

    public static void main(String[] args) {
        CommandLine line = commandLine();
        line.setOut(new java.io.PrintWriter(System.out, true, java.nio.charset.StandardCharsets.UTF_8));
        line.setErr(new java.io.PrintWriter(System.err, true, java.nio.charset.StandardCharsets.UTF_8));
        System.exit(line.execute(args));
    }
}
