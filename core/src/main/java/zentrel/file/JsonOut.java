package zentrel.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import zentrel.plan.Named;
import zentrel.plan.Setting;
import zentrel.text.Word;

/** Writes fields into JSON, without what is as usual. */
final class JsonOut {
    static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private JsonOut() {}

    /** A JSON document of ours as bytes. */
    static byte[] pretty(ObjectNode document) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter(
                        Separators.createDefaultInstance().withObjectFieldValueSpacing(Separators.Spacing.AFTER))
                .withObjectIndenter(new DefaultIndenter("  ", "\n"));
        try {
            return (MAPPER.writer(printer).writeValueAsString(document) + "\n").getBytes(StandardCharsets.UTF_8);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A document could not be written as JSON.", e);
        }
    }

    static <T> void all(ObjectNode owner, String field, List<T> items, BiConsumer<ObjectNode, T> writer) {
        if (!items.isEmpty()) {
            ArrayNode array = owner.putArray(field);
            for (T item : items) {
                writer.accept(array.addObject(), item);
            }
        }
    }

    static <T> JsonNode setting(Setting<T> setting, Function<T, JsonNode> value) {
        if (!setting.isPending()) {
            return value.apply(setting.planned());
        }
        ObjectNode node = JSON.objectNode();
        node.set("planned", value.apply(setting.planned()));
        node.set("inForce", value.apply(setting.inForce()));
        if (setting.entered()) {
            node.put("entered", true);
        }
        return node;
    }

    /** A switch, left out where it is as usual. */
    static void flag(ObjectNode n, String field, Setting<Boolean> value, boolean usual) {
        if (!value.equals(Setting.of(usual))) {
            n.set(field, setting(value, JSON::booleanNode));
        }
    }

    static void flag(ObjectNode n, String field, boolean value, boolean usual) {
        if (value != usual) {
            n.put(field, value);
        }
    }

    static void number(ObjectNode n, String field, int value, int usual) {
        if (value != usual) {
            n.put(field, value);
        }
    }

    static void number(ObjectNode n, String field, double value, double usual) {
        if (value != usual) {
            n.put(field, value);
        }
    }

    static void text(ObjectNode n, String field, String value, String usual) {
        if (!value.equals(usual)) {
            n.put(field, value);
        }
    }

    static <E extends Enum<E> & Word> void word(ObjectNode n, String field, E value, E usual) {
        if (value != usual) {
            n.put(field, value.word());
        }
    }

    static <E extends Enum<E> & Word> void words(ObjectNode n, String field, java.util.Collection<E> values) {
        ArrayNode array = n.putArray(field);
        values.stream().sorted().forEach(v -> array.add(v.word()));
    }

    static void named(ObjectNode n, Named item) {
        n.put("id", item.id().value());
        text(n, "name", item.name(), item.id().value());
    }

    /** A list of texts, left out where it is empty. */
    static void texts(ObjectNode n, String field, List<String> items) {
        if (!items.isEmpty()) {
            ArrayNode array = n.putArray(field);
            items.forEach(array::add);
        }
    }
}
