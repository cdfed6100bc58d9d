package zentrel.cli;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Counted;
import zentrel.plan.Delivery;
import zentrel.plan.Protocol;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.StandinEvent;
import zentrel.wire.UdpWire;

/** {@code zentrel send}: levels of one universe for a while. */
@Command(
        name = "send",
        mixinStandardHelpOptions = true,
        description = "Sends levels of one universe, on loopback unless an adapter is armed.")
final class SendCommand implements Callable<Integer> {
    @Option(names = "--protocol", required = true, description = "artnet or sacn.")
    @SuppressWarnings("NullAway.Init")
    private String protocol;

    @Option(names = "--universe", required = true, paramLabel = "WIRE-NUMBER", description = "The number on the wire.")
    @SuppressWarnings("NullAway.Init")
    private String universe;

    @Option(names = "--slot", paramLabel = "S=V", description = "A slot 1–512 and its level 0–255. May be repeated.")
    private @Nullable List<String> slots;

    @Option(names = "--from", required = true, paramLabel = "127.x.y.z", description = "The address to send from.")
    @SuppressWarnings("NullAway.Init")
    private String from;

    @Option(
            names = "--to",
            paramLabel = "ADDRESS",
            description = "Unicast to this address; without it the group, or the broadcast.")
    private @Nullable List<String> to;

    @Option(
            names = "--rate",
            paramLabel = "HZ",
            defaultValue = "40",
            description = "Packets a second, above 0 to 1000 (default 40).")
    private double rate;

    @Option(names = "--priority", defaultValue = "100", description = "sACN priority, 0 to 200.")
    @SuppressWarnings("NullAway.Init")
    private String priority;

    @Option(names = "--name", defaultValue = "Zentrel send", description = "The sACN source name.")
    @SuppressWarnings("NullAway.Init")
    private String name;

    @Option(names = "--seconds", required = true, paramLabel = "S", description = "How long.")
    @SuppressWarnings("NullAway.Init")
    private Double seconds;

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
        Protocol by = Arguments.protocol("--protocol", protocol);
        int number = Arguments.universe(by, Arguments.number("--universe", universe, -1, 1_000_000));
        Map<Integer, Integer> levels = Arguments.slots(slots);
        int level = Arguments.number("--priority", priority, 0, 200);
        Ipv4Address source = Arguments.address("--from", from);
        List<Ipv4Address> targets = Arguments.addresses("--to", to);
        if (!(rate > 0 && rate <= 1000)) {
            throw new Refusal("--rate is above 0 and at most 1000, not " + rate + ".");
        }
        Delivery delivery =
                !targets.isEmpty() ? Delivery.UNICAST : by == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST;
        ConsoleStream stream = new ConsoleStream("send", by, number, delivery, targets, level, rate, false);
        long sent;
        long failed;
        try (UdpWire wire = Arguments.armed(source, targets, arm);
                ConsoleStandin console =
                        new ConsoleStandin(wire, name, UUID.randomUUID(), List.of(stream), true, this::told)) {
            levels.forEach((slot, value) -> console.setSlot("send", slot, value));
            console.start();
            Arguments.waitFor(seconds);
            sent = console.sentCount();
            failed = console.failedCount();
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("protocol", by.word())
                    .put("universe", number)
                    .put("delivery", delivery.word())
                    .put("packets", sent));
        } else {
            out.line(Counted.of(sent, "packet") + " of " + by.title() + " " + number + " sent by "
                    + delivery.word().replace('-', ' ') + ".");
        }
        if (sent == 0) {
            out.remark("Nothing could be sent from " + source + ".");
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
