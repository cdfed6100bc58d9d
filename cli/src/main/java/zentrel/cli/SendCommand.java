package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.cli.Values.Priority;
import zentrel.cli.Values.Rate;
import zentrel.cli.Values.Seconds;
import zentrel.cli.Values.SlotLevel;
import zentrel.cli.Values.SlotRange;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.SendJob;
import zentrel.live.SendLook;
import zentrel.live.SendPattern;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.live.Takeover;
import zentrel.live.TestSender;
import zentrel.net.NetHost;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/** {@code zentrel send}: levels of one universe for a while. */
@Command(
        name = "send",
        mixinStandardHelpOptions = true,
        description = "Sends levels of one universe, on loopback unless an adapter is armed.")
final class SendCommand implements Callable<Integer> {
    private static final double LISTEN_SECONDS = 1.5;

    @Option(names = "--protocol", required = true, description = "artnet or sacn.")
    @SuppressWarnings("NullAway.Init")
    private Protocol protocol;

    @Option(
            names = "--universe",
            required = true,
            paramLabel = "WIRE-NUMBER",
            description = "The number on the wire. May be repeated.")
    private List<Integer> universes = new ArrayList<>();

    @Option(names = "--slot", paramLabel = "S=V", description = "A slot 1–512 and its level 0–255. May be repeated.")
    private List<SlotLevel> slots = new ArrayList<>();

    @Option(
            names = "--pattern",
            paramLabel = "P",
            description = "all, walk, climb, universes, or number: each universe says its own.")
    private @Nullable String pattern;

    @Option(
            names = "--slots",
            paramLabel = "FIRST-LAST",
            defaultValue = "1-512",
            description = "The slots of the pattern (default 1-512).")
    @SuppressWarnings("NullAway.Init")
    private SlotRange range;

    @Option(names = "--level", defaultValue = "255", description = "The level of the pattern, 0–255 (default 255).")
    private int level;

    @Option(names = "--step", paramLabel = "S", defaultValue = "0.5", description = "Seconds a step (default 0.5).")
    @SuppressWarnings("NullAway.Init")
    private Seconds step;

    @Option(names = "--preview", description = "Mark sACN as preview data.")
    private boolean preview;

    @Option(
            names = "--sync",
            paramLabel = "U",
            defaultValue = "0",
            description = "sACN: let receivers wait for sync packets of this universe, and send them.")
    private int sync;

    @Option(names = "--zero", description = "All to zero before it ends.")
    private boolean zero;

    @Option(
            names = "--borrow",
            description = "Listen first, say who sends the universe, and send with the priority that wins over them.")
    private boolean borrow;

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
        for (int universe : universes) {
            if (!protocol.carries(universe)) {
                throw new Refusal(protocol.title() + " goes from " + protocol.firstNumber() + " to "
                        + protocol.lastNumber() + ", not " + universe + ".");
            }
        }
        Delivery delivery = to.isEmpty() ? SendJob.usual(protocol) : Delivery.UNICAST;
        StandinSite site = Nets.armed(from, to, arm);
        long sent;
        long failed;
        try (NetHost host = site.host()) {
            StandinSite here = new StandinSite(host, site.adapter());
            int with = borrow ? borrowed(here) : priority.level();
            SendJob job =
                    new SendJob(protocol, universes, delivery, to, with, preview, sync, rate.perSecond(), look(), zero);
            try (TestSender sender = new TestSender(here, name, job, this::told)) {
                sender.start();
                Nets.waitFor(seconds);
                sent = sender.sentCount();
                failed = sender.failedCount();
            }

        } catch (IOException | IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        print(delivery, sent, failed);
        return sent > 0 && failed == 0 ? 0 : 1;
    }

    private SendLook look() throws Refusal {
        String wanted = pattern;
        if (wanted == null) {
            return new SendLook.Fixed(
                    slots.stream().collect(Collectors.toMap(SlotLevel::slot, SlotLevel::level, (a, b) -> b)));
        }
        SendPattern chosen = Arrays.stream(SendPattern.values())
                .filter(p -> p.word().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new Refusal("--pattern: write all, walk, climb, universes or number, not \""
                        + PlainText.shown(wanted, 40) + "\"."));
        return new SendLook.Moving(chosen, range.first(), range.last(), level, step.value());
    }

    /** Listens, says who owns each universe, and gives the priority that wins over all of them. */
    private int borrowed(StandinSite site) throws IOException {
        int needed = priority.level();
        try (StreamWatch watch = new StreamWatch(site.host(), site.adapter())) {
            watch.start(protocol == Protocol.SACN ? universes : List.of());
            Nets.waitFor(new Seconds(LISTEN_SECONDS));
            List<StreamSeen> seen = watch.found().streams();
            for (int universe : universes) {
                needed = Math.max(
                        needed, Takeover.of(protocol, universe, seen, needed).needed());
            }
            for (int universe : universes) {
                out.remark(Takeover.of(protocol, universe, seen, needed).words());
            }
        }
        return needed;
    }

    private void print(Delivery delivery, long sent, long failed) {
        String numbers = universes.stream().map(String::valueOf).collect(Collectors.joining(", "));
        if (out.json) {
            ObjectNode root = Output.JSON
                    .objectNode()
                    .put("protocol", protocol.word())
                    .put("universe", universes.get(0))
                    .put("delivery", delivery.word())
                    .put("packets", sent);
            ArrayNode all = root.putArray("universes");
            universes.forEach(all::add);
            out.json(root);
        } else {
            out.line(Counted.of(sent, "packet") + " of " + protocol.title() + " " + numbers + " sent by "
                    + delivery.word().replace('-', ' ') + ".");
        }
        if (sent == 0) {
            out.remark("Nothing could be sent from " + from + ".");
        } else if (failed > 0) {
            out.remark(Counted.of(failed, "packet") + " could not be sent.");
        }
    }

    private void told(StandinEvent event) {
        if (event instanceof StandinEvent.NotSent e) {
            out.remark(e.why());
        }
    }
}
