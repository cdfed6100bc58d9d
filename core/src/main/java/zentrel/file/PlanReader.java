package zentrel.file;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.file.JsonPlace.Misplaced;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.universe.SacnUniverse;

/** Turns the JSON of a plan file into a plan. Whatever the bytes, it returns a plan or throws one clear sentence. */
public final class PlanReader {
    /** The format that this version writes. Newer files are read too; what is not known is kept. */
    public static final int FORMAT = 1;

    /** What a cable may end at. */
    private static final Map<Class<? extends Id>, Function<String, Id>> ENDS = Map.of(
            HostId.class, HostId::new,
            AdapterId.class, AdapterId::new,
            PortId.class, PortId::new,
            LineId.class, LineId::new,
            FixtureId.class, FixtureId::new);

    /** What may keep a copy. */
    private static final Map<Class<? extends Id>, Function<String, Id>> OWNERS =
            Map.of(ApplicationId.class, ApplicationId::new, HostId.class, HostId::new);

    /** What may be copied. */
    private static final Map<Class<? extends Id>, Function<String, Id>> COPIED = Map.of(
            AdapterId.class, AdapterId::new,
            PortId.class, PortId::new,
            ApplicationId.class, ApplicationId::new,
            HostId.class, HostId::new,
            UniverseId.class, UniverseId::new);

    /** What may be seen. */
    private static final Map<Class<? extends Id>, Function<String, Id>> SIGNALS =
            Map.of(StreamId.class, StreamId::new, LinkId.class, LinkId::new);

    /** Where what is seen goes to. */
    private static final Map<Class<? extends Id>, Function<String, Id>> RECEIVERS =
            Map.of(PortId.class, PortId::new, ApplicationId.class, ApplicationId::new);

    private record Reference(JsonPlace place, String id, Class<? extends Id> type) {}

    private final List<UnknownFields.Field> unknown = new ArrayList<>();
    private final Map<String, JsonPlace> declared = new HashMap<>();
    private final Map<String, Class<? extends Id>> types = new HashMap<>();
    private final List<Reference> references = new ArrayList<>();

    private PlanReader() {}

    /**
     * Reads a plan.
     *
     * @throws PlanFileException with one sentence that names the line, and the field where there is one
     */
    public static LoadedPlan read(byte[] bytes) throws PlanFileException {
        PlanReader reader = new PlanReader();
        Plan plan = document(bytes, "plan", reader.unknown, reader::plan);
        return new LoadedPlan(plan, new UnknownFields(reader.unknown));
    }

    /** Reads a JSON document of ours and turns every complaint into a sentence that names the place. */
    static <T> T document(byte[] bytes, String what, List<UnknownFields.Field> unknown, Function<JsonPlace, T> reader)
            throws PlanFileException {
        String text = decode(bytes, what);
        @Nullable JsonNode tree;
        try {
            tree = JsonTree.read(text);
        } catch (JsonProcessingException e) {
            throw new PlanFileException(syntax(e, what), e);
        } catch (IOException e) {
            throw new PlanFileException("The " + what + " file cannot be read: " + e.getMessage() + ".", e);
        }
        if (tree == null) {
            throw new PlanFileException("The " + what + " file is empty.");
        }
        try {
            return reader.apply(JsonPlace.root(tree, unknown));
        } catch (Misplaced e) {
            throw new PlanFileException(sentence(text, e, what), e);
        }
    }

