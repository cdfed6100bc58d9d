package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.text.PlainText;

/**
 * OSC from one application to another.
 *
 * @param destination the address typed in at the sender
 * @param port the UDP port typed in at the sender
 * @param pattern the OSC address that is sent
 * @param answer whether the sender needs to hear back
 * @param answerPort where the receiver answers to; where not given, to the port it came from
 */
@RecordBuilder
public record ControlLink(
        Id<ControlLink> id,
        String name,
        Id<Application> from,
        Id<Application> to,
        Setting<Ipv4Address> destination,
        Setting<Integer> port,
        String pattern,
        Setting<Boolean> enabled,
        boolean answer,
        Optional<Setting<Integer>> answerPort)
        implements Named, ControlLinkBuilder.With {
    public ControlLink {
        PlainText.require("The name of a control link", name);
        PlainText.require("An OSC address", pattern);
    }

    public ControlLink withDestination(Ipv4Address value) {
        return new ControlLink(id, name, from, to, Setting.of(value), port, pattern, enabled, answer, answerPort);
    }

    public ControlLink withPort(int value) {
        return new ControlLink(
                id, name, from, to, destination, Setting.of(value), pattern, enabled, answer, answerPort);
    }

    public ControlLink withEnabled(boolean value) {
        return new ControlLink(id, name, from, to, destination, port, pattern, Setting.of(value), answer, answerPort);
    }

    public ControlLink withAnswerPort(int value) {
        return new ControlLink(
                id, name, from, to, destination, port, pattern, enabled, answer, Optional.of(Setting.of(value)));
    }
}
