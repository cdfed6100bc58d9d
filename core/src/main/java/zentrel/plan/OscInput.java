package zentrel.plan;

import java.util.List;
import zentrel.text.PlainText;

/**
 * How an application takes OSC. Receiving may need two switches.
 *
 * @param port the UDP port it listens on, 1–65535
 * @param receiving its switch for receiving at all
 * @param handling its second switch, inside the show, that lets a message act
 * @param addresses OSC address patterns it acts on; empty where they are not known
 */
public record OscInput(
        Setting<Integer> port, Setting<Boolean> receiving, Setting<Boolean> handling, List<String> addresses) {
    public OscInput {
        PlainText.requireAll("An OSC address", addresses);
        addresses = List.copyOf(addresses);
    }

    public OscInput withPort(int value) {
        return new OscInput(Setting.of(value), receiving, handling, addresses);
    }

    public OscInput withReceiving(boolean value) {
        return new OscInput(port, Setting.of(value), handling, addresses);
    }

    public OscInput withHandling(boolean value) {
        return new OscInput(port, receiving, Setting.of(value), addresses);
    }
}
