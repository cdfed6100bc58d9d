package zentrel.plan;

import java.util.List;
import java.util.Set;

/**
 * The part of an application that takes universes.
 *
 * @param protocols what it can take at all
 * @param inputOn its switch for taking streams
 * @param answersPolls whether it answers Art-Net polls
 */
public record Receiver(
        ReceiverId id,
        String name,
        ApplicationId application,
        Set<Protocol> protocols,
        Setting<Boolean> inputOn,
        boolean answersPolls,
        Merge merge,
        List<Port> ports)
        implements Named {
    public Receiver {
        protocols = Set.copyOf(protocols);
        ports = List.copyOf(ports);
    }

    public Receiver withInputOn(boolean value) {
        return new Receiver(id, name, application, protocols, Setting.of(value), answersPolls, merge, ports);
    }

    public Receiver withName(String value) {
        return new Receiver(id, value, application, protocols, inputOn, answersPolls, merge, ports);
    }

    public Receiver withPorts(List<Port> value) {
        return new Receiver(id, name, application, protocols, inputOn, answersPolls, merge, value);
    }
}
