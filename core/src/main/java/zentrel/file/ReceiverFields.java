package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Inputs, with their ports in a plan file. */
final class ReceiverFields implements Fields<Receiver> {
    @Override
    public Receiver read(JsonPlace p, References refs) {
        Id<Receiver> id = refs.declare(p, Kind.RECEIVER);
        Set<Protocol> protocols = new HashSet<>();
        p.list("protocols").forEach(x -> protocols.add(x.word(Protocol.class)));
        List<Port> ports = p.all("ports", x -> port(x, refs));
        if (protocols.isEmpty()) {
            protocols.addAll(usualProtocols(ports));
        }
        return new Receiver(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("application"), Kind.APPLICATION),
                protocols,
                p.setting("inputOn", JsonPlace::bool, true),
                p.bool("answersPolls", true),
                p.word("merge", Merge.class, Merge.HTP),
                taking(p),
                ports);
    }

    private static ReceiverCapability taking(JsonPlace p) {
        Map<Protocol, List<NumberRange>> ranges = new EnumMap<>(Protocol.class);
        p.optional("takes")
                .ifPresent(t -> t.members()
                        .forEach((protocol, value) ->
                                ranges.put(value.named(protocol, Protocol.class), numbers(value))));
        return new ReceiverCapability(
                ranges,
                p.optional("sourcesAtMost").map(s -> s.integer(1, 1000)),
                p.word("loss", Loss.class, Loss.NOT_KNOWN));
    }

    private static List<NumberRange> numbers(JsonPlace p) {
        List<NumberRange> ranges = new ArrayList<>();
        for (JsonPlace range : p.elements()) {
            range.requireObject();
            int first = range.need("first").anyInteger();
            int last = range.need("last").anyInteger();
            if (last < first) {
                throw range.wrong("a range runs upwards: " + first + " to " + last + " does not");
            }
            ranges.add(new NumberRange(first, last));
            range.done();
        }
        return ranges;
    }

    /** What a receiver takes where the file does not say: what its ports are set to, and both network protocols but for DMX alone. */
    private static Set<Protocol> usualProtocols(List<Port> ports) {
        Set<Protocol> usual = new HashSet<>();
        ports.forEach(port -> {
            usual.add(port.protocol().planned());
            usual.add(port.protocol().inForce());
        });
        if (usual.isEmpty() || usual.stream().anyMatch(Protocol::onNetwork)) {
            usual.addAll(Set.of(Protocol.ARTNET, Protocol.SACN));
        }
        return usual;
    }

    private static Port port(JsonPlace p, References refs) {
        Id<Port> id = refs.declare(p, Kind.PORT);
        return new Port(
                id,
                p.text("name", id.value()),
                p.word("kind", PortKind.class, PortKind.DMX),
                p.setting("direction", v -> v.word(Direction.class), Direction.OUTPUT),
                p.setting("enabled", JsonPlace::bool, true),
                p.need("protocol").setting(v -> v.word(Protocol.class)),
                p.optional("wire").map(w -> w.setting(JsonPlace::anyInteger)),
                p.optional("universe").map(u -> refs.refer(u, Kind.UNIVERSE)));
    }

    @Override
    public void write(ObjectNode n, Receiver r) {
        named(n, r);
        n.put("application", r.application().value());
        words(n, "protocols", r.protocols());
        flag(n, "inputOn", r.inputOn(), true);
        flag(n, "answersPolls", r.answersPolls(), true);
        word(n, "merge", r.merge(), Merge.HTP);
        taking(n, r.taking());
        all(n, "ports", r.ports(), ReceiverFields::port);
    }

    private static void taking(ObjectNode n, ReceiverCapability t) {
        if (!t.ranges().isEmpty()) {
            ObjectNode takes = n.putObject("takes");
            for (Protocol protocol : Protocol.values()) {
                all(takes, protocol.word(), t.of(protocol), (r, range) -> {
                    r.put("first", range.first());
                    r.put("last", range.last());
                });
            }
        }
        t.sources().ifPresent(x -> n.put("sourcesAtMost", x));
        word(n, "loss", t.loss(), Loss.NOT_KNOWN);
    }

    private static void port(ObjectNode n, Port p) {
        named(n, p);
        word(n, "kind", p.kind(), PortKind.DMX);
        if (!p.direction().equals(Setting.of(Direction.OUTPUT))) {
            n.set("direction", setting(p.direction(), d -> JSON.textNode(d.word())));
        }
        flag(n, "enabled", p.enabled(), true);
        n.set("protocol", setting(p.protocol(), x -> JSON.textNode(x.word())));
        p.wire().ifPresent(x -> n.set("wire", setting(x, JSON::numberNode)));
        p.universe().ifPresent(x -> n.put("universe", x.value()));
    }
}
