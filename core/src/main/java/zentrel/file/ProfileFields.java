package zentrel.file;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.Merge;
import zentrel.profile.Need;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Profile;
import zentrel.profile.ProfileAdapter;
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfileLimit;
import zentrel.profile.ProfileNeed;
import zentrel.profile.ProfilePoe;
import zentrel.profile.ProfilePorts;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileStart;
import zentrel.profile.ProfileStep;
import zentrel.profile.ProfileSupply;
import zentrel.profile.Protocol;
import zentrel.profile.VoltRange;
import zentrel.text.Word;

/** The fields of a profile, both ways; the same in a plan file and in a profile file. */
final class ProfileFields {
    private ProfileFields() {}

    // --- reading ---

    static Profile read(JsonPlace p) {
        p.requireObject();
        String id = p.need("id").text();
        p.ownedBy(id);
        boolean software = p.bool("software", false);
        HostKind kind = p.word("kind", HostKind.class, software ? HostKind.COMPUTER : HostKind.OTHER);
        List<ProfileAdapter> adapters = each(p, "adapters", ProfileFields::adapter);
        List<ProfileSupply> supplies = each(p, "supplies", ProfileFields::supply);
        Map<String, String> menus = new LinkedHashMap<>(); // their order is the order of the device's own menus
        p.optional("menus")
                .ifPresent(m -> m.members().forEach((subject, way) -> {
                    if (!ProfileStep.SUBJECTS.contains(subject)) {
                        throw way.wrong("\"" + subject + "\" is nothing that is set; write one of "
                                + String.join(
                                        ", ",
                                        ProfileStep.SUBJECTS.stream().sorted().toList()));
                    }
                    menus.put(subject, way.text());
                }));
        return guarded(
                p,
                () -> new Profile(
                        id,
                        p.text("name", id),
                        p.text("summary", ""),
                        texts(p, "words"),
                        software,
                        kind,
                        p.word(
                                "system",
                                OperatingSystem.class,
                                kind == HostKind.COMPUTER ? OperatingSystem.LINUX : OperatingSystem.FIRMWARE),
                        adapters,
                        each(p, "applications", ProfileFields::application),
                        subnets(p),
                        p.optional("sockets").map(s -> s.integer(0, 1000)).orElse(adapters.size()),
                        p.bool("passesNetwork", false),
                        p.bool("passesPower", false),
                        supplies,
                        pairs(p),
                        p.optional("poe").map(ProfileFields::poe),
                        texts(p, "direct"),
                        each(p, "steps", ProfileFields::step),
                        each(p, "signs", ProfileFields::sign),
                        menus));
    }

    /** Turns what a record refuses into a complaint that names the place. */
    private static <T> T guarded(JsonPlace place, java.util.function.Supplier<T> made) {
        try {
            T value = made.get();
            place.done();
            return value;
        } catch (JsonPlace.Misplaced e) {
            throw e;
        } catch (IllegalArgumentException e) {
            throw place.wrong(String.valueOf(e.getMessage()));
        }
    }

    static ProfileSupply supply(JsonPlace s) {
        return new ProfileSupply(
                s.need("name").text(),
                s.bool("poe", false),
                number(s, "watts", 0, 100_000, 0),
                s.optional("volts").map(ProfileFields::volts));
    }

    private static VoltRange volts(JsonPlace p) {
        p.requireObject();
        return guarded(
                p,
                () -> new VoltRange(
                        p.need("from").number(0, 1_000), p.need("to").number(0, 1_000)));
    }

    static ProfileSign sign(JsonPlace s) {
        return new ProfileSign(
                s.need("look").text(), s.need("when").text(), s.need("shows").text());
    }

    static <T> List<T> each(JsonPlace owner, String field, Function<JsonPlace, T> reader) {
        List<T> list = new ArrayList<>();
        for (JsonPlace place : owner.list(field)) {
            place.requireObject();
            list.add(guarded(place, () -> reader.apply(place)));
        }
        return list;
    }

