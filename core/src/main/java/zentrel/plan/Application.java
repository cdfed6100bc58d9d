package zentrel.plan;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/**
 * A program that runs on a host; a device's firmware is one too.
 *
 * @param version its version, as it says it itself
 * @param bindings a binding for each purpose; a purpose that is not named is left to the system
 * @param outputs how it sends each protocol; a protocol that is not named is sent plainly
 * @param screenFirst per protocol, what its screen shows for wire number 0 (Art-Net) or 1 (sACN): 0 or 1; where not named
 *     the screen shows the wire number
 * @param osc how it takes OSC, if it does
 * @param installed what is installed of it: licence, attached hardware, stored show
 */
public record Application(
        ApplicationId id,
        String name,
        HostId host,
        ApplicationKind kind,
        Optional<Setting<String>> version,
        Map<Purpose, Setting<Binding>> bindings,
        Map<Protocol, ProtocolOutput> outputs,
        Map<Protocol, Integer> screenFirst,
        Optional<OscInput> osc,
        Installed installed)
        implements Named {
    /** An application of which nothing is said beside its version. */
    public Application(
            ApplicationId id,
            String name,
            HostId host,
            ApplicationKind kind,
            Optional<Setting<String>> version,
            Map<Purpose, Setting<Binding>> bindings,
            Map<Protocol, ProtocolOutput> outputs,
            Map<Protocol, Integer> screenFirst,
            Optional<OscInput> osc) {
        this(id, name, host, kind, version, bindings, outputs, screenFirst, osc, Installed.NOTHING_SAID);
    }

    public Application {
        bindings = Map.copyOf(bindings);
        outputs = Map.copyOf(outputs);
        screenFirst = Map.copyOf(screenFirst);
    }

    /** The binding in force for a purpose. */
    public Binding binding(Purpose purpose) {
        Setting<Binding> setting = bindings.get(purpose);
        return setting == null ? Binding.AUTOMATIC : setting.inForce();
    }

    public ProtocolOutput output(Protocol protocol) {
        return outputs.getOrDefault(protocol, ProtocolOutput.PLAIN);
    }

    /** What this application's own screen shows for a wire number. */
    public int shown(Protocol protocol, int wire) {
        int firstOnWire = protocol.firstNumber();
        return wire - firstOnWire + screenFirst.getOrDefault(protocol, firstOnWire);
    }

    public Application withBinding(Purpose purpose, Setting<Binding> value) {
        Map<Purpose, Setting<Binding>> map = new EnumMap<>(Purpose.class);
        map.putAll(bindings);
        map.put(purpose, value);
        return new Application(id, name, host, kind, version, map, outputs, screenFirst, osc, installed);
    }

    public Application withOutput(Protocol protocol, ProtocolOutput value) {
        Map<Protocol, ProtocolOutput> map = new EnumMap<>(Protocol.class);
        map.putAll(outputs);
        map.put(protocol, value);
        return new Application(id, name, host, kind, version, bindings, map, screenFirst, osc, installed);
    }

    public Application withOsc(OscInput value) {
        return new Application(
                id, name, host, kind, version, bindings, outputs, screenFirst, Optional.of(value), installed);
    }

    public Application withVersion(String value) {
        return new Application(
                id, name, host, kind, Optional.of(Setting.of(value)), bindings, outputs, screenFirst, osc, installed);
    }

    public Application withVersion(Setting<String> value) {
        return new Application(
                id, name, host, kind, Optional.of(value), bindings, outputs, screenFirst, osc, installed);
    }

    public Application withName(String value) {
        return new Application(id, value, host, kind, version, bindings, outputs, screenFirst, osc, installed);
    }

    public Application withInstalled(Installed value) {
        return new Application(id, name, host, kind, version, bindings, outputs, screenFirst, osc, value);
    }
}
