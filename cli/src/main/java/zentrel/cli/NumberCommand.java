package zentrel.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.universe.PortAddress;
import zentrel.universe.UniverseNumber;

/** {@code zentrel number N --from artnet|sacn|show}: a universe in every notation. */
@Command(name = "number", mixinStandardHelpOptions = true, description = "Shows one universe number in every notation.")
final class NumberCommand implements Callable<Integer> {
    /** Which dress the number is given in. */
    enum From {
        artnet,
        sacn,
        show
    }

    @Parameters(paramLabel = "N", description = "The number.")
    private int number;

    @Option(names = "--from", required = true, description = "What N is: ${COMPLETION-CANDIDATES}.")
    @SuppressWarnings("NullAway.Init")
    private From from;

    @Option(
            names = "--artnet-first",
            defaultValue = "0",
            description = "The Port-Address that carries show universe 1: 0 (default) or 1.")
    private int artnetFirst;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (artnetFirst != 0 && artnetFirst != 1) {
            throw new Refusal("--artnet-first is 0 or 1, not " + artnetFirst + ".");
        }
        UniverseNumber n;
        try {
            n = switch (from) {
                case artnet -> UniverseNumber.ofArtnet(number, artnetFirst);
                case sacn -> UniverseNumber.ofSacn(number, artnetFirst);
                case show -> UniverseNumber.ofShow(number, artnetFirst);
            };
        } catch (IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        if (out.json) {
            out.json(json(n));
        } else {
            out.line("show     " + n.show().map(String::valueOf).orElse("none"));
            out.line("Art-Net  "
                    + n.artnet()
                            .map(a -> "Port-Address " + a.value() + "   " + a + "   0x%04X".formatted(a.value())
                                    + "   shown as " + a.shownFrom(0) + " from 0, " + a.shownFrom(1) + " from 1")
                            .orElse("none"));
            out.line("sACN     "
                    + n.sacn().map(s -> s.value() + "   " + s.group()).orElse("none"));
        }
        return 0;
    }

    private static ObjectNode json(UniverseNumber n) {
        ObjectNode root = Output.JSON.objectNode();
        n.show().ifPresentOrElse(s -> root.put("show", s), () -> root.putNull("show"));
        if (n.artnet().isPresent()) {
            PortAddress a = n.artnet().get();
            root.putObject("artnet")
                    .put("portAddress", a.value())
                    .put("net", a.net())
                    .put("subNet", a.subNet())
                    .put("universe", a.universe())
                    .put("shownFrom0", a.shownFrom(0))
                    .put("shownFrom1", a.shownFrom(1));
        } else {
            root.putNull("artnet");
        }
        n.sacn()
                .ifPresentOrElse(
                        s -> root.putObject("sacn")
                                .put("universe", s.value())
                                .put("group", s.group().toString()),
                        () -> root.putNull("sacn"));
        return root;
    }
}