    private static List<String> texts(JsonPlace owner, String field) {
        return owner.list(field).stream().map(JsonPlace::text).toList();
    }

    private static double number(JsonPlace p, String field, double least, double most, double otherwise) {
        return p.optional(field).map(n -> n.number(least, most)).orElse(otherwise);
    }

    private static List<List<String>> pairs(JsonPlace p) {
        List<List<String>> pairs = new ArrayList<>();
        for (JsonPlace pair : p.list("clashes")) {
            List<String> names = pair.elements().stream().map(JsonPlace::text).toList();
            if (names.size() != 2) {
                throw pair.wrong("two supplies clash with each other, and here are " + names.size());
            }
            pairs.add(names);
        }
        return pairs;
    }

    private static ProfileAdapter adapter(JsonPlace p) {
        return new ProfileAdapter(
                p.need("name").text(),
                p.word("kind", AdapterKind.class, AdapterKind.WIRED),
                p.optional("factory").map(f -> f.parsed(HostAddress::parse)),
                p.optional("fromMac").map(ProfileFields::fromMac),
                p.bool("dhcp", false),
                p.optional("waits").map(ProfileFields::waits).orElse(ProfileAdapter.Waits.USUAL));
    }

    private static ProfileAdapter.FromMac fromMac(JsonPlace p) {
        p.requireObject();
        return guarded(
                p,
                () -> new ProfileAdapter.FromMac(
                        p.need("first").integer(2, 10), p.need("oem").integer(0, 0xFFFF)));
    }

    private static ProfileAdapter.Waits waits(JsonPlace p) {
        p.requireObject();
        ProfileAdapter.Waits usual = ProfileAdapter.Waits.USUAL;
        return guarded(
                p,
                () -> new ProfileAdapter.Waits(
                        p.optional("dhcp").map(s -> s.integer(0, 3600)).orElse(usual.dhcp()),
                        p.optional("claim").map(s -> s.integer(0, 3600)).orElse(usual.claim())));
    }

    private static ProfilePoe poe(JsonPlace p) {
        p.requireObject();
        return guarded(
                p,
                () -> new ProfilePoe(
                        p.need("perPortWatts").number(0.1, 1000),
                        p.need("totalWatts").number(0.1, 100_000)));
    }

    private static ProfileStep step(JsonPlace p) {
        return new ProfileStep(
                new LinkedHashSet<>(texts(p, "of")),
                p.need("does").text(),
                p.optional("times").map(t -> t.integer(1, 9)).orElse(1),
                p.optional("seconds").map(s -> s.integer(0, 86_400)).orElse(0),
                p.text("why", ""));
    }

    private static ProfileApplication application(JsonPlace p) {
        Map<Protocol, Integer> screen = new EnumMap<>(Protocol.class);
        p.optional("screenFirst")
                .ifPresent(s -> s.members()
                        .forEach((protocol, value) ->
                                screen.put(value.named(protocol, Protocol.class), value.integer(0, 1))));
        return new ProfileApplication(
                p.text("name", "Firmware"),
                p.word("kind", ApplicationKind.class, ApplicationKind.OTHER),
                protocols(p, "sends"),
                protocols(p, "takes"),
                p.bool("answersPolls", true),
                p.word("merge", Merge.class, Merge.HTP),
                screen,
                each(p, "ports", ProfileFields::ports),
                p.optional("oscPort").map(o -> o.integer(1, 65535)),
                p.bool("storesShow", false),
                texts(p, "licences"),
                texts(p, "attachments"),
                each(
                        p,
                        "limits",
                        l -> new ProfileLimit(
                                l.need("protocol").word(Protocol.class),
                                l.need("universes").integer(0, 100_000),
                                l.optional("fromVersion").map(JsonPlace::text),
                                l.optional("licence").map(JsonPlace::text),
                                l.optional("attached").map(JsonPlace::text))),
                each(
                        p,
                        "needs",
                        n -> new ProfileNeed(
                                n.need("need").word(Need.class), n.bool("stops", true), n.text("otherwise", ""))),
                p.optional("start").map(ProfileFields::start).orElse(ProfileStart.NOTHING_SAID),
                subnets(p));
    }

