package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Traffic;

/** Devices, with their adapters in a plan file. */
final class HostFields implements Fields<Host> {
    /** A word, or as older files have it whether there is any check. */
    private static SourceCheck sourceCheck(JsonPlace place) {
        return place.isBoolean() ? place.bool() ? SourceCheck.LOOSE : SourceCheck.NONE : place.word(SourceCheck.class);
    }

    @Override
    public Host read(JsonPlace p, References refs) {
        Id<Host> id = refs.declare(p, Kind.HOST);
        HostKind kind = p.word("kind", HostKind.class, HostKind.OTHER);
        return new Host(
                id,
                p.text("name", id.value()),
                kind,
                p.text("place", ""),
                p.word(
                        "system",
                        OperatingSystem.class,
                        kind == HostKind.COMPUTER ? OperatingSystem.LINUX : OperatingSystem.FIRMWARE),
                p.optional("profile").map(JsonPlace::text),
                p.all("adapters", x -> adapter(x, refs)),
                p.optional("firewall").map(f -> firewall(f, refs)).orElse(Firewall.OPEN),
                p.optional("sourceCheck").map(HostFields::sourceCheck).orElse(SourceCheck.NONE),
                p.optional("power").map(HostFields::power).orElse(Power.ON),
                p.optional("switching").map(HostFields::switching).orElse(SwitchFeatures.PLAIN),
                own(p, refs));
    }

    private static Power power(JsonPlace p) {
        p.requireObject();
        Power power = new Power(
                p.bool("on", true),
                p.list("supplies").stream().map(JsonPlace::text).toList(),
                p.optional("volts").map(v -> v.number(0, 1_000)));
        p.done();
        return power;
    }

    private static Own own(JsonPlace p, References refs) {
        Optional<Id<Host>> of = p.optional("accessoryOf").map(a -> refs.refer(a, Kind.HOST));
        return new Own(
                ProfileFields.each(p, "ownSupplies", ProfileFields::supply),
                ProfileFields.each(p, "ownSigns", ProfileFields::sign),
                of);
    }

    private static SwitchFeatures switching(JsonPlace p) {
        p.requireObject();
        SwitchFeatures switching = new SwitchFeatures(
                p.setting("snooping", JsonPlace::bool, false),
                p.setting("querier", JsonPlace::bool, false),
                p.bool("dropsUnasked", true),
                p.bool("loopGuard", false));
        p.done();
        return switching;
    }

    private static Plug plug(JsonPlace p) {
        return new Plug(
                p.optional("speed").map(s -> s.integer(1, Plug.MOST_MEGABITS)),
                p.bool("halfDuplex", false),
                p.optional("vlan").map(v -> v.setting(x -> x.integer(1, Plug.LAST_VLAN))));
    }

    private static Firewall firewall(JsonPlace p, References refs) {
        p.requireObject();
        Set<Traffic> allows = new HashSet<>();
        p.list("allows").forEach(a -> allows.add(a.word(Traffic.class)));
        Set<Id<Application>> programs = new HashSet<>();
        p.list("programs").forEach(a -> programs.add(refs.refer(a, Kind.APPLICATION)));
        Set<Id<Adapter>> publicOn = new HashSet<>();
        p.list("publicOn").forEach(a -> publicOn.add(refs.refer(a, Kind.ADAPTER)));
        Firewall firewall = new Firewall(
                p.setting("barsInbound", JsonPlace::bool, false),
                allows,
                programs,
                p.list("ports").stream().map(x -> x.integer(1, 65_535)).toList(),
                p.bool("privateOnly", false),
                publicOn);
        p.done();
        return firewall;
    }

    private static Adapter adapter(JsonPlace p, References refs) {
        Id<Adapter> id = refs.declare(p, Kind.ADAPTER);
        Optional<Id<Segment>> segment = p.optional("segment").map(s -> refs.refer(s, Kind.SEGMENT));
        List<AdapterAddress> addresses = new ArrayList<>();
        p.list("addresses").forEach(a -> addresses.add(address(a)));
        return new Adapter(
                id,
                p.text("name", id.value()),
                p.word("kind", AdapterKind.class, AdapterKind.WIRED),
                segment,
                p.setting("enabled", JsonPlace::bool, true),
                p.bool("carrier", segment.isPresent()),
                addresses,
                p.optional("gateway").map(g -> g.parsed(Ipv4Address::parse)),
                p.optional("mac").map(JsonPlace::text),
                p.list("routes").stream().map(HostFields::route).toList(),
                p.optional("metric").map(m -> m.integer(0, 1_000_000)),
                p.optional("dhcpServer").map(HostFields::dhcpServer),
                p.bool("pinned", false),
                plug(p));
    }

    private static Route route(JsonPlace p) {
        p.requireObject();
        Route route =
                new Route(p.need("to").parsed(Subnet::parse), p.optional("via").map(v -> v.parsed(Ipv4Address::parse)));
        p.done();
        return route;
    }

    private static DhcpServer dhcpServer(JsonPlace p) {
        p.requireObject();
        Ipv4Address first = p.need("first").parsed(Ipv4Address::parse);
        Ipv4Address last = p.need("last").parsed(Ipv4Address::parse);
        if (first.compareTo(last) > 0) {
            throw p.wrong("a pool goes from its first address to its last; " + first + " is after " + last);
        }
        DhcpServer server = new DhcpServer(p.setting("enabled", JsonPlace::bool, true), first, last);
        p.done();
        return server;
    }

    private static AdapterAddress address(JsonPlace p) {
        Function<JsonPlace, HostAddress> value = v -> v.parsed(HostAddress::parse);
        if (p.isText()) {
            return new AdapterAddress(p.setting(value), AddressOrigin.MANUAL);
        }
        p.requireObject();
        if (!p.has("address")) {
            if (!p.has("planned") && !p.has("inForce")) {
                throw p.wrong("\"address\" is missing");
            }
            return new AdapterAddress(p.setting(value), AddressOrigin.MANUAL);
        }
        AdapterAddress address = new AdapterAddress(
                p.need("address").setting(value), p.word("origin", AddressOrigin.class, AddressOrigin.MANUAL));
        p.done();
        return address;
    }

    @Override
    public void write(ObjectNode n, Host h) {
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
            texts(f, "programs", sorted(h.firewall().programs()));
            if (!h.firewall().ports().isEmpty()) {
                ArrayNode ports = f.putArray("ports");
                h.firewall().ports().forEach(ports::add);
            }
            flag(f, "privateOnly", h.firewall().privateOnly(), false);
            texts(f, "publicOn", sorted(h.firewall().publicOn()));
        }
        if (!h.power().equals(Power.ON)) {
            ObjectNode power = n.putObject("power");
            flag(power, "on", h.power().on(), true);
            texts(power, "supplies", h.power().supplies());
            h.power().volts().ifPresent(v -> power.put("volts", v));
        }
        switching(n, h.switching());
        all(n, "ownSupplies", h.own().supplies(), ProfileFields::supply);
        all(n, "ownSigns", h.own().signs(), ProfileFields::sign);
        h.own().accessoryOf().ifPresent(of -> n.put("accessoryOf", of.value()));
        all(n, "adapters", h.adapters(), HostFields::adapter);
    }

    private static <E> List<String> sorted(Set<Id<E>> ids) {
        return ids.stream().map(Id::value).sorted().toList();
    }

    private static void switching(ObjectNode n, SwitchFeatures s) {
        if (!s.equals(SwitchFeatures.PLAIN)) {
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
}
