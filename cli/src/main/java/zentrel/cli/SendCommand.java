package zentrel.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.cli.Values.Priority;
import zentrel.cli.Values.Rate;
import zentrel.cli.Values.Seconds;
import zentrel.cli.Values.SlotLevel;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** {@code zentrel send}: levels of one universe for a while. */
@Command(
        name = "send",
        mixinStandardHelpOptions = true,
        description = "Sends levels of one universe, on loopback unless an adapter is armed.")
final class SendCommand implements Callable<Integer> {
    @Option(names = "--protocol", required = true, description = "artnet or sacn.")
    @SuppressWarnings("NullAway.Init")
    private Protocol protocol;

    @Option(names = "--universe", required = true, paramLabel = "WIRE-NUMBER", description = "The number on the wire.")
    private int universe;

    @Option(names = "--slot", paramLabel = "S=V", description = "A slot 1–512 and its level 0–255. May be repeated.")
    private List<SlotLevel> slots = new ArrayList<>();

    @Option(names = "--from", required = true, paramLabel = "127.x.y.z", description = "The address to send from.")
    @SuppressWarnings("NullAway.Init")
    private Ipv4Address from;

    @Option(
            names = "--to",
            paramLabel = "ADDRESS",
            description = "Unicast to this address; without it the group, or the broadcast.")
    private List<Ipv4Address> to = new ArrayList<>();

    @Option(
            names = "--rate",
            paramLabel = "HZ",
            defaultValue = "40",
            description = "Packets a second, above 0 to 1000 (default 40).")
    @SuppressWarnings("NullAway.Init")
    private Rate rate;

    @Option(names = "--priority", defaultValue = "100", description = "sACN priority, 0 to 200.")
    @SuppressWarnings("NullAway.Init")
    private Priority priority;

    @Option(names = "--name", defaultValue = "Zentrel send", description = "The sACN source name.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    @Option(names = "--seconds", required = true, paramLabel = "S", description = "How long.")
    @SuppressWarnings("NullAway.Init")
    private Seconds seconds;

    @Option(
            names = "--arm",
            paramLabel = "ADAPTER",
            description = "Let output leave this computer by the adapter of this name.")
    private @Nullable String arm;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (!protocol.carries(universe)) {
            throw new Refusal(protocol.title() + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber()
                    + ", not " + universe + ".");
        }
        Delivery delivery =
                !to.isEmpty() ? Delivery.UNICAST : protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST;
        ConsoleStream stream =
                new ConsoleStream("send", protocol, universe, delivery, to, priority.level(), rate.perSecond(), false);
        long sent;
        long failed;
        StandinSite site = Nets.armed(from, to, arm);
        ConsoleSpec spec = new ConsoleSpec(name, UUID.randomUUID(), List.of(stream), true);
        try (NetHost host = site.host();
                ConsoleStandin console = new ConsoleStandin(new StandinSite(host, site.adapter()), spec, this::told)) {
            slots.forEach(s -> console.setSlot("send", s.slot(), s.level()));
            console.start();
            Nets.waitFor(seconds);
            sent = console.sentCount();
            failed = console.failedCount();
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("protocol", protocol.word())
                    .put("universe", universe)
                    .put("delivery", delivery.word())
                    .put("packets", sent));
        } else {
            out.line(Counted.of(sent, "packet") + " of " + protocol.title() + " " + universe + " sent by "
                    + delivery.word().replace('-', ' ') + ".");
        }
        if (sent == 0) {
            out.remark("Nothing could be sent from " + from + ".");
        } else if (failed > 0) {
            out.remark(Counted.of(failed, "packet") + " could not be sent.");
        }
        return sent > 0 && failed == 0 ? 0 : 1;
    }

    private void told(StandinEvent event) {
        if (event instanceof StandinEvent.NotSent e) {
            out.remark(e.why());
        }
    }
}
