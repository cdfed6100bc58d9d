package zentrel.plan;

import java.util.List;
import zentrel.text.PlainText;

/**
 * One message of a control link: its template filled in.
 *
 * @param label what it is for; may be empty
 * @param values one for each part of the link's template, as they are typed
 */
public record LinkMessage(String label, List<String> values) {
    static boolean separates(String text) {
        return text.contains(";") || text.contains("|");
    }

    public LinkMessage {
        PlainText.require("The label of a message", label);
        PlainText.requireAll("A value of a message", values);
        values = List.copyOf(values);
        if (label.contains(": ") || separates(label) || values.stream().anyMatch(LinkMessage::separates)) {
            throw new IllegalArgumentException(
                    "A message has no semicolon and no | in what it says; they part messages where they are written in a line.");
        }
    }
}
