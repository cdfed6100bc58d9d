package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.UUID;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.live.StreamSeen;
import zentrel.live.UniverseSeen;

/** What was seen on a net, as JSON; the same shapes for all tools. */
final class Seen {
    private Seen() {}

    /**
     * Universes with their sources and levels.
     *
     * @param recorded whether it is of a recording, whose rates are those from the first packet to the last
     * @param from the start of the recording, in ns; times count from there
     */
    static ArrayNode universes(List<StreamSeen> streams, boolean recorded, long from) {
        ArrayNode all = Output.JSON.arrayNode();
        for (UniverseSeen universe : UniverseSeen.of(streams)) {
            ObjectNode node =
                    all.addObject().put("protocol", universe.protocol().word()).put("number", universe.number());
            ArrayNode sources = node.putArray("sources");
            for (StreamSeen s : universe.sources()) {
                ObjectNode source = sources.addObject()
                        .put("address", s.source().toString())
                        .put("name", s.name())
                        .put("cid", s.cid().map(UUID::toString).orElse(null))
                        .put("priority", s.priority())
                        .put("preview", s.preview())
                        .put("rate", rounded(recorded ? s.averageRate() : s.ratePerSecond()))
                        .put("lost", s.lost())
                        .put("outOfOrder", s.outOfOrder())
                        .put("state", s.state().word())
                        .put("packets", s.packets())
                        .put("jitterMs", rounded(s.jitter() / 1e6));
                if (s.sync() != 0) {
                    source.put("sync", s.sync());
                }
                if (!s.otherStartCodes().isEmpty()) {
                    ObjectNode codes = source.putObject("otherStartCodes");
                    s.otherStartCodes().forEach((code, count) -> codes.put(String.valueOf(code), count));
                }
                if (recorded) {
                    source.put("first", rounded((s.first() - from) / 1e9))
                            .put("last", rounded((s.last() - from) / 1e9));
                }
            }
            ObjectNode levels = node.putObject("levels");
            for (int slot = 1; slot <= universe.levels().length(); slot++) {
                if (universe.levels().at(slot - 1) > 0) {
                    levels.put(String.valueOf(slot), universe.levels().at(slot - 1));
                }
            }
        }
        return all;
    }

    private static double rounded(double value) {
        return Math.round(value * 100) / 100.0;
    }

    /** A device; its host is null where it is none of the plan. */
    static ObjectNode device(DeviceMatch match) {
        FoundDevice d = match.device();
        ObjectNode node = Output.JSON
                .objectNode()
                .put("address", d.address().toString())
                .put("mac", d.mac().orElse(null))
                .put("shortName", d.shortName())
                .put("longName", d.longName())
                .put("firmware", d.version())
                .put("state", d.state().word());
        ArrayNode answers = node.putArray("answers");
        d.answers().stream().sorted().forEach(a -> answers.add(a.word()));
        ArrayNode ports = node.putArray("ports");
        for (FoundPort port : d.ports()) {
            ports.addObject()
                    .put("port", port.number())
                    .put("direction", port.direction().word())
                    .put("protocol", port.protocol().word())
                    .put("number", port.wire())
                    .put("merge", port.merge().word())
                    .put("sends", port.sends());
        }
        node.put("host", match.host().map(h -> h.value()).orElse(null));
        if (match.host().isPresent()) {
            node.put("score", match.score());
            ArrayNode reasons = node.putArray("reasons");
            match.reasons().forEach(r -> reasons.add(r.word()));
        }
        if (!d.remarks().isEmpty()) {
            ArrayNode remarks = node.putArray("remarks");
            d.remarks().forEach(remarks::add);
        }
        return node;
    }
}
