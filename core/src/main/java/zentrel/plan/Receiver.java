package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * The part of an application that takes universes.
 *
 * @param protocols what it can take at all
 * @param inputOn its switch for taking streams
 * @param answersPolls whether it answers Art-Net polls
 * @param taking what it takes of what reaches it, and what it does when nothing comes
 */
@RecordBuilder
public record Receiver(
        Id<Receiver> id,
        String name,
        Id<Application> application,
        Set<Protocol> protocols,
        Setting<Boolean> inputOn,
        boolean answersPolls,
        Merge merge,
        ReceiverCapability taking,
        List<Port> ports)
        implements Named, ReceiverBuilder.With {
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
        this(id, name, application, protocols, inputOn, answersPolls, merge, ReceiverCapability.ALL, ports);
    }

    public Receiver {
        PlainText.require("The name of an input", name);
        protocols = Set.copyOf(protocols);
        ports = List.copyOf(ports);
    }

    public Receiver withInputOn(boolean value) {
        return withInputOn(Setting.of(value));
    }
}
