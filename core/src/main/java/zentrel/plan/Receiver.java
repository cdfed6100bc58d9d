package zentrel.plan;

import java.util.List;
import java.util.Set;
import zentrel.text.PlainText;

/**
 * The part of an application that takes universes.
 *
 * @param protocols what it can take at all
 * @param inputOn its switch for taking streams
 * @param answersPolls whether it answers Art-Net polls
 * @param taking what it takes of what reaches it, and what it does when nothing comes
 */
public record Receiver(
        Id<Receiver> id,
        String name,
        Id<Application> application,
        Set<Protocol> protocols,
        Setting<Boolean> inputOn,
        boolean answersPolls,
        Merge merge,
        Taking taking,
        List<Port> ports)
        implements Named {
    /** A receiver that takes every number of its protocols. */
    public Receiver(
            Id<Receiver> id,
            String name,
            Id<Application> application,
            Set<Protocol> protocols,
            Setting<Boolean> inputOn,
            boolean answersPolls,
            Merge merge,
            List<Port> ports) {
        this(id, name, application, protocols, inputOn, answersPolls, merge, Taking.ALL, ports);
    }

    public Receiver {
        PlainText.require("The name of an input", name);
        protocols = Set.copyOf(protocols);
        ports = List.copyOf(ports);
    }

    public Receiver withInputOn(boolean value) {
        return withInputOn(Setting.of(value));
    }

    public Receiver withInputOn(Setting<Boolean> value) {
        return new Receiver(id, name, application, protocols, value, answersPolls, merge, taking, ports);
    }

    public Receiver withMerge(Merge value) {
        return new Receiver(id, name, application, protocols, inputOn, answersPolls, value, taking, ports);
    }

    public Receiver withTaking(Taking value) {
        return new Receiver(id, name, application, protocols, inputOn, answersPolls, merge, value, ports);
    }

    public Receiver withAnswersPolls(boolean value) {
        return new Receiver(id, name, application, protocols, inputOn, value, merge, taking, ports);
    }

    public Receiver withName(String value) {
        return new Receiver(id, value, application, protocols, inputOn, answersPolls, merge, taking, ports);
    }

    public Receiver withPorts(List<Port> value) {
        return new Receiver(id, name, application, protocols, inputOn, answersPolls, merge, taking, value);
    }
}
