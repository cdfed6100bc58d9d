package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.profile.ApplicationKind;
import zentrel.profile.ProfileApplication;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * A program that runs on a host; a device's firmware is one too.
 *
 * @param version its version, as it says it itself
 * @param bindings a binding for each purpose; a purpose that is not named is left to the system
 * @param outputs how it sends each protocol; a protocol that is not named is sent plainly
 * @param screens per protocol, how its screen shows a wire number; where not named it shows the number itself
 * @param osc how it takes OSC, if it does
 * @param installed what is installed of it: licence, attached hardware, stored show
 */
@RecordBuilder
public record Application(
        Id<Application> id,
        String name,
        Id<Host> host,
        ApplicationKind kind,
        Optional<Setting<String>> version,
        Map<Purpose, Setting<Binding>> bindings,
        Map<Protocol, ProtocolOutput> outputs,
        Map<Protocol, Screen> screens,
        Optional<OscInput> osc,
        Installed installed)
        implements Named, ApplicationBuilder.With {
    /** An application of which nothing is said beside its version. */
    public Application(
            Id<Application> id,
            String name,
            Id<Host> host,
            ApplicationKind kind,
            Optional<Setting<String>> version,
            Map<Purpose, Setting<Binding>> bindings,
            Map<Protocol, ProtocolOutput> outputs,
            Map<Protocol, Screen> screens,
            Optional<OscInput> osc) {
        this(id, name, host, kind, version, bindings, outputs, screens, osc, Installed.NOTHING_SAID);
    }

    public Application {
        PlainText.require("The name of a program", name);
        version.ifPresent(s -> PlainText.requireAll("A version", List.of(s.planned(), s.inForce())));
        bindings = Map.copyOf(bindings);
        outputs = Map.copyOf(outputs);
        screens = Map.copyOf(screens);
    }

    /** The binding in force for a purpose. */
    public Binding binding(Purpose purpose) {
        Setting<Binding> setting = bindings.get(purpose);
        return setting == null ? Binding.AUTOMATIC : setting.inForce();
    }

    public ProtocolOutput output(Protocol protocol) {
        return outputs.getOrDefault(protocol, ProtocolOutput.PLAIN);
    }

    /** How this application's own screen shows the numbers of a protocol. */
    public Screen screen(Protocol protocol) {
        return screens.getOrDefault(protocol, Screen.from(protocol.firstNumber()));
    }

    /** What this application's own screen shows for a wire number. */
    public String shown(Protocol protocol, int wire) {
        return screen(protocol).text(protocol, wire);
    }

    public Application withScreen(Protocol protocol, Screen value) {
        Map<Protocol, Screen> map = new EnumMap<>(Protocol.class);
        map.putAll(screens);
        map.put(protocol, value);
        return new Application(id, name, host, kind, version, bindings, outputs, map, osc, installed);
    }

    public Application withBinding(Purpose purpose, Setting<Binding> value) {
        Map<Purpose, Setting<Binding>> map = new EnumMap<>(Purpose.class);
        map.putAll(bindings);
        map.put(purpose, value);
        return new Application(id, name, host, kind, version, map, outputs, screens, osc, installed);
    }

    public Application withOutput(Protocol protocol, ProtocolOutput value) {
        Map<Protocol, ProtocolOutput> map = new EnumMap<>(Protocol.class);
        map.putAll(outputs);
        map.put(protocol, value);
        return new Application(id, name, host, kind, version, bindings, map, screens, osc, installed);
    }

    public Application withOsc(OscInput value) {
        return new Application(
                id, name, host, kind, version, bindings, outputs, screens, Optional.of(value), installed);
    }

    public Application withVersion(String value) {
        return new Application(
                id, name, host, kind, Optional.of(Setting.of(value)), bindings, outputs, screens, osc, installed);
    }

    public Application withVersion(Setting<String> value) {
        return new Application(id, name, host, kind, Optional.of(value), bindings, outputs, screens, osc, installed);
    }

    /** The most universes that it sends by a protocol for certain, as its profile says; empty where nothing limits it. */
    public Optional<Integer> limit(ProfileApplication profile, Protocol protocol) {
        return profile.limit(protocol, version.map(Setting::inForce), installed.licenceNow(), installed.attached());
    }

    /** The most that it may send where its version is not specified, as its profile says. */
    public Optional<Integer> limitAtBest(ProfileApplication profile, Protocol protocol) {
        return version.isPresent()
                ? limit(profile, protocol)
                : profile.limitOfAnyVersion(protocol, installed.licenceNow(), installed.attached());
    }
}
