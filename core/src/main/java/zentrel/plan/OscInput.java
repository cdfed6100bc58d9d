package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import zentrel.text.PlainText;

/**
 * How an application takes OSC. Receiving may need two switches.
 *
 * @param port the port it listens on, 1–65535
 * @param receiving its switch for receiving at all
 * @param handling its second switch, inside the show, that lets a message act
 * @param addresses OSC address patterns it acts on; empty where they are not known
 * @param transport how it takes packets
 */
@RecordBuilder
public record OscInput(
        Setting<Integer> port,
        Setting<Boolean> receiving,
        Setting<Boolean> handling,
        List<String> addresses,
        LinkTransport transport)
        implements OscInputBuilder.With {
    public OscInput {
        PlainText.requireAll("An OSC address", addresses);
        addresses = List.copyOf(addresses);
    }

    /** One that takes datagrams. */
    public OscInput(
            Setting<Integer> port, Setting<Boolean> receiving, Setting<Boolean> handling, List<String> addresses) {
        this(port, receiving, handling, addresses, LinkTransport.UDP);
    }

    /** One that is switched on and takes datagrams, of whose addresses nothing is known. */
    public static OscInput on(Setting<Integer> port) {
        return new OscInput(port, Setting.of(true), Setting.of(true), List.of());
    }

    public OscInput withPort(int value) {
        return withPort(Setting.of(value));
    }

    public OscInput withReceiving(boolean value) {
        return withReceiving(Setting.of(value));
    }

    public OscInput withHandling(boolean value) {
        return withHandling(Setting.of(value));
    }
}
