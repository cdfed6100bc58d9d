package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * A DMX connector of a device, or an input inside an application.
 *
 * @param wire the universe number it is set to, in its protocol's numbering; empty where nobody has said
 * @param universe the universe it is meant for; where not given, that of the fixtures on its line
 */
@RecordBuilder
public record Port(
        Id<Port> id,
        String name,
        PortKind kind,
        Setting<Direction> direction,
        Setting<Boolean> enabled,
        Setting<Protocol> protocol,
        Optional<Setting<Integer>> wire,
        Optional<Id<Universe>> universe)
        implements Named, PortBuilder.With {
    public Port {
        PlainText.require("The name of a port", name);
    }

    public Port withDirection(Direction value) {
        return withDirection(Setting.of(value));
    }

    public Port withEnabled(boolean value) {
        return withEnabled(Setting.of(value));
    }

    public Port withProtocol(Protocol value) {
        return withProtocol(Setting.of(value));
    }

    /** This port as it puts out a universe that comes by this number. */
    public Port puttingOut(Id<Universe> universe, Protocol by, int number) {
        return withProtocol(by)
                .withWire(number)
                .withDirection(Direction.OUTPUT)
                .withEnabled(true)
                .withUniverse(Optional.of(universe));
    }

    public Port withWire(int value) {
        return withWire(Setting.of(value));
    }

    public Port withWire(Setting<Integer> value) {
        return new Port(id, name, kind, direction, enabled, protocol, Optional.of(value), universe);
    }
}
