package zentrel.packet.osc;

import java.util.List;

/**
 * A message.
 *
 * @param address the address pattern, which starts with a slash
 */
public record OscMessage(String address, List<OscArgument> arguments) implements OscPacket {
    public OscMessage {
        arguments = List.copyOf(arguments);
        if (!address.startsWith("/") || address.indexOf('\0') >= 0) {
            throw new IllegalArgumentException(
                    "An OSC address starts with a slash, such as /show/next, not \"" + address + "\".");
        }
    }
}