    private static ProfileStart start(JsonPlace p) {
        Set<ApplicationKind> after = new HashSet<>();
        p.list("after").forEach(a -> after.add(a.word(ApplicationKind.class)));
        return new ProfileStart(
                p.optional("seconds").map(s -> s.integer(0, 86_400)).orElse(0), after, p.text("sign", ""));
    }

    private static List<Subnet> subnets(JsonPlace p) {
        return p.list("accepts").stream().map(a -> a.parsed(Subnet::parse)).toList();
    }

    private static Set<Protocol> protocols(JsonPlace p, String field) {
        Set<Protocol> protocols = new HashSet<>();
        p.list(field).forEach(x -> protocols.add(x.word(Protocol.class)));
        return protocols;
    }

    private static ProfilePorts ports(JsonPlace p) {
        Set<Direction> directions = new HashSet<>();
        p.list("directions").forEach(d -> directions.add(d.word(Direction.class)));
        return new ProfilePorts(
                p.text("name", "Port"),
                p.optional("count").map(c -> c.integer(1, ProfilePorts.MOST)).orElse(1),
                p.word("kind", PortKind.class, PortKind.DMX),
                directions.isEmpty() ? Set.of(Direction.OUTPUT) : directions,
                p.optional("perPage").map(x -> x.integer(0, 16)).orElse(0),
                p.optional("pixels").map(x -> x.integer(1, 1_000_000)));
    }

    // --- writing ---

    static void write(ObjectNode n, Profile p) {
        n.put("id", p.id());
        n.put("name", p.name());
        JsonOut.text(n, "summary", p.summary(), "");
        JsonOut.texts(n, "words", p.words());
        JsonOut.flag(n, "software", p.software(), false);
        HostKind usual = p.software() ? HostKind.COMPUTER : HostKind.OTHER;
        if (p.kind() != usual) {
            n.put("kind", p.kind().word());
        }
        n.put("system", p.system().word());
        JsonOut.all(n, "adapters", p.adapters(), (a, x) -> {
            a.put("name", x.name());
            if (x.kind() != AdapterKind.WIRED) {
                a.put("kind", x.kind().word());
            }
            x.factory().ifPresent(f -> a.put("factory", f.toString()));
            x.fromMac()
                    .ifPresent(
                            f -> a.putObject("fromMac").put("first", f.first()).put("oem", f.oem()));
            JsonOut.flag(a, "dhcp", x.dhcp(), false);
            if (!x.waits().equals(ProfileAdapter.Waits.USUAL)) {
                a.putObject("waits")
                        .put("dhcp", x.waits().dhcp())
                        .put("claim", x.waits().claim());
            }
        });
        JsonOut.all(n, "applications", p.applications(), ProfileFields::application);
        JsonOut.texts(n, "accepts", p.accepts().stream().map(Subnet::toString).toList());
        if (p.sockets() != p.adapters().size()) {
            n.put("sockets", p.sockets());
        }
        JsonOut.flag(n, "passesNetwork", p.passesNetwork(), false);
        JsonOut.flag(n, "passesPower", p.passesPower(), false);
        JsonOut.all(n, "supplies", p.supplies(), ProfileFields::supply);
        if (!p.clashes().isEmpty()) {
            ArrayNode clashes = n.putArray("clashes");
            p.clashes().forEach(c -> {
                ArrayNode pair = clashes.addArray();
                c.forEach(pair::add);
            });
        }
        p.poe()
                .ifPresent(x ->
                        n.putObject("poe").put("perPortWatts", x.perPortWatts()).put("totalWatts", x.totalWatts()));
        JsonOut.texts(n, "direct", p.direct());
        JsonOut.all(n, "steps", p.steps(), (s, x) -> {
            JsonOut.texts(s, "of", x.of().stream().sorted().toList());
            s.put("does", x.does());
            if (x.times() != 1) {
                s.put("times", x.times());
            }
            if (x.seconds() != 0) {
                s.put("seconds", x.seconds());
            }
            JsonOut.text(s, "why", x.why(), "");
        });
        JsonOut.all(n, "signs", p.signs(), ProfileFields::sign);
        if (!p.menus().isEmpty()) {
            ObjectNode menus = n.putObject("menus");
            p.menus().forEach(menus::put);
        }
    }

