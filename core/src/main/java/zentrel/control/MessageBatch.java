package zentrel.control;

import java.util.ArrayList;
import java.util.List;

/**
 * Messages made of one: every combination of the values of its parts. How many there are, and whether all fit, is known without
 * making them.
 *
 * @param values for each part those that it takes, at least one
 */
public record MessageBatch(MessageTemplate template, List<List<String>> values) {
    public MessageBatch {
        values = values.stream().map(List::copyOf).toList();
    }

    /**
     * Reads what was written for each part.
     *
     * @param lines as {@link ValueList} reads them, one for each part
     * @throws IllegalArgumentException with a sentence, where a part is empty, a value does not fit, or there would be too many
     */
    public static MessageBatch of(MessageTemplate template, List<String> lines) {
        List<MessageTemplate.Part> parts = template.parts();
        List<List<String>> values = new ArrayList<>();
        long many = 1;
        for (int i = 0; i < parts.size(); i++) {
            List<String> own = ValueList.of(lines.get(i));
            if (own.isEmpty()) {
                throw new IllegalArgumentException(parts.get(i).name() + " is empty.");
            }
            for (String value : own) {
                template.check(parts.get(i), value);
            }
            values.add(own);
            many *= own.size();
            if (many > ValueList.MOST) {
                throw new IllegalArgumentException(
                        "These are more than " + ValueList.MOST + " messages; make them in parts.");
            }
        }
        return new MessageBatch(template, values);
    }

    /** How many messages they make. */
    public int count() {
        return values.stream().mapToInt(List::size).reduce(1, (a, b) -> a * b);
    }

    /** The first of them. */
    public MessageTemplate.Filled first() {
        return template.fill(values.stream().map(v -> v.get(0)).toList());
    }

    /** The values of all of them. */
    public List<List<String>> all() {
        return ValueList.combined(values);
    }
}
