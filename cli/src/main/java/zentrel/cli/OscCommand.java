package zentrel.cli;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.Target;
import zentrel.cli.Values.UdpPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.real.TcpLink;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscFraming;
import zentrel.packet.osc.OscMessage;
import zentrel.standin.OscStandin;
import zentrel.standin.StandinSite;
import zentrel.text.PlainText;

/** {@code zentrel osc send|listen|monitor|query}. */
@Command(
        name = "osc",
        mixinStandardHelpOptions = true,
        description = "Sends one OSC message, listens for them, counts them, or reads what addresses a program has.",
        subcommands = {OscCommand.Send.class, OscCommand.Listen.class, OscWatch.Monitor.class, OscWatch.Query.class})
final class OscCommand implements Callable<Integer> {
    @Override
    public Integer call() throws Refusal {
        throw new Refusal("Write osc send, osc listen, osc monitor or osc query.");
    }

    /** {@code zentrel osc send ADDRESS:PORT PATTERN ARG…}. */
    @Command(name = "send", mixinStandardHelpOptions = true, description = "Sends one OSC message.")
    static final class Send implements Callable<Integer> {
        private static final Duration PATIENCE = Duration.ofSeconds(4);

        @Parameters(index = "0", paramLabel = "ADDRESS:PORT", description = "Where to.")
        @SuppressWarnings("NullAway.Init")
        private Target target;

        @Parameters(index = "1", paramLabel = "PATTERN", description = "The OSC address, such as /show/next.")
        @SuppressWarnings("NullAway.Init")
        private String pattern;

        @Parameters(
                index = "2..*",
                paramLabel = "ARG",
                description = "Arguments: whole numbers, decimal numbers, true, false, nil, else text.")
        private @Nullable List<String> arguments;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private SendFrom from;

        @Option(
                names = "--tcp",
                paramLabel = "FRAMING",
                description = "By TCP: length (OSC 1.0, each packet after its length) or slip (OSC 1.1).")
        private @Nullable OscFraming tcp;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            OscMessage message;
            try {
                message = new OscMessage(pattern, parsed());
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            byte[] bytes = OscCodec.encode(message);
            if (tcp == null) {
                from.send(target, List.of(message));
            } else {
                byTcp(from.armed(target), target.address(), target.port().number(), tcp.framed(bytes));
            }
            return said(target.address(), target.port().number(), bytes.length);
        }

        private static void byTcp(StandinSite site, Ipv4Address to, int port, byte[] framed) throws Refusal {
            NetHost host = site.host();
            try (host) {
                OutputGuard armed =
                        OutputGuard.armed(site.adapter().name()); // as the site is, or it would not be there
                if (!TcpLink.send(armed, site.adapter(), to, port, framed, PATIENCE)) {
                    throw new Refusal("Nothing was sent: output is not armed.");
                }
            } catch (IOException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
        }

        private int said(Ipv4Address to, int port, int bytes) {
            if (out.json) {
                out.json(Output.JSON
                        .objectNode()
                        .put("to", to + ":" + port)
                        .put("address", pattern)
                        .put("bytes", bytes));
            } else {
                out.line(PlainText.shown(pattern, 200) + " sent to " + to + " port " + port
                        + (tcp == null
                                ? "; UDP gives no answer, so look there."
                                : "; the stream was taken, and whether it acts is to be seen there."));
            }
            return 0;
        }

        private List<OscArgument> parsed() {
            List<OscArgument> list = new ArrayList<>();
            for (String text : arguments == null ? List.<String>of() : arguments) {
                list.add(argument(text));
            }
            return list;
        }
    }

    /** An argument as typed: a whole number, a decimal number, true, false, nil, else text. */
    static OscArgument argument(String text) {
        if (text.matches("[+-]?[0-9]{1,10}")) {
            long value = Long.parseLong(text);
            return value == (int) value ? new OscArgument.Int32((int) value) : new OscArgument.Int64(value);
        }
        if (text.matches("[+-]?([0-9]+\\.[0-9]*|\\.[0-9]+)([eE][+-]?[0-9]+)?")) {
            return new OscArgument.Float32(Float.parseFloat(text));
        }
        return switch (text) {
            case "true" -> new OscArgument.Bool(true);
            case "false" -> new OscArgument.Bool(false);
            case "nil" -> new OscArgument.Nil();
            default -> new OscArgument.Text(text);
        };
    }

    /** {@code zentrel osc listen --port P --seconds S}. */
    @Command(name = "listen", mixinStandardHelpOptions = true, description = "Prints the OSC messages that arrive.")
    static final class Listen implements Callable<Integer> {
        @Option(names = "--port", required = true, paramLabel = "P", description = "The UDP port.")
        @SuppressWarnings("NullAway.Init")
        private UdpPort port;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private ListenAt at;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            StandinSite site = Nets.open(at.address, OutputGuard.State.LISTEN);
            try (NetHost host = site.host();
                    zentrel.net.UdpPort open =
                            new OscStandin(List.of(), true, new EventPrinter(out)).start(site, port.number())) {
                Nets.waitFor(at.seconds);
                Nets.requireReceived(host.call(open::trouble));
            } catch (IOException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            return 0;
        }
    }
}
