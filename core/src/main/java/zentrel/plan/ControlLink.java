package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.control.MessageTemplate;
import zentrel.ipv4.Ipv4Address;
import zentrel.text.PlainText;

/**
 * OSC from one application to another.
 *
 * @param destination the address typed in at the sender
 * @param port the port typed in at the sender
 * @param pattern the OSC address that is sent; it may have parts to fill in, as {@link MessageTemplate} has them
 * @param answer whether the sender needs to hear back
 * @param answerPort where the receiver answers to; where not given, to the port it came from
 * @param arguments what is sent after the address, as a {@link MessageTemplate} is written; empty for nothing
 * @param messages those that are made of the two, all to the same destination
 * @param controls of a surface, each with what it sends
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
        Optional<Setting<Integer>> answerPort,
        LinkTransport transport,
        String arguments,
        List<LinkMessage> messages,
        List<LinkControl> controls)
        implements Named, ControlLinkBuilder.With {
    public ControlLink {
        PlainText.require("The name of a control link", name);
        PlainText.require("An OSC address", pattern);
        PlainText.require("The arguments of a message", arguments);
        messages = List.copyOf(messages);
        controls = List.copyOf(controls);
        if (!arguments.isEmpty() || !messages.isEmpty() || !controls.isEmpty()) {
            int parts = MessageTemplate.parse(pattern + " " + arguments).parts().size();
            for (LinkMessage message : messages) {
                if (message.values().size() != parts) {
                    throw new IllegalArgumentException("The messages of " + name + " have "
                            + message.values().size() + " values, and its message has " + parts
                            + " parts; remove them, or make them anew.");
                }
            }
            for (LinkControl control : controls) {
                if (control.values().size() != parts) {
                    throw new IllegalArgumentException("The control " + control.name() + " has "
                            + control.values().size() + " values, and the message of " + name + " has " + parts
                            + " parts; remove it, or enter it anew.");
                }
            }
        }
    }

    /** One that sends nothing but an address, by UDP. */
    public ControlLink(
            Id<ControlLink> id,
            String name,
            Id<Application> from,
            Id<Application> to,
            Setting<Ipv4Address> destination,
            Setting<Integer> port,
            String pattern,
            Setting<Boolean> enabled,
            boolean answer,
            Optional<Setting<Integer>> answerPort) {
        this(
                id,
                name,
                from,
                to,
                destination,
                port,
                pattern,
                enabled,
                answer,
                answerPort,
                LinkTransport.UDP,
                "",
                List.of(),
                List.of());
    }

    /** The message as it is written: its address, and what is sent after it. */
    public String message() {
        return arguments.isEmpty() ? pattern : pattern + " " + arguments;
    }

    /**
     * What is sent, with its parts.
     *
     * @throws IllegalArgumentException with a sentence, where the address is none
     */
    public MessageTemplate template() {
        return MessageTemplate.parse(message());
    }

    /** Everything that the address may be, as an OSC pattern. */
    public String sentPattern() {
        return new MessageTemplate(pattern, List.of()).pattern();
    }

    public ControlLink withDestination(Ipv4Address value) {
        return withDestination(Setting.of(value));
    }

    public ControlLink withPort(int value) {
        return withPort(Setting.of(value));
    }

    public ControlLink withEnabled(boolean value) {
        return withEnabled(Setting.of(value));
    }

    public ControlLink withAnswerPort(int value) {
        return withAnswerPort(Optional.of(Setting.of(value)));
    }
}