    private static String decode(byte[] bytes, String what) throws PlanFileException {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new PlanFileException(
                    "The " + what + " file is not text in UTF-8, so it is damaged or not a " + what + ".", e);
        }
    }

    private static String syntax(JsonProcessingException e, String file) {
        JsonLocation location = e.getLocation();
        String where =
                location == null ? "" : " at line " + location.getLineNr() + ", column " + location.getColumnNr();
        // the parser's words name its own settings where they say where something began
        String what = e instanceof JsonEOFException
                ? "it ends before it is whole."
                : String.valueOf(e.getOriginalMessage())
                        .split("\n", 2)[0]
                        .replaceAll(" *(\\([^(]*|at )?\\[Source: .*", "");
        return "The " + file + " file is not readable JSON" + where + ": "
                + (what.length() > 200 ? what.substring(0, 200) + "…" : what);
    }

    private static String sentence(String text, Misplaced e, String what) {
        String path = e.place().path();
        String where = path.isEmpty() ? "In the " + what + " file" : "In the " + what + " file at " + path;
        return where
                + line(text, e.place().steps()).map(l -> " (line " + l + ")").orElse("") + ": " + e.getMessage()
                + (String.valueOf(e.getMessage()).endsWith(".") ? "" : ".");
    }

    /** Finds the line of a place by reading the text once more; only done when there is something to complain about. */
    private static Optional<Integer> line(String text, List<String> steps) {
        try (JsonParser parser = JsonTree.parser(text)) {
            parser.nextToken();
            for (String step : steps) {
                if (!enter(parser, step)) {
                    break;
                }
            }
            return Optional.of(parser.currentTokenLocation().getLineNr());
        } catch (IOException e) {
            return Optional.empty(); // the text was read before, so this is no news worth a second complaint
        }
    }

    private static boolean enter(JsonParser parser, String step) throws IOException {
        if (parser.currentToken() == JsonToken.START_OBJECT) {
            while (parser.nextToken() == JsonToken.FIELD_NAME) {
                boolean wanted = parser.currentName().equals(step);
                parser.nextToken();
                if (wanted) {
                    return true;
                }
                parser.skipChildren();
            }
            return false;
        }
        if (parser.currentToken() == JsonToken.START_ARRAY) {
            int index = Integer.parseInt(step);
            for (int i = 0; i <= index; i++) {
                parser.nextToken();
                if (i < index) {
                    parser.skipChildren();
                }
            }
            return true;
        }
        return false;
    }

    // --- ids and references ---

    private <I extends Id> I declare(JsonPlace place, Function<String, I> id, Class<I> type) {
        place.requireObject();
        JsonPlace field = place.need("id");
        I made = field.parsed(id);
        JsonPlace earlier = declared.putIfAbsent(made.value(), field);
        if (earlier != null) {
            throw field.wrong("the id \"" + made.value() + "\" is already used at " + earlier.path()
                    + "; every id of a plan is its own");
        }
        types.put(made.value(), type);
        place.ownedBy(made.value());
        return made;
    }

    private <I extends Id> I refer(JsonPlace place, Function<String, I> id, Class<I> type) {
        I made = place.parsed(id);
        references.add(new Reference(place, made.value(), type));
        return made;
    }

    private void checkReferences() {
        for (Reference reference : references) {
            Class<? extends Id> type = types.get(reference.id());
            String wanted = reference.type().getSimpleName().replace("Id", "").toLowerCase(java.util.Locale.ROOT);
            if (type == null) {
                throw reference.place().wrong("the plan has no " + wanted + " \"" + reference.id() + "\"");
            }
            if (!type.equals(reference.type())) {
                throw reference
                        .place()
                        .wrong("\"" + reference.id() + "\" is a "
                                + type.getSimpleName().replace("Id", "").toLowerCase(java.util.Locale.ROOT) + ", and a "
                                + wanted + " belongs here");
            }
        }
    }

    /** A line passed on by others must start at a port in the end. */
    private void checkLines(Plan plan) {
        for (Line line : plan.lines()) {
            Set<LineId> seen = new HashSet<>();
            Line at = line;
            while (at.via().isPresent()) {
                if (!seen.add(at.id())) {
                    JsonPlace place =
                            Objects.requireNonNull(declared.get(line.id().value()), "every line is declared");
                    throw place.wrong(
                            "the line \"" + line.id().value() + "\" is passed on in a ring and never starts at a port");
                }
                at = plan.index().line(at.via().get().from());
            }
        }
    }

    private <T> List<T> all(JsonPlace root, String field, Function<JsonPlace, T> reader) {
        List<T> list = new ArrayList<>();
        for (JsonPlace place : root.list(field)) {
            place.requireObject();
            T item;
            try {
                item = reader.apply(place);
            } catch (Misplaced e) {
                throw e;
            } catch (IllegalArgumentException e) {
                throw place.wrong(String.valueOf(e.getMessage()));
            }
            place.done();
            list.add(item);
        }
        return list;
    }

    // --- the plan ---

    private Plan plan(JsonPlace root) {
        root.requireObject();
        int format = root.need("zentrel-plan").integer(1, Integer.MAX_VALUE);
        String name = root.text("name", "Untitled");
        List<Profile> profiles = profiles(root);
        Plan plan = new Plan(
                name,
                all(root, "segments", this::segment),
                all(root, "hosts", this::host),
                all(root, "applications", this::application),
                all(root, "universes", this::universe),
                all(root, "streams", this::stream),
                all(root, "receivers", this::receiver),
                all(root, "lines", this::line),
                all(root, "fixtures", this::fixture),
                all(root, "links", this::link),
                all(root, "attachments", this::attachment),
                all(root, "sessions", this::session),
                all(root, "cables", this::cable),
                all(root, "copies", this::copy),
                all(root, "sightings", this::sighting),
                profiles);
        root.done();
        if (format > FORMAT) {
            unknown.add(new UnknownFields.Field(
                    "", List.of(), "zentrel-plan", com.fasterxml.jackson.databind.node.IntNode.valueOf(format)));
        }
        checkReferences();
        checkLines(plan);
        return plan;
    }

    private Segment segment(JsonPlace p) {
        SegmentId id = declare(p, SegmentId::new, SegmentId.class);
        return new Segment(
                id,
                p.text("name", id.value()),
                p.optional("subnet").map(s -> s.parsed(Subnet::parse)),
                p.bool("wayOut", false),
                p.bool("guests", false),
                p.bool("isolated", false));
    }

    /** A word, or as older files have it whether there is any check. */
    private static SourceCheck sourceCheck(JsonPlace place) {
        return place.isBoolean() ? place.bool() ? SourceCheck.LOOSE : SourceCheck.NONE : place.word(SourceCheck.class);
    }

    private Host host(JsonPlace p) {
        HostId id = declare(p, HostId::new, HostId.class);
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
                all(p, "adapters", this::adapter),
                p.optional("firewall").map(this::firewall).orElse(Firewall.OPEN),
                p.optional("sourceCheck").map(PlanReader::sourceCheck).orElse(SourceCheck.NONE),
                p.optional("power").map(this::power).orElse(Power.ON),
                p.optional("switching").map(PlanReader::switching).orElse(Switching.PLAIN));
    }

    private Power power(JsonPlace p) {
        p.requireObject();
        Power power = new Power(
                p.bool("on", true),
                p.list("supplies").stream().map(JsonPlace::text).toList());
        p.done();
        return power;
    }

    private static Switching switching(JsonPlace p) {
        p.requireObject();
        Switching switching = new Switching(
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

    private List<Profile> profiles(JsonPlace root) {
        Map<String, JsonPlace> known = new HashMap<>();
        return all(root, "profiles", p -> {
            Profile profile = ProfileFields.read(p);
            JsonPlace earlier = known.putIfAbsent(profile.id(), p);
            if (earlier != null) {
                throw p.wrong("the profile \"" + profile.id() + "\" is already described at " + earlier.path());
            }
            return profile;
        });
    }

    private Firewall firewall(JsonPlace p) {
        p.requireObject();
        Set<Traffic> allows = new HashSet<>();
        p.list("allows").forEach(a -> allows.add(a.word(Traffic.class)));
        Firewall firewall = new Firewall(p.setting("barsInbound", JsonPlace::bool, false), allows);
        p.done();
        return firewall;
    }

    private Adapter adapter(JsonPlace p) {
        AdapterId id = declare(p, AdapterId::new, AdapterId.class);
        Optional<SegmentId> segment = p.optional("segment").map(s -> refer(s, SegmentId::new, SegmentId.class));
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
                p.list("routes").stream().map(PlanReader::route).toList(),
                p.optional("metric").map(m -> m.integer(0, 1_000_000)),
                p.optional("dhcpServer").map(PlanReader::dhcpServer),
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

    private AdapterAddress address(JsonPlace p) {
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

    private Application application(JsonPlace p) {
        ApplicationId id = declare(p, ApplicationId::new, ApplicationId.class);
        Map<Purpose, Setting<Binding>> bindings = new EnumMap<>(Purpose.class);
        p.optional("bindings")
                .ifPresent(b -> b.members()
                        .forEach((purpose, value) ->
                                bindings.put(named(value, purpose, Purpose.class), value.setting(this::binding))));
        Map<Protocol, ProtocolOutput> outputs = new EnumMap<>(Protocol.class);
        p.optional("outputs")
                .ifPresent(o -> o.members()
                        .forEach((protocol, value) ->
                                outputs.put(named(value, protocol, Protocol.class), output(value))));
        Map<Protocol, Screen> screen = new EnumMap<>(Protocol.class);
        p.optional("screenFirst")
                .ifPresent(s -> s.members()
                        .forEach((protocol, value) ->
                                screen.put(named(value, protocol, Protocol.class), Screen.from(value.integer(0, 1)))));
        p.optional("screens")
                .ifPresent(s -> s.members()
                        .forEach((protocol, value) ->
                                screen.put(named(value, protocol, Protocol.class), screen(value))));
        return new Application(
                id,
                p.text("name", id.value()),
                refer(p.need("host"), HostId::new, HostId.class),
                p.word("kind", ApplicationKind.class, ApplicationKind.OTHER),
                p.optional("version").map(v -> v.setting(JsonPlace::text)),
                bindings,
                outputs,
                screen,
                p.optional("osc").map(this::osc),
                new Installed(
                        p.optional("profile").map(JsonPlace::text),
                        p.optional("licence").map(JsonPlace::text),
                        p.list("attached").stream().map(JsonPlace::text).toList(),
                        p.optional("show").map(s -> s.setting(JsonPlace::text)),
                        p.optional("cid").map(JsonPlace::text)));
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

    static <E extends Enum<E> & Word> E named(JsonPlace place, String word, Class<E> type) {
        List<String> words = new ArrayList<>();
        for (E constant : type.getEnumConstants()) {
            if (constant.word().equals(word)) {
                return constant;
            }
            words.add(constant.word());
        }
        throw place.wrong("\"" + word + "\" is not known here; write one of " + String.join(", ", words));
    }

    private Binding binding(JsonPlace p) {
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
        List<AdapterId> ids = new ArrayList<>();
        Map<AdapterId, Ipv4Address> addresses = new HashMap<>();
        for (JsonPlace e : p.elements()) {
            if (e.isText()) {
                ids.add(refer(e, AdapterId::new, AdapterId.class));
                continue;
            }
            e.requireObject();
            AdapterId id = refer(e.need("adapter"), AdapterId::new, AdapterId.class);
            ids.add(id);
            e.optional("address").ifPresent(a -> addresses.put(id, a.parsed(Ipv4Address::parse)));
            e.done();
        }
        if (ids.isEmpty()) {
            throw p.wrong("a binding names at least one adapter, or says automatic, all, first or loopback");
        }
        return new Binding(BindingMode.ADAPTERS, ids, addresses);
    }

    private ProtocolOutput output(JsonPlace p) {
        p.requireObject();
        List<LabelRange> ranges = all(
                p,
                "ranges",
                r -> new LabelRange(
                        r.need("first").anyInteger(),
                        r.need("last").anyInteger(),
                        r.need("offset").integer(-100_000, 100_000)));
        ProtocolOutput output = new ProtocolOutput(
                p.setting("enabled", JsonPlace::bool, true),
                ranges,
                p.optional("syncOn").map(s -> s.integer(1, SacnUniverse.LAST)));
        p.done();
        return output;
    }

    private OscInput osc(JsonPlace p) {
        p.requireObject();
        List<String> targets = new ArrayList<>();
        p.list("targets").forEach(t -> targets.add(oscAddress(t)));
        OscInput osc = new OscInput(
                p.need("port").setting(v -> v.integer(1, 65535)),
                p.setting("receiving", JsonPlace::bool, true),
                p.setting("handling", JsonPlace::bool, true),
                targets);
        p.done();
        return osc;
    }

    private Universe universe(JsonPlace p) {
        UniverseId id = declare(p, UniverseId::new, UniverseId.class);
        return new Universe(id, p.text("name", ""), p.need("number").integer(0, 1_000_000), p.bool("merge", false));
    }

    private static Delivery usualDelivery(Protocol protocol, boolean typedIn) {
        if (!protocol.onNetwork()) {
            return Delivery.DIRECT;
        }
        return typedIn ? Delivery.UNICAST : protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
    }

    private Stream stream(JsonPlace p) {
        StreamId id = declare(p, StreamId::new, StreamId.class);
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
                refer(p.need("application"), ApplicationId::new, ApplicationId.class),
                refer(p.need("universe"), UniverseId::new, UniverseId.class),
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
                p.optional("sync").map(s -> s.integer(1, SacnUniverse.LAST)));
    }

    private static Taking taking(JsonPlace p) {
        Map<Protocol, List<NumberRange>> ranges = new EnumMap<>(Protocol.class);
        p.optional("takes")
                .ifPresent(t -> t.members()
                        .forEach((protocol, value) ->
                                ranges.put(named(value, protocol, Protocol.class), numbers(value))));
        return new Taking(
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

    private Receiver receiver(JsonPlace p) {
        ReceiverId id = declare(p, ReceiverId::new, ReceiverId.class);
        Set<Protocol> protocols = new HashSet<>();
        p.list("protocols").forEach(x -> protocols.add(x.word(Protocol.class)));
        List<Port> ports = all(p, "ports", this::port);
        if (protocols.isEmpty()) {
            protocols.addAll(usualProtocols(ports));
        }
        return new Receiver(
                id,
                p.text("name", id.value()),
                refer(p.need("application"), ApplicationId::new, ApplicationId.class),
                protocols,
                p.setting("inputOn", JsonPlace::bool, true),
                p.bool("answersPolls", true),
                p.word("merge", Merge.class, Merge.HTP),
                taking(p),
                ports);
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

    private Port port(JsonPlace p) {
        PortId id = declare(p, PortId::new, PortId.class);
        return new Port(
                id,
                p.text("name", id.value()),
                p.word("kind", PortKind.class, PortKind.DMX),
                p.setting("direction", v -> v.word(Direction.class), Direction.OUTPUT),
                p.setting("enabled", JsonPlace::bool, true),
                p.need("protocol").setting(v -> v.word(Protocol.class)),
                p.optional("wire").map(w -> w.setting(JsonPlace::anyInteger)),
                p.optional("universe").map(u -> refer(u, UniverseId::new, UniverseId.class)));
    }

    private Line line(JsonPlace p) {
        LineId id = declare(p, LineId::new, LineId.class);
        return new Line(
                id,
                p.text("name", id.value()),
                refer(p.need("port"), PortId::new, PortId.class),
                p.optional("via").map(this::via));
    }

    private Via via(JsonPlace p) {
        p.requireObject();
        Via via = new Via(
                refer(p.need("device"), HostId::new, HostId.class), refer(p.need("from"), LineId::new, LineId.class));
        p.done();
        return via;
    }

    /** Read after everything that a cable may end at, so that an end is known for what it is. */
    private Cable cable(JsonPlace p) {
        CableId id = declare(p, CableId::new, CableId.class);
        return new Cable(
                id,
                p.text("name", id.value()),
                p.word("kind", CableKind.class, CableKind.NETWORK),
                known(p.need("from"), "a cable ends at a host, an adapter, a port, a line or a fixture", ENDS),
                known(p.need("to"), "a cable ends at a host, an adapter, a port, a line or a fixture", ENDS),
                p.bool("connected", true));
    }

    private TypedCopy copy(JsonPlace p) {
        CopyId id = declare(p, CopyId::new, CopyId.class);
        return new TypedCopy(
                id,
                p.text("name", id.value()),
                known(p.need("owner"), "a copy is kept by an application, or printed on a host", OWNERS),
                known(p.need("of"), "a copy is of an adapter, a port, an application, a host or a universe", COPIED),
                p.need("value").setting(JsonPlace::text));
    }

    private Sighting sighting(JsonPlace p) {
        return new Sighting(
                known(p.need("signal"), "what was seen is a stream or a link", SIGNALS),
                known(p.need("receiver"), "a signal goes to a port or a program", RECEIVERS),
                p.need("hop").integer(1, 1000),
                p.need("answer").word(Answer.class),
                p.need("at").parsed(PlanReader::instant),
                p.text("by", ""));
    }

    private static Instant instant(String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("\"" + text + "\" is no time; write it as 2026-11-26T08:30:00Z", e);
        }
    }

    /**
     * An id of something read before, as the kind of thing that it is.
     *
     * @param may the kinds that it may be
     */
    private Id known(JsonPlace p, String what, Map<Class<? extends Id>, Function<String, Id>> may) {
        String text = p.text();
        Class<? extends Id> type = types.get(text);
        if (type == null || !may.containsKey(type)) {
            throw p.wrong(what + ", and the plan has none called \"" + text + "\"");
        }
        return may.get(type).apply(text);
    }

    private Fixture fixture(JsonPlace p) {
        FixtureId id = declare(p, FixtureId::new, FixtureId.class);
        List<Break> breaks = all(
                p,
                "breaks",
                b -> new Break(
                        refer(b.need("universe"), UniverseId::new, UniverseId.class),
                        b.need("start").integer(1, 100_000),
                        b.optional("footprint").map(f -> f.integer(1, 100_000)).orElse(1),
                        b.optional("line").map(l -> refer(l, LineId::new, LineId.class))));
        return new Fixture(
                id,
                p.text("number", ""),
                p.text("name", id.value()),
                p.text("place", ""),
                p.text("type", ""),
                p.optional("line").map(l -> refer(l, LineId::new, LineId.class)),
                breaks,
                p.bool("sharesSlots", false),
                p.optional("unitLoads").map(l -> l.number(0, 32)).orElse(1.0));
    }

    private static String oscAddress(JsonPlace p) {
        String address = p.text();
        if (!address.startsWith("/")) {
            throw p.wrong("an OSC address starts with a slash, such as /cue/go");
        }
        return address;
    }

    private ControlLink link(JsonPlace p) {
        LinkId id = declare(p, LinkId::new, LinkId.class);
        String pattern = oscAddress(p.need("pattern"));
        return new ControlLink(
                id,
                p.text("name", id.value()),
                refer(p.need("from"), ApplicationId::new, ApplicationId.class),
                refer(p.need("to"), ApplicationId::new, ApplicationId.class),
                p.need("destination").setting(v -> v.parsed(Ipv4Address::parse)),
                p.need("port").setting(v -> v.integer(1, 65535)),
                pattern,
                p.setting("enabled", JsonPlace::bool, true),
                p.bool("answer", false),
                p.optional("answerPort").map(a -> a.setting(v -> v.integer(1, 65535))));
    }

    private Attachment attachment(JsonPlace p) {
        LinkId id = declare(p, LinkId::new, LinkId.class);
        return new Attachment(
                id,
                p.text("name", id.value()),
                refer(p.need("from"), ApplicationId::new, ApplicationId.class),
                refer(p.need("to"), ApplicationId::new, ApplicationId.class),
                p.setting("sending", JsonPlace::bool, true),
                p.setting("chosen", JsonPlace::bool, true),
                p.optional("destination").map(d -> d.setting(v -> v.parsed(Ipv4Address::parse))),
                p.word("versions", VersionRule.class, VersionRule.EXACT),
                p.optional("driver").map(JsonPlace::text),
                p.text("sign", ""));
    }

    private Session session(JsonPlace p) {
        SessionId id = declare(p, SessionId::new, SessionId.class);
        return new Session(
                id,
                p.text("name", id.value()),
                p.text("key", ""),
                p.word("versions", VersionRule.class, VersionRule.EXACT),
                all(
                        p,
                        "members",
                        m -> new Session.Member(
                                refer(m.need("application"), ApplicationId::new, ApplicationId.class),
                                m.word("part", Part.class, Part.REMOTE))));
    }
}
