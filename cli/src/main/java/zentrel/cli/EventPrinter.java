package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import zentrel.standin.StandinEvent;
import zentrel.text.Counted;

/** Prints what a stand-in does and sees: a line for people, or one JSON object a line. */
final class EventPrinter implements Consumer<StandinEvent> {
    private final Output out;

    EventPrinter(Output out) {
        this.out = out;
    }

    @Override
    public void accept(StandinEvent event) {
        if (out.json) {
            out.json(json(event));
        } else {
            out.line(text(event));
        }
    }

    private static ObjectNode json(StandinEvent event) {
        ObjectNode n = Output.JSON.objectNode();
        if (event instanceof StandinEvent.Levels e) {
            n.put("event", "level")
                    .put("port", e.port())
                    .put("protocol", e.protocol().word())
                    .put("universe", e.wire())
                    .put("source", e.source());
            ObjectNode slots = n.putObject("slots");
            new TreeMap<>(e.changed()).forEach((slot, level) -> slots.put(String.valueOf(slot), level));
        } else if (event instanceof StandinEvent.Heard e) {
            n.put("event", "heard")
                    .put("protocol", e.protocol().word())
                    .put("universe", e.wire())
                    .put("from", e.from().toString());
        } else if (event instanceof StandinEvent.SourceFound e) {
            n.put("event", "source")
                    .put("state", "found")
                    .put("port", e.port())
                    .put("source", e.source())
                    .put("priority", e.priority());
        } else if (event instanceof StandinEvent.SourceLost e) {
            n.put("event", "source")
                    .put("state", "lost")
                    .put("port", e.port())
                    .put("source", e.source())
                    .put("why", e.why());
        } else if (event instanceof StandinEvent.NotListed e) {
            n.put("event", "not-listed").put("packets", e.packets());
        } else if (event instanceof StandinEvent.NotSent e) {
            n.put("event", "not-sent").put("why", e.why());
        } else if (event instanceof StandinEvent.WasSet e) {
            n.put("event", "set").put("from", e.from().toString()).put("what", e.what());
        } else if (event instanceof StandinEvent.PollAnswered e) {
            n.put("event", "poll-answered").put("to", e.to().toString());
        } else if (event instanceof StandinEvent.Found e) {
            n.put("event", "node").put("address", e.node().toString());
            ArrayNode ports = n.putArray("portAddresses");
            e.portAddresses().forEach(ports::add);
        } else if (event instanceof StandinEvent.Osc e) {
            n.put("event", "osc")
                    .put("address", e.address())
                    .put("from", e.from().toString())
                    .put("acted", e.acted());
            ArrayNode arguments = n.putArray("arguments");
            e.arguments().forEach(arguments::add);
        } else if (event instanceof StandinEvent.Desk e) {
            n.put("event", "desk").put("desk", e.name()).put("state", e.state()).put("why", e.why());
        } else if (event instanceof StandinEvent.Unreadable e) {
            n.put("event", "unreadable").put("from", e.from().toString()).put("why", e.why());
        }
        return n;
    }

    private static String text(StandinEvent event) {
        if (event instanceof StandinEvent.Levels e) {
            String slots = new TreeMap<>(e.changed())
                    .entrySet().stream()
                            .limit(12)
                            .map(s -> s.getKey() + "=" + s.getValue())
                            .collect(Collectors.joining(" "));
            return "port " + e.port() + "  " + slots
                    + (e.changed().size() > 12 ? " … (" + e.changed().size() + " slots)" : "") + "  from " + e.source();
        } else if (event instanceof StandinEvent.Heard e) {
            return "heard " + e.protocol().title() + " " + e.wire() + " from " + e.from();
        } else if (event instanceof StandinEvent.SourceFound e) {
            return "port " + e.port() + "  source " + e.source() + " found, priority " + e.priority();
        } else if (event instanceof StandinEvent.SourceLost e) {
            return "port " + e.port() + "  source " + e.source() + " lost: " + e.why();
        } else if (event instanceof StandinEvent.NotListed e) {
            return Counted.of(e.packets(), "more packet") + " of this kind, not listed one by one";
        } else if (event instanceof StandinEvent.NotSent e) {
            return "not sent: " + e.why();
        } else if (event instanceof StandinEvent.WasSet e) {
            return e.from() + " set " + e.what();
        } else if (event instanceof StandinEvent.PollAnswered e) {
            return "answered the poll of " + e.to();
        } else if (event instanceof StandinEvent.Found e) {
            return "found " + e.node() + " with Port-Addresses " + e.portAddresses();
        } else if (event instanceof StandinEvent.Osc e) {
            return "OSC " + e.address() + " " + String.join(" ", e.arguments()) + "  from " + e.from()
                    + (e.acted() ? "" : "  (no such target)");
        } else if (event instanceof StandinEvent.Desk e) {
            return e.name() + ": " + e.state() + (e.why().isEmpty() ? "" : ", " + e.why());
        } else if (event instanceof StandinEvent.Unreadable e) {
            return "unreadable from " + e.from() + ": " + e.why();
        }
        return event.toString();
    }
}
