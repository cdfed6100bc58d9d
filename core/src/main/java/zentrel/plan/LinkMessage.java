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
    public LinkMessage {
        PlainText.require("The label of a message", label);
        PlainText.requireAll("A value of a message", values);
        values = List.copyOf(values);
    }
}
