package zentrel.gear;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.control.MessageTemplate;
import zentrel.control.ValueList;
import zentrel.plan.ControlLink;
import zentrel.plan.LinkMessage;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/**
 * The messages of a control link as a table or as JSON, and back again.
 *
 * @param messages those that fit the message of the link
 * @param leftOut rows that do not, and why
 */
public record LinkMessages(List<LinkMessage> messages, List<LeftOut> leftOut) {
    private static final ObjectMapper JSON = JsonMapper.builder().build();
    private static final String LABEL = "label";

    public LinkMessages {
        messages = List.copyOf(messages);
        leftOut = List.copyOf(leftOut);
    }

    /** A table: a column for the label, then one for each part, headed by its name; last the message as it is sent. */
    public static TextTable table(ControlLink link) {
        MessageTemplate template = link.template();
        List<List<String>> rows = new ArrayList<>();
        List<String> head = new ArrayList<>(List.of(LABEL));
        template.parts().forEach(p -> head.add(p.name()));
        head.add("message");
        rows.add(head);
        for (LinkMessage each : link.messages()) {
            List<String> row = new ArrayList<>(List.of(each.label()));
            row.addAll(each.values());
            row.add(sent(template, each));
            rows.add(row);
        }
        return new TextTable(rows);
    }

    private static String sent(MessageTemplate template, LinkMessage message) {
        try {
            return template.fill(message.values()).toString();
        } catch (IllegalArgumentException e) {
            return ""; // it is in the plan as it was typed, and told where it is sent
        }
    }

    /** The same for programs: the message with its parts, and the values of each. */
    public static String json(ControlLink link) {
        ObjectNode root = JSON.createObjectNode();
        root.put("message", link.message());
        ArrayNode all = root.putArray("messages");
        for (LinkMessage each : link.messages()) {
            ArrayNode values = all.addObject().put(LABEL, each.label()).putArray("values");
            each.values().forEach(values::add);
        }
        return root.toPrettyString() + "\n";
    }

    /**
     * Reads either.
     *
     * @throws IllegalArgumentException with a sentence, where it is neither, or has none of the parts of the link's message
     */
    public static LinkMessages read(ControlLink link, String text) {
        return text.stripLeading().startsWith("{") ? readJson(link, text) : readTable(link, TextTable.parse(text));
    }

    private static LinkMessages readJson(ControlLink link, String text) {
        List<LinkMessage> messages = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        try {
            JsonNode all = JSON.readTree(text).path("messages");
            if (!all.isArray()) {
                throw new IllegalArgumentException("This JSON has no list \"messages\".");
            }
            int row = 0;
            for (JsonNode each : all) {
                List<String> values = new ArrayList<>();
                each.path("values").forEach(v -> values.add(v.asText()));
                take(link, ++row, each.path(LABEL).asText(""), values, messages, leftOut);
            }
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("This is not JSON: " + e.getOriginalMessage() + ".", e);
        }
        return new LinkMessages(messages, leftOut);
    }

    private static LinkMessages readTable(ControlLink link, TextTable table) {
        List<String> head = table.rows().isEmpty() ? List.of() : table.rows().get(0);
        List<Integer> at = new ArrayList<>();
        for (MessageTemplate.Part part : link.template().parts()) {
            at.add(column(head, part.name())
                    .orElseThrow(() -> new IllegalArgumentException("The table has no column \"" + part.name()
                            + "\"; its first row names the parts of the message: " + link.message() + ".")));
        }
        Optional<Integer> label = column(head, LABEL);
        List<LinkMessage> messages = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        for (int row = 1; row < table.rows().size(); row++) {
            if (!table.isBlank(row)) {
                int line = row;
                take(
                        link,
                        row + 1,
                        label.map(l -> table.cell(line, l)).orElse(""),
                        at.stream().map(c -> table.cell(line, c).strip()).toList(),
                        messages,
                        leftOut);
            }
        }
        return new LinkMessages(messages, leftOut);
    }

    private static Optional<Integer> column(List<String> head, String name) {
        for (int i = 0; i < head.size(); i++) {
            if (head.get(i).strip().equalsIgnoreCase(name)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private static void take(
            ControlLink link,
            int row,
            String label,
            List<String> values,
            List<LinkMessage> messages,
            List<LeftOut> leftOut) {
        try {
            if (messages.size() >= ValueList.MOST) {
                throw new IllegalArgumentException("more than " + ValueList.MOST + " messages.");
            }
            MessageTemplate.Filled unused = link.template().fill(values);
            messages.add(new LinkMessage(label.strip(), values));
        } catch (IllegalArgumentException e) {
            leftOut.add(new LeftOut(row, String.valueOf(e.getMessage())));
        }
    }
}
