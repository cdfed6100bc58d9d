package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Need;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;

/** Programs in a plan file. */
final class ApplicationFields implements Fields<Application> {
    @Override
    public Application read(JsonPlace p, References refs) {
        Id<Application> id = refs.declare(p, Kind.APPLICATION);
        Map<Purpose, Setting<Binding>> bindings = new EnumMap<>(Purpose.class);
        p.optional("bindings")
                .ifPresent(b -> b.members()
                        .forEach((purpose, value) -> bindings.put(
                                value.named(purpose, Purpose.class), value.setting(x -> binding(x, refs)))));
        Map<Protocol, ProtocolOutput> outputs = new EnumMap<>(Protocol.class);
        p.optional("outputs")
                .ifPresent(o -> o.members()
                        .forEach((protocol, value) ->
                                outputs.put(value.named(protocol, Protocol.class), output(value))));
        Map<Protocol, Screen> screen = new EnumMap<>(Protocol.class);
        p.optional("screenFirst")
                .ifPresent(s -> s.members()
                        .forEach((protocol, value) ->
                                screen.put(value.named(protocol, Protocol.class), Screen.from(value.integer(0, 1)))));
        p.optional("screens")
                .ifPresent(s -> s.members()
                        .forEach(
                                (protocol, value) -> screen.put(value.named(protocol, Protocol.class), screen(value))));
        return new Application(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("host"), Kind.HOST),
                p.word("kind", ApplicationKind.class, ApplicationKind.OTHER),
                p.optional("version").map(v -> v.setting(JsonPlace::text)),
                bindings,
                outputs,
                screen,
                p.optional("osc").map(ApplicationFields::osc),
                new Installed(
                        p.optional("profile").map(JsonPlace::text),
                        p.optional("licence").map(l -> l.setting(JsonPlace::text)),
                        p.list("attached").stream().map(JsonPlace::text).toList(),
                        p.optional("show").map(s -> s.setting(JsonPlace::text)),
                        p.optional("cid").map(JsonPlace::text),
                        p.optional("running").map(r -> r.setting(JsonPlace::bool)),
                        met(p)));
    }

    private static Map<Need, Setting<Boolean>> met(JsonPlace p) {
        Map<Need, Setting<Boolean>> met = new EnumMap<>(Need.class);
        p.optional("met")
                .ifPresent(m -> m.members()
                        .forEach((need, value) ->
                                met.put(value.named(need, Need.class), value.setting(JsonPlace::bool))));
        return met;
    }

    private static Screen screen(JsonPlace p) {
        List<Screen.Field> fields = new ArrayList<>();
        for (JsonPlace f : p.elements()) {
            f.requireObject();
            int first = f.optional("first").map(x -> x.integer(0, 1)).orElse(0);
            int radix = f.optional("radix").map(x -> x.integer(10, 16)).orElse(10);
            if (radix != 10 && radix != 16) {
                throw f.wrong("a radix is 10 or 16, not " + radix);
            }
            fields.add(new Screen.Field(first, radix));
            f.done();
        }
        try {
            return new Screen(fields);
        } catch (IllegalArgumentException e) {
            throw p.wrong(String.valueOf(e.getMessage()));
        }
    }

    private static Binding binding(JsonPlace p, References refs) {
        if (p.isText()) {
            return switch (p.text()) {
                case "automatic" -> Binding.AUTOMATIC;
                case "all" -> Binding.ALL;
                case "first" -> Binding.FIRST;
                case "loopback" -> Binding.LOOPBACK;
                default ->
                    throw p.wrong("\"" + p.text()
                            + "\" is not known here; write automatic, all, first, loopback or a list of adapter ids");
            };
        }
        List<Id<Adapter>> ids = new ArrayList<>();
        Map<Id<Adapter>, Ipv4Address> addresses = new HashMap<>();
        for (JsonPlace e : p.elements()) {
            if (e.isText()) {
                ids.add(refs.refer(e, Kind.ADAPTER));
                continue;
            }
            e.requireObject();
            Id<Adapter> id = refs.refer(e.need("adapter"), Kind.ADAPTER);
            ids.add(id);
            e.optional("address").ifPresent(a -> addresses.put(id, a.parsed(Ipv4Address::parse)));
            e.done();
        }
        if (ids.isEmpty()) {
            throw p.wrong("a binding names at least one adapter, or says automatic, all, first or loopback");
        }
        return new Binding(BindingMode.ADAPTERS, ids, addresses);
    }

    private static ProtocolOutput output(JsonPlace p) {
        p.requireObject();
        List<LabelRange> ranges = p.all(
                "ranges",
                r -> new LabelRange(
                        r.need("first").anyInteger(),
                        r.need("last").anyInteger(),
                        r.need("offset").integer(-100_000, 100_000)));
        ProtocolOutput output = new ProtocolOutput(
                p.setting("enabled", JsonPlace::bool, true),
                ranges,
                p.optional("syncOn").map(s -> s.integer(1, SacnUniverse.LAST)),
                p.optional("alsoHere").map(s -> s.setting(JsonPlace::bool)),
                p.optional("ownLevels").map(s -> s.setting(JsonPlace::bool)),
                p.optional("ttl").map(t -> t.integer(0, 255)),
                p.optional("sourcePort").map(o -> o.integer(1, 65_535)));
        p.done();
        return output;
    }

    private static OscInput osc(JsonPlace p) {
        p.requireObject();
        List<String> addresses = new ArrayList<>();
        p.list(p.nowOrBefore("addresses", "targets")).forEach(a -> addresses.add(LinkFields.oscAddress(a)));
        OscInput osc = new OscInput(
                p.need("port").setting(v -> v.integer(1, 65535)),
                p.setting("receiving", JsonPlace::bool, true),
                p.setting("handling", JsonPlace::bool, true),
                addresses,
                p.word("transport", LinkTransport.class, LinkTransport.UDP));
        p.done();
        return osc;
    }

    @Override
    public void write(ObjectNode n, Application a) {
        named(n, a);
        n.put("host", a.host().value());
        word(n, "kind", a.kind(), ApplicationKind.OTHER);
        a.version().ifPresent(v -> n.set("version", setting(v, JSON::textNode)));
        if (!a.bindings().isEmpty()) {
            ObjectNode b = n.putObject("bindings");
            for (Purpose purpose : Purpose.values()) {
                Setting<Binding> binding = a.bindings().get(purpose);
                if (binding != null) {
                    b.set(purpose.word(), setting(binding, ApplicationFields::binding));
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
                    output.alsoHere().ifPresent(x -> o.set("alsoHere", setting(x, JSON::booleanNode)));
                    output.ownLevels().ifPresent(x -> o.set("ownLevels", setting(x, JSON::booleanNode)));
                    output.ttl().ifPresent(x -> o.put("ttl", x));
                    output.sourcePort().ifPresent(x -> o.put("sourcePort", x));
                }
            }
        }
        screens(n, a.screens());
        a.osc().ifPresent(osc -> {
            ObjectNode o = n.putObject("osc");
            o.set("port", setting(osc.port(), JSON::numberNode));
            flag(o, "receiving", osc.receiving(), true);
            flag(o, "handling", osc.handling(), true);
            texts(o, "addresses", osc.addresses());
            word(o, "transport", osc.transport(), LinkTransport.UDP);
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
        installed.licence().ifPresent(x -> n.set("licence", setting(x, JSON::textNode)));
        texts(n, "attached", installed.attached());
        installed.show().ifPresent(x -> n.set("show", setting(x, JSON::textNode)));
        installed.cid().ifPresent(x -> n.put("cid", x));
        installed.running().ifPresent(x -> n.set("running", setting(x, JSON::booleanNode)));
        if (!installed.met().isEmpty()) {
            ObjectNode met = n.putObject("met");
            new EnumMap<>(installed.met()).forEach((need, x) -> met.set(need.word(), setting(x, JSON::booleanNode)));
        }
    }

    private static JsonNode binding(Binding b) {
        if (b.mode() != BindingMode.ADAPTERS) {
            return JSON.textNode(b.mode().word());
        }
        ArrayNode array = JSON.arrayNode();
        for (Id<Adapter> adapter : b.adapters()) {
            b.addressOf(adapter)
                    .ifPresentOrElse(
                            address -> array.addObject()
                                    .put("adapter", adapter.value())
                                    .put("address", address.toString()),
                            () -> array.add(adapter.value()));
        }
        return array;
    }
}
