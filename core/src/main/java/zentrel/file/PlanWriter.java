package zentrel.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import zentrel.plan.*;

/**
 * Writes the canonical form of a plan file: fields in a fixed order, nothing that is as usual, line feeds, so that a diff
 * in version control is small and two equal plans are equal files.
 */
public final class PlanWriter {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private PlanWriter() {}

    /** The bytes of a plan file, in UTF-8 with line feeds. */
    public static byte[] write(LoadedPlan loaded) {
        return pretty(tree(loaded));
    }

    /** A JSON document of ours as bytes. */
    static byte[] pretty(ObjectNode document) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter(
                        Separators.createDefaultInstance().withObjectFieldValueSpacing(Separators.Spacing.AFTER))
                .withObjectIndenter(new DefaultIndenter("  ", "\n"));
        try {
            return (MAPPER.writer(printer).writeValueAsString(document) + "\n").getBytes(StandardCharsets.UTF_8);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A document could not be written as JSON.", e);
        }
    }

    static ObjectNode tree(LoadedPlan loaded) {
        Plan plan = loaded.plan();
        ObjectNode root = JSON.objectNode();
        root.put("zentrel-plan", PlanReader.FORMAT);
        root.put("name", plan.name());
        all(root, "segments", plan.segments(), PlanWriter::segment);
        all(root, "hosts", plan.hosts(), PlanWriter::host);
        all(root, "applications", plan.applications(), PlanWriter::application);
        all(root, "universes", plan.universes(), PlanWriter::universe);
        all(root, "streams", plan.streams(), PlanWriter::stream);
        all(root, "receivers", plan.receivers(), PlanWriter::receiver);
        all(root, "lines", plan.lines(), PlanWriter::line);
        all(root, "fixtures", plan.fixtures(), PlanWriter::fixture);
        all(root, "links", plan.links(), PlanWriter::link);
        all(root, "attachments", plan.attachments(), PlanWriter::attachment);
        all(root, "sessions", plan.sessions(), PlanWriter::session);
        all(root, "cables", plan.cables(), PlanWriter::cable);
        all(root, "copies", plan.copies(), PlanWriter::copy);
        all(root, "sightings", plan.sightings(), PlanWriter::sighting);
        all(root, "profiles", plan.profiles(), ProfileFields::write);
        putBack(root, loaded.unknown());
        return root;
    }

    // --- unknown fields ---

    private static void putBack(ObjectNode root, UnknownFields unknown) {
        if (unknown.fields().isEmpty()) {
            return;
        }
        Map<String, ObjectNode> owners = new HashMap<>();
        owners.put("", root);
        findOwners(root, owners);
        for (UnknownFields.Field field : unknown.fields()) {
            ObjectNode owner = owners.get(field.owner());
            if (owner != null) {
                Optional.ofNullable(descend(owner, field.path())).ifPresent(o -> o.set(field.name(), field.value()));
            }
        }
    }

    private static void findOwners(JsonNode node, Map<String, ObjectNode> owners) {
        if (node instanceof ObjectNode object && object.path("id").isTextual()) {
            owners.put(object.get("id").textValue(), object);
        }
        node.forEach(child -> findOwners(child, owners));
    }

    /** The object at a path; a plain value on the way is spread out into a setting, so that the field has a place. */
    private static @org.jspecify.annotations.Nullable ObjectNode descend(ObjectNode from, List<String> path) {
        JsonNode node = from;
        for (String step : path) {
            JsonNode next = node.isArray() ? node.get(Integer.parseInt(step)) : node.get(step);
            if (next == null && node instanceof ObjectNode object) {
                next = object.putObject(step); // it held nothing else that had to be written
            }
            if (next == null) {
                return null;
            }
            if (next.isValueNode()) {
                ObjectNode setting = JSON.objectNode();
                setting.set(
                        next.isTextual() && next.textValue().contains("/") && node.isArray() ? "address" : "planned",
                        next);
                if (node instanceof ArrayNode array) {
                    array.set(Integer.parseInt(step), setting);
                } else {
                    ((ObjectNode) node).set(step, setting);
                }
                next = setting;
            }
            node = next;
        }
        return node instanceof ObjectNode object ? object : null;
    }

    // --- helpers ---

    static <T> void all(ObjectNode owner, String field, List<T> items, BiConsumer<ObjectNode, T> writer) {
        if (!items.isEmpty()) {
            ArrayNode array = owner.putArray(field);
            for (T item : items) {
                writer.accept(array.addObject(), item);
            }
        }
    }

    private static <T> JsonNode setting(Setting<T> setting, Function<T, JsonNode> value) {
        if (!setting.isPending()) {
            return value.apply(setting.planned());
        }
        ObjectNode node = JSON.objectNode();
        node.set("planned", value.apply(setting.planned()));
        node.set("inForce", value.apply(setting.inForce()));
        if (setting.entered()) {
            node.put("entered", true);
        }
        return node;
    }

    /** A switch, left out where it is as usual. */
    private static void flag(ObjectNode n, String field, Setting<Boolean> value, boolean usual) {
        if (!value.equals(Setting.of(usual))) {
            n.set(field, setting(value, JSON::booleanNode));
        }
    }

    static void flag(ObjectNode n, String field, boolean value, boolean usual) {
        if (value != usual) {
            n.put(field, value);
        }
    }

    static void text(ObjectNode n, String field, String value, String usual) {
        if (!value.equals(usual)) {
            n.put(field, value);
        }
    }

    private static <E extends Enum<E> & Word> void word(ObjectNode n, String field, E value, E usual) {
        if (value != usual) {
            n.put(field, value.word());
        }
    }

    private static <E extends Enum<E> & Word> void words(ObjectNode n, String field, java.util.Collection<E> values) {
        ArrayNode array = n.putArray(field);
        values.stream().sorted().forEach(v -> array.add(v.word()));
    }

    private static void named(ObjectNode n, Named item) {
        n.put("id", item.id().value());
        text(n, "name", item.name(), item.id().value());
    }

    // --- the things of a plan ---

    private static void segment(ObjectNode n, Segment s) {
        named(n, s);
        s.subnet().ifPresent(x -> n.put("subnet", x.toString()));
        flag(n, "wayOut", s.wayOut(), false);
        flag(n, "guests", s.guests(), false);
        flag(n, "isolated", s.isolated(), false);
    }

    private static void host(ObjectNode n, Host h) {
        named(n, h);
        word(n, "kind", h.kind(), HostKind.OTHER);
        text(n, "place", h.place(), "");
        word(n, "system", h.system(), h.kind() == HostKind.COMPUTER ? OperatingSystem.LINUX : OperatingSystem.FIRMWARE);
        h.profile().ifPresent(x -> n.put("profile", x));
        if (h.sourceCheck() != SourceCheck.NONE) {
            n.put("sourceCheck", h.sourceCheck().word());
        }
        if (!h.firewall().equals(Firewall.OPEN)) {
            ObjectNode f = n.putObject("firewall");
            flag(f, "barsInbound", h.firewall().barsInbound(), false);
            if (!h.firewall().allows().isEmpty()) {
                words(f, "allows", h.firewall().allows());
            }
        }
        if (!h.power().equals(Power.ON)) {
            ObjectNode power = n.putObject("power");
            flag(power, "on", h.power().on(), true);
            texts(power, "supplies", h.power().supplies());
        }
        switching(n, h.switching());
        all(n, "adapters", h.adapters(), PlanWriter::adapter);
    }

    private static void switching(ObjectNode n, Switching s) {
        if (!s.equals(Switching.PLAIN)) {
            ObjectNode o = n.putObject("switching");
            flag(o, "snooping", s.snooping(), false);
            flag(o, "querier", s.querier(), false);
            flag(o, "dropsUnasked", s.dropsUnasked(), true);
            flag(o, "loopGuard", s.loopGuard(), false);
        }
    }

    private static void adapter(ObjectNode n, Adapter a) {
        named(n, a);
        word(n, "kind", a.kind(), AdapterKind.WIRED);
        a.segment().ifPresent(x -> n.put("segment", x.value()));
        flag(n, "enabled", a.enabled(), true);
        flag(n, "carrier", a.carrier(), a.segment().isPresent());
        if (!a.addresses().isEmpty()) {
            ArrayNode array = n.putArray("addresses");
            for (AdapterAddress address : a.addresses()) {
                JsonNode value = setting(address.address(), x -> JSON.textNode(x.toString()));
                if (address.origin() == AddressOrigin.MANUAL) {
                    array.add(value);
                } else {
                    ObjectNode o = array.addObject();
                    o.set("address", value);
                    o.put("origin", address.origin().word());
                }
            }
        }
        a.gateway().ifPresent(x -> n.put("gateway", x.toString()));
        a.mac().ifPresent(x -> n.put("mac", x));
        if (!a.routes().isEmpty()) {
            ArrayNode array = n.putArray("routes");
            for (Route route : a.routes()) {
                ObjectNode o = array.addObject();
                o.put("to", route.to().toString());
                route.via().ifPresent(v -> o.put("via", v.toString()));
            }
        }
        a.metric().ifPresent(x -> n.put("metric", x));
        a.serves().ifPresent(x -> {
            ObjectNode o = n.putObject("dhcpServer");
            flag(o, "enabled", x.enabled(), true);
            o.put("first", x.first().toString());
            o.put("last", x.last().toString());
        });
        flag(n, "pinned", a.pinned(), false);
        a.plug().megabits().ifPresent(x -> n.put("speed", x));
        flag(n, "halfDuplex", a.plug().halfDuplex(), false);
        a.plug().vlan().ifPresent(x -> n.set("vlan", setting(x, JSON::numberNode)));
    }

    private static void application(ObjectNode n, Application a) {
        named(n, a);
        n.put("host", a.host().value());
        word(n, "kind", a.kind(), ApplicationKind.OTHER);
        a.version().ifPresent(v -> n.set("version", setting(v, JSON::textNode)));
        if (!a.bindings().isEmpty()) {
            ObjectNode b = n.putObject("bindings");
            for (Purpose purpose : Purpose.values()) {
                Setting<Binding> binding = a.bindings().get(purpose);
                if (binding != null) {
                    b.set(purpose.word(), setting(binding, PlanWriter::binding));
                }
            }
        }
        if (!a.outputs().isEmpty()) {
            ObjectNode outputs = n.putObject("outputs");
            for (Protocol protocol : Protocol.values()) {
                ProtocolOutput output = a.outputs().get(protocol);
                if (output != null) {
                    ObjectNode o = outputs.putObject(protocol.word());
                    flag(o, "enabled", output.enabled(), true);
                    all(o, "ranges", output.ranges(), (r, range) -> {
                        r.put("first", range.first());
                        r.put("last", range.last());
                        r.put("offset", range.offset());
                    });
                    output.sync().ifPresent(x -> o.put("syncOn", x));
                }
            }
        }
        screens(n, a.screens());
        a.osc().ifPresent(osc -> {
            ObjectNode o = n.putObject("osc");
            o.set("port", setting(osc.port(), JSON::numberNode));
            flag(o, "receiving", osc.receiving(), true);
            flag(o, "handling", osc.handling(), true);
            texts(o, "targets", osc.targets());
        });
        installed(n, a.installed());
    }

    /** A plain one as its first number, as older readers know it. */
    private static void screens(ObjectNode n, Map<Protocol, Screen> screens) {
        for (Protocol protocol : Protocol.values()) {
            Screen screen = screens.get(protocol);
            if (screen != null && screen.isPlain()) {
                n.withObject("/screenFirst")
                        .put(protocol.word(), screen.fields().get(0).first());
            }
        }
        for (Protocol protocol : Protocol.values()) {
            Screen screen = screens.get(protocol);
            if (screen != null && !screen.isPlain()) {
                all(n.withObject("/screens"), protocol.word(), screen.fields(), (f, field) -> {
                    f.put("first", field.first());
                    f.put("radix", field.radix());
                });
            }
        }
    }

    private static void installed(ObjectNode n, Installed installed) {
        installed.profile().ifPresent(x -> n.put("profile", x));
        installed.licence().ifPresent(x -> n.put("licence", x));
        texts(n, "attached", installed.attached());
        installed.show().ifPresent(x -> n.set("show", setting(x, JSON::textNode)));
        installed.cid().ifPresent(x -> n.put("cid", x));
    }

    /** A list of texts, left out where it is empty. */
    static void texts(ObjectNode n, String field, List<String> items) {
        if (!items.isEmpty()) {
            ArrayNode array = n.putArray(field);
            items.forEach(array::add);
        }
    }

    private static JsonNode binding(Binding b) {
        if (b.mode() != BindingMode.ADAPTERS) {
            return JSON.textNode(b.mode().word());
        }
        ArrayNode array = JSON.arrayNode();
        for (AdapterId adapter : b.adapters()) {
            b.addressOf(adapter)
                    .ifPresentOrElse(
                            address -> array.addObject()
                                    .put("adapter", adapter.value())
                                    .put("address", address.toString()),
                            () -> array.add(adapter.value()));
        }
        return array;
    }

    private static void universe(ObjectNode n, Universe u) {
        n.put("id", u.id().value());
        text(n, "name", u.name(), "");
        n.put("number", u.number());
        flag(n, "merge", u.merge(), false);
    }

    private static void stream(ObjectNode n, Stream s) {
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
    }

    private static void receiver(ObjectNode n, Receiver r) {
        named(n, r);
        n.put("application", r.application().value());
        words(n, "protocols", r.protocols());
        flag(n, "inputOn", r.inputOn(), true);
        flag(n, "answersPolls", r.answersPolls(), true);
        word(n, "merge", r.merge(), Merge.HTP);
        taking(n, r.taking());
        all(n, "ports", r.ports(), PlanWriter::port);
    }

    private static void taking(ObjectNode n, Taking t) {
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

    private static void line(ObjectNode n, Line l) {
        named(n, l);
        n.put("port", l.port().value());
        l.via()
                .ifPresent(v -> n.putObject("via")
                        .put("device", v.device().value())
                        .put("from", v.from().value()));
    }

    private static void cable(ObjectNode n, Cable c) {
        named(n, c);
        word(n, "kind", c.kind(), CableKind.NETWORK);
        n.put("from", c.from().value());
        n.put("to", c.to().value());
        flag(n, "connected", c.connected(), true);
    }

    private static void copy(ObjectNode n, TypedCopy c) {
        named(n, c);
        n.put("owner", c.owner().value());
        n.put("of", c.of().value());
        n.set("value", setting(c.value(), JSON::textNode));
    }

    private static void sighting(ObjectNode n, Sighting s) {
        n.put("signal", s.signal().value());
        n.put("receiver", s.receiver().value());
        n.put("hop", s.hop());
        n.put("answer", s.answer().word());
        n.put("at", s.at().toString());
        text(n, "by", s.by(), "");
    }

    private static void fixture(ObjectNode n, Fixture f) {
        n.put("id", f.id().value());
        text(n, "number", f.number(), "");
        text(n, "name", f.name(), f.id().value());
        text(n, "place", f.place(), "");
        text(n, "type", f.type(), "");
        f.line().ifPresent(x -> n.put("line", x.value()));
        all(n, "breaks", f.breaks(), (b, x) -> {
            b.put("universe", x.universe().value());
            b.put("start", x.start());
            if (x.footprint() != 1) {
                b.put("footprint", x.footprint());
            }
            x.line().ifPresent(l -> b.put("line", l.value()));
        });
        flag(n, "sharesSlots", f.sharesSlots(), false);
        if (f.unitLoads() != 1) {
            n.put("unitLoads", f.unitLoads());
        }
    }

    private static void link(ObjectNode n, ControlLink l) {
        named(n, l);
        n.put("from", l.from().value());
        n.put("to", l.to().value());
        n.set("destination", setting(l.destination(), x -> JSON.textNode(x.toString())));
        n.set("port", setting(l.port(), JSON::numberNode));
        n.put("pattern", l.pattern());
        flag(n, "enabled", l.enabled(), true);
        flag(n, "answer", l.answer(), false);
        l.answerPort().ifPresent(x -> n.set("answerPort", setting(x, JSON::numberNode)));
    }

    private static void attachment(ObjectNode n, Attachment a) {
        named(n, a);
        n.put("from", a.from().value());
        n.put("to", a.to().value());
        flag(n, "sending", a.sending(), true);
        flag(n, "chosen", a.chosen(), true);
        a.destination().ifPresent(x -> n.set("destination", setting(x, d -> JSON.textNode(d.toString()))));
        word(n, "versions", a.versions(), VersionRule.EXACT);
        a.driver().ifPresent(x -> n.put("driver", x));
        text(n, "sign", a.sign(), "");
    }

    private static void session(ObjectNode n, Session s) {
        named(n, s);
        text(n, "key", s.key(), "");
        word(n, "versions", s.versions(), VersionRule.EXACT);
        all(n, "members", s.members(), (m, x) -> {
            m.put("application", x.application().value());
            word(m, "part", x.part(), Part.REMOTE);
        });
    }
}
