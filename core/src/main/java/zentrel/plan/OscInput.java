package zentrel.plan;

import java.util.List;
import zentrel.text.PlainText;

/**
 * How an application takes OSC. Receiving may need two switches.
 *
 * @param port the UDP port it listens on, 1–65535
 * @param receiving its switch for receiving at all
 * @param handling its second switch, inside the show, that lets a message act
 * @param targets OSC address patterns it acts on; empty where they are not known
 */
public record OscInput(
        Setting<Integer> port, Setting<Boolean> receiving, Setting<Boolean> handling, List<String> targets) {
    public OscInput {
        PlainText.requireAll("An OSC address", targets);
        targets = List.copyOf(targets);
    }

    public OscInput withPort(int value) {
        return new OscInput(Setting.of(value), receiving, handling, targets);
    }

    public OscInput withReceiving(boolean value) {
        return new OscInput(port, Setting.of(value), handling, targets);
    }

    public OscInput withHandling(boolean value) {
        return new OscInput(port, receiving, Setting.of(value), targets);
    }
}
