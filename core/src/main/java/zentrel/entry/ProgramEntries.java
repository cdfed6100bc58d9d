package zentrel.entry;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Need;
import zentrel.profile.Protocol;

/** What can be entered of programs. */
final class ProgramEntries {
    private static final int LAST_PORT = 65_535;

    private static final Format<Integer> UDP_PORT = Formats.whole("A UDP port", 1, LAST_PORT);

    private ProgramEntries() {}

    static List<Field<Application>> application() {
        FieldList<Application> list = new FieldList<>(Kind.APPLICATION)
                .value("name", "Name", "name", Formats.TEXT, Application::name, Application::withName)
                .value(
                        "device",
                        "Runs on",
                        "host",
                        Formats.reference(Kind.HOST),
                        Application::host,
                        ProgramEntries::movedTo)
                .value(
                        "kind",
                        "Kind",
                        "kind",
                        Formats.word(ApplicationKind.class),
                        Application::kind,
                        Application::withKind)
                .optionalSetting(
                        "version", "Version", "version", Formats.TEXT, Application::version, Application::withVersion)
                .optional(
                        "profile",
                        "Program of the profile",
                        "installed.profile",
                        Formats.TEXT,
                        a -> a.installed().profile(),
                        (a, p) -> a.withInstalled(a.installed().withProfile(p)))
                .optionalSetting(
                        "licence",
                        "Licence",
                        "installed.licence",
                        Formats.TEXT,
                        a -> a.installed().licence(),
                        (a, l) -> a.withInstalled(a.installed().withLicence(l)))
                .value(
                        "attached",
                        "Hardware attached",
                        "installed.attached",
                        Formats.list(Formats.TEXT),
                        a -> a.installed().attached(),
                        (a, l) -> a.withInstalled(a.installed().withAttached(l)))
                .optionalSetting(
                        "show",
                        "Stored show and its version",
                        "installed.show",
                        Formats.TEXT,
                        a -> a.installed().show(),
                        (a, s) -> a.withInstalled(a.installed().withShow(s)))
                .optionalSetting(
                        "running",
                        "Running",
                        "installed.running",
                        Formats.YES,
                        a -> a.installed().running(),
                        (a, r) -> a.withInstalled(a.installed().withRunning(r)))
                .optional(
                        "cid",
                        "sACN identity (CID)",
                        "installed.cid",
                        Formats.TEXT,
                        a -> a.installed().cid(),
                        (a, c) -> a.withInstalled(a.installed().withCid(c)))
                .group("Before it sends");
        for (Need need : Need.values()) {
            list.optionalSetting(
                    "met-" + need.word(),
                    need.title(),
                    "installed.met",
                    Formats.YES,
                    a -> Optional.ofNullable(a.installed().met().get(need)),
                    (a, is) -> a.withInstalled(a.installed().with(need, is)));
        }
        list.group("Bound to");
        for (Purpose purpose : Purpose.values()) {
            list.any(
                    "bind-" + purpose.word(),
                    purpose.title(),
                    "bindings",
                    BINDING_HINT,
                    (plan, a) -> binding(plan, a, purpose),
                    (plan, a, text) -> bound(plan, a, purpose, text));
        }
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            output(list, protocol);
        }
        return osc(list).all();
    }

    private static final Format<Binding> BINDING_HINT = Formats.of(
            Binding::toString, text -> Binding.AUTOMATIC, "its adapters, or automatic, all, first, loopback");

    private static Field.Shown binding(Plan plan, Application a, Purpose purpose) {
        Format<Binding> format = NetworkFormats.binding(plan.index().host(a.host()));
        Setting<Binding> setting = a.bindings().get(purpose);
        return setting == null
                ? new Field.Shown("", Optional.empty())
                : new Field.Shown(
                        format.shown(plan, setting.inForce()),
                        setting.isPending() ? Optional.of(format.shown(plan, setting.planned())) : Optional.empty());
    }

    private static Plan bound(Plan plan, Application a, Purpose purpose, String text) {
        Map<Purpose, Setting<Binding>> next = new LinkedHashMap<>(a.bindings());
        if (text.isEmpty()) {
            next.remove(purpose);
        } else {
            next.put(
                    purpose,
                    Setting.of(
                            NetworkFormats.binding(plan.index().host(a.host())).read(plan, text)));
        }
        return plan.with(a.id(), x -> x.withBindings(next));
    }

    /** A program on another device is bound to none of the adapters that it had. */
    private static Application movedTo(Application a, Id<Host> device) {
        return a.host().equals(device) ? a : a.withHost(device).withBindings(Map.of());
    }

    private static void output(FieldList<Application> list, Protocol protocol) {
        String word = protocol.word();
        list.group(protocol.title() + " output")
                .optionalSetting(
                        word + "-output",
                        "Output",
                        "outputs.enabled",
                        Formats.ON,
                        a -> Optional.ofNullable(a.outputs().get(protocol)).map(ProtocolOutput::enabled),
                        (a, on) -> on.map(s -> a.withOutput(
                                        protocol, a.output(protocol).withEnabled(s)))
                                .orElseGet(() -> withoutOutput(a, protocol)))
                .optionalSetting(
                        word + "-also-here",
                        "Also to this computer",
                        "outputs.alsoHere",
                        Formats.ON,
                        a -> a.output(protocol).alsoHere(),
                        (a, on) -> on.equals(a.output(protocol).alsoHere())
                                ? a
                                : a.withOutput(protocol, a.output(protocol).withAlsoHere(on)))
                .optionalSetting(
                        word + "-own-levels",
                        "Own levels beside its input",
                        "outputs.ownLevels",
                        Formats.ON,
                        a -> a.output(protocol).ownLevels(),
                        (a, on) -> on.equals(a.output(protocol).ownLevels())
                                ? a
                                : a.withOutput(protocol, a.output(protocol).withOwnLevels(on)))
                .optional(
                        word + "-ttl",
                        "Time to live (TTL)",
                        "outputs.ttl",
                        Formats.whole("A TTL", 0, 255),
                        a -> a.output(protocol).ttl(),
                        (a, t) -> t.equals(a.output(protocol).ttl())
                                ? a
                                : a.withOutput(protocol, a.output(protocol).withTtl(t)))
                .optional(
                        word + "-source-port",
                        "Sends from UDP port",
                        "outputs.sourcePort",
                        UDP_PORT,
                        a -> a.output(protocol).sourcePort(),
                        (a, o) -> o.equals(a.output(protocol).sourcePort())
                                ? a
                                : a.withOutput(protocol, a.output(protocol).withSourcePort(o)))
                .value(
                        word + "-ranges",
                        "Universes and their numbers",
                        "outputs.ranges",
                        Formats.list(NetworkFormats.LABEL_RANGE),
                        a -> a.output(protocol).ranges(),
                        (a, r) -> r.equals(a.output(protocol).ranges())
                                ? a
                                : a.withOutput(protocol, a.output(protocol).withRanges(r)))
                .optional(
                        word + "-screen",
                        "Its screen counts",
                        "screens",
                        NetworkFormats.SCREEN,
                        a -> Optional.ofNullable(a.screens().get(protocol)),
                        (a, s) -> withScreen(a, protocol, s));
        if (protocol == Protocol.SACN) {
            list.optional(
                    "sacn-sync",
                    "Sends synchronisation on",
                    "outputs.sync",
                    Formats.whole("A universe of sACN", 1, Protocol.SACN.lastNumber()),
                    a -> a.output(protocol).sync(),
                    (a, s) -> s.equals(a.output(protocol).sync())
                            ? a
                            : a.withOutput(protocol, a.output(protocol).withSync(s)));
        }
    }

    private static Application withoutOutput(Application a, Protocol protocol) {
        Map<Protocol, ProtocolOutput> next = new LinkedHashMap<>(a.outputs());
        next.remove(protocol);
        return a.withOutputs(next);
    }

    private static Application withScreen(Application a, Protocol protocol, Optional<Screen> screen) {
        Map<Protocol, Screen> next = new LinkedHashMap<>(a.screens());
        next.remove(protocol);
        screen.ifPresent(s -> next.put(protocol, s));
        return a.withScreens(next);
    }

    private static FieldList<Application> osc(FieldList<Application> list) {
        return list.group("OSC input")
                .optionalSetting(
                        "osc-port",
                        "Listens on port",
                        "osc.port",
                        UDP_PORT,
                        a -> a.osc().map(OscInput::port),
                        (a, p) -> a.withOsc(
                                p.map(s -> a.osc().map(o -> o.withPort(s)).orElse(OscInput.on(s)))))
                .optionalSetting(
                        "osc-receiving",
                        "Receiving",
                        "osc.receiving",
                        Formats.ON,
                        a -> a.osc().map(OscInput::receiving),
                        (a, r) -> a.withOsc(
                                r.isEmpty() ? Optional.empty() : Optional.of(input(a).withReceiving(r.get()))))
                .optionalSetting(
                        "osc-handling",
                        "Messages act in the show",
                        "osc.handling",
                        Formats.ON,
                        a -> a.osc().map(OscInput::handling),
                        (a, h) ->
                                a.withOsc(h.isEmpty() ? Optional.empty() : Optional.of(input(a).withHandling(h.get()))))
                .value(
                        "osc-transport",
                        "Takes OSC by",
                        "osc.transport",
                        Formats.choice(List.of(LinkTransport.values()), LinkTransport::title, Format.Control.CHOICE),
                        a -> a.osc().map(OscInput::transport).orElse(LinkTransport.UDP),
                        (a, t) -> t == LinkTransport.UDP && a.osc().isEmpty()
                                ? a
                                : a.withOsc(Optional.of(input(a).withTransport(t))))
                .value(
                        "osc-addresses",
                        "OSC addresses it has",
                        "osc.addresses",
                        Formats.list(Formats.TEXT),
                        a -> a.osc().map(OscInput::addresses).orElse(List.of()),
                        (a, t) -> t.isEmpty() && a.osc().isEmpty()
                                ? a
                                : a.withOsc(Optional.of(input(a).withAddresses(t))));
    }

    private static OscInput input(Application a) {
        return a.osc().orElseThrow(() -> new IllegalArgumentException("Enter the OSC port first."));
    }
}
