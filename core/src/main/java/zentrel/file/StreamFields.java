package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;

/** Universes as they are sent in a plan file. */
final class StreamFields implements Fields<Stream> {
    private static Delivery usualDelivery(Protocol protocol, boolean typedIn) {
        if (!protocol.onNetwork()) {
            return Delivery.DIRECT;
        }
        return typedIn ? Delivery.UNICAST : protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
    }

    @Override
    public Stream read(JsonPlace p, References refs) {
        Id<Stream> id = refs.declare(p, Kind.STREAM);
        Protocol protocol = p.need("protocol").word(Protocol.class);
        List<Ipv4Address> to = new ArrayList<>();
        p.list("to").forEach(a -> to.add(a.parsed(Ipv4Address::parse)));
        Delivery usual = usualDelivery(protocol, !to.isEmpty());
        Delivery delivery = p.word("delivery", Delivery.class, usual);
        if ((delivery == Delivery.DIRECT) == protocol.onNetwork()) {
            throw p.need(p.has("delivery") ? "delivery" : "to")
                    .wrong("\"direct\" is for dmx and dmx is always direct; Art-Net and sACN cross a network");
        }
        if (delivery == Delivery.FOUND && protocol == Protocol.SACN) {
            throw p.need("delivery")
                    .wrong("sACN has no polls, so \"found\" is for Art-Net; write multicast or unicast");
        }
        if (delivery == Delivery.MULTICAST && protocol == Protocol.ARTNET) {
            throw p.need("delivery")
                    .wrong("Art-Net has no groups, so \"multicast\" is for sACN; write found, unicast or broadcast");
        }
        return new Stream(
                id,
                refs.refer(p.need("application"), Kind.APPLICATION),
                refs.refer(p.need("universe"), Kind.UNIVERSE),
                protocol,
                p.setting("enabled", JsonPlace::bool, true),
                p.bool("standby", false),
                p.optional("label").map(JsonPlace::anyInteger),
                p.optional("wire").map(w -> w.setting(JsonPlace::anyInteger)),
                delivery,
                to,
                p.setting("priority", v -> v.integer(0, 200), 100),
                p.optional("rate").map(r -> r.number(0, 1000)).orElse(40.0),
                p.bool("preview", false),
                p.optional("sync").map(s -> s.integer(1, SacnUniverse.LAST)),
                p.optional("ownLevels").map(s -> s.setting(JsonPlace::bool)));
    }

    @Override
    public void write(ObjectNode n, Stream s) {
        n.put("id", s.id().value());
        n.put("application", s.application().value());
        n.put("universe", s.universe().value());
        n.put("protocol", s.protocol().word());
        flag(n, "enabled", s.enabled(), true);
        flag(n, "standby", s.standby(), false);
        s.label().ifPresent(x -> n.put("label", x));
        s.wire().ifPresent(x -> n.set("wire", setting(x, JSON::numberNode)));
        n.put("delivery", s.delivery().word());
        if (!s.to().isEmpty()) {
            ArrayNode to = n.putArray("to");
            s.to().forEach(x -> to.add(x.toString()));
        }
        if (!s.priority().equals(Setting.of(100))) {
            n.set("priority", setting(s.priority(), JSON::numberNode));
        }
        if (s.ratePerSecond() != 40.0) {
            n.put("rate", s.ratePerSecond());
        }
        flag(n, "preview", s.preview(), false);
        s.sync().ifPresent(x -> n.put("sync", x));
        s.ownLevels().ifPresent(x -> n.set("ownLevels", setting(x, JSON::booleanNode)));
    }
}
