package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.plan.NumberRange;
import zentrel.standin.StandinSite;
import zentrel.text.Counted;

/** {@code zentrel listen --adapter ADDRESS --seconds S}: what is on the wire. */
@Command(
        name = "listen",
        mixinStandardHelpOptions = true,
        description = "Lists universes, sources, priorities, rates and losses on one adapter.")
final class ListenCommand implements Callable<Integer> {
    private static final int MOST_RUNS = 12;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private AdapterTime where;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private SacnGroups groups;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    /** What is not in the list, and how much of it. */
    private record Rest(long unreadable, long notListed, List<Integer> announced) {}

    @Override
    public Integer call() throws Refusal {
        StandinSite site = Nets.open(where.adapter, OutputGuard.State.LISTEN);
        List<StreamSeen> seen;
        Rest rest;
        try (NetHost host = site.host();
                StreamWatch watch = new StreamWatch(host, site.adapter())) {
            watch.start(groups.numbers());
            Nets.waitFor(where.seconds);
            StreamWatch.Found found = watch.found();
            seen = found.streams();
            rest = new Rest(found.unreadable(), found.notListed(), found.announced());
            Nets.requireReceived(found.trouble().stream().findFirst());
            found.remarks().forEach(out::remark);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        if (out.json) {
            out.json(json(seen, rest));
        } else {
            print(seen, rest);
        }
        return seen.stream().anyMatch(s -> s.lost() > 0) ? 1 : 0;
    }

    /** Numbers as ranges, the first of them. */
    private static String runs(List<Integer> numbers) {
        List<NumberRange> runs = NumberRange.runs(numbers);
        String shown = runs.stream().limit(MOST_RUNS).map(NumberRange::toString).collect(Collectors.joining(", "));
        return shown + (runs.size() > MOST_RUNS ? " and " + (runs.size() - MOST_RUNS) + " more" : "");
    }

    private static ObjectNode json(List<StreamSeen> seen, Rest rest) {
        ObjectNode root = Output.JSON.objectNode();
        root.set("universes", Seen.universes(seen, false, 0));
        root.put("unreadable", rest.unreadable()).put("notListed", rest.notListed());
        ArrayNode announced = root.putArray("announced");
        rest.announced().forEach(announced::add);
        return root;
    }

    private void print(List<StreamSeen> seen, Rest rest) {
        for (StreamSeen s : seen) {
            out.line("%-7s %5d  %-15s  %-24s priority %3d  %6.1f/s  %d packets, %d lost%s"
                    .formatted(
                            s.protocol().title(),
                            s.universe(),
                            s.source(),
                            s.name(),
                            s.priority(),
                            s.ratePerSecond(),
                            s.packets(),
                            s.lost(),
                            s.preview() ? ", preview" : ""));
        }
        out.line(seen.isEmpty() ? "Nothing was received." : Counted.of(seen.size(), "stream") + ".");
        if (rest.unreadable() > 0) {
            out.line(Counted.of(rest.unreadable(), "packet") + " could not be read.");
        }
        if (rest.notListed() > 0) {
            out.line(Counted.of(seen.size(), "stream") + " held; " + Counted.of(rest.notListed(), "packet")
                    + " from more sources not listed.");
        }
        if (!rest.announced().isEmpty()) {
            out.line("Announced and not listened to: " + runs(rest.announced()) + ". Name them with --universes.");
        }
    }
}