    static void supply(ObjectNode s, ProfileSupply x) {
        s.put("name", x.name());
        JsonOut.flag(s, "poe", x.poe(), false);
        if (x.watts() > 0) {
            s.put("watts", x.watts());
        }
        x.volts().ifPresent(v -> s.putObject("volts").put("from", v.from()).put("to", v.to()));
    }

    static void sign(ObjectNode s, ProfileSign x) {
        s.put("look", x.look()).put("when", x.when()).put("shows", x.shows());
    }

    private static void application(ObjectNode n, ProfileApplication a) {
        n.put("name", a.name());
        if (a.kind() != ApplicationKind.OTHER) {
            n.put("kind", a.kind().word());
        }
        JsonOut.texts(n, "sends", words(a.sends()));
        JsonOut.texts(n, "takes", words(a.takes()));
        JsonOut.flag(n, "answersPolls", a.answersPolls(), true);
        if (a.merge() != Merge.HTP) {
            n.put("merge", a.merge().word());
        }
        if (!a.screenFirst().isEmpty()) {
            ObjectNode screen = n.putObject("screenFirst");
            new TreeMap<>(a.screenFirst()).forEach((protocol, first) -> screen.put(protocol.word(), first));
        }
        JsonOut.all(n, "ports", a.ports(), (p, x) -> {
            p.put("name", x.name());
            p.put("count", x.count());
            if (x.kind() != PortKind.DMX) {
                p.put("kind", x.kind().word());
            }
            if (!x.directions().equals(Set.of(Direction.OUTPUT))) {
                JsonOut.texts(p, "directions", words(x.directions()));
            }
            if (x.perPage() != 0) {
                p.put("perPage", x.perPage());
            }
            x.pixels().ifPresent(v -> p.put("pixels", v));
        });
        a.oscPort().ifPresent(v -> n.put("oscPort", v));
        JsonOut.flag(n, "storesShow", a.storesShow(), false);
        JsonOut.texts(n, "licences", a.licences());
        JsonOut.texts(n, "attachments", a.attachments());
        JsonOut.all(n, "limits", a.limits(), (l, x) -> {
            l.put("protocol", x.protocol().word());
            l.put("universes", x.universes());
            x.fromVersion().ifPresent(v -> l.put("fromVersion", v));
            x.licence().ifPresent(v -> l.put("licence", v));
            x.attached().ifPresent(v -> l.put("attached", v));
        });
        JsonOut.all(n, "needs", a.needs(), (o, x) -> {
            o.put("need", x.need().word());
            JsonOut.flag(o, "stops", x.stops(), true);
            JsonOut.text(o, "otherwise", x.otherwise(), "");
        });
        if (!a.start().equals(ProfileStart.NOTHING_SAID)) {
            ObjectNode start = n.putObject("start");
            if (a.start().seconds() > 0) {
                start.put("seconds", a.start().seconds());
            }
            JsonOut.texts(start, "after", words(a.start().after()));
            JsonOut.text(start, "sign", a.start().sign(), "");
        }
        JsonOut.texts(n, "accepts", a.accepts().stream().map(Subnet::toString).toList());
    }

    private static <E extends Enum<E> & Word> List<String> words(Set<E> set) {
        return set.stream().sorted().map(Word::word).toList();
    }
}
