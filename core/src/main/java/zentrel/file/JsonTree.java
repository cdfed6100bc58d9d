package zentrel.file;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParseException;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import org.jspecify.annotations.Nullable;

/**
 * Reads a JSON text into a tree, with limits that no hostile file passes. The tree is built from the parser's tokens,
 * because making an ObjectMapper loads calendars and locales, and plans are read while the window starts.
 */
final class JsonTree {
    /** Nesting that no plan needs; deeper is refused before it is read. */
    private static final int DEEPEST = 64;

    private static final int LONGEST_TEXT = 1_000_000;

    /** Digits of a number; the largest of a plan has ten. */
    private static final int LONGEST_NUMBER = 40;

    private static final int LONGEST_NAME = 1000;

    private static final JsonFactory FACTORY = JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder()
                    .maxNestingDepth(DEEPEST)
                    .maxStringLength(LONGEST_TEXT)
                    .maxNumberLength(LONGEST_NUMBER)
                    .maxNameLength(LONGEST_NAME)
                    .build())
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private JsonTree() {}

    static JsonParser parser(String text) throws IOException {
        return FACTORY.createParser(text);
    }

    /**
     * The tree of a text, or null if there is nothing in it.
     *
     * @throws IOException with the place, if the text is no JSON, has the same name twice in one object, goes too deep, or goes
     *     on after its end
     */
    static @Nullable JsonNode read(String text) throws IOException {
        try (JsonParser parser = parser(text)) {
            return read(parser);
        }
    }

    private static @Nullable JsonNode read(JsonParser parser) throws IOException {
        try {
            if (parser.nextToken() == null) {
                return null;
            }
            JsonNode tree = value(parser);
            if (parser.nextToken() != null) {
                throw new JsonParseException(parser, "there is more text after its end", parser.currentTokenLocation());
            }
            return tree;
        } catch (StreamConstraintsException e) {
            throw new JsonParseException(
                    parser, limit(String.valueOf(e.getOriginalMessage())), parser.currentLocation(), e);
        }
    }

    /** Which of the limits it was; the parser tells only by its words. */
    private static String limit(String said) {
        if (said.contains("nesting depth")) {
            return "values are nested more than " + DEEPEST + " deep";
        }
        if (said.startsWith("Number")) {
            return "a number has more than " + LONGEST_NUMBER + " digits";
        }
        if (said.startsWith("Name")) {
            return "the name of a field has more than " + LONGEST_NAME + " characters";
        }
        return "a text has more than " + LONGEST_TEXT + " characters";
    }

    private static JsonNode value(JsonParser parser) throws IOException {
        JsonToken token = parser.currentToken();
        return switch (token) {
            case START_OBJECT -> object(parser);
            case START_ARRAY -> array(parser);
            case VALUE_STRING -> NODES.textNode(whole(parser, parser.getText()));
            case VALUE_TRUE -> NODES.booleanNode(true);
            case VALUE_FALSE -> NODES.booleanNode(false);
            case VALUE_NULL -> NODES.nullNode();
            case VALUE_NUMBER_INT -> whole(parser);
            case VALUE_NUMBER_FLOAT -> NODES.numberNode(parser.getDoubleValue());
            default -> throw new JsonParseException(parser, "a value is missing", parser.currentTokenLocation());
        };
    }

    /** Half of a surrogate pair is no character and cannot be written again as UTF-8, so it is refused before it is lost. */
    private static String whole(JsonParser parser, String text) throws IOException {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (Character.isHighSurrogate(c) && i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))) {
                i++;
            } else if (Character.isSurrogate(c)) {
                throw new JsonParseException(
                        parser,
                        String.format("a text holds half of a character (U+%04X)", (int) c),
                        parser.currentTokenLocation());
            }
        }
        return text;
    }

    private static JsonNode whole(JsonParser parser) throws IOException {
        return switch (parser.getNumberType()) {
            case INT -> NODES.numberNode(parser.getIntValue());
            case LONG -> NODES.numberNode(parser.getLongValue());
            default -> NODES.numberNode(parser.getBigIntegerValue());
        };
    }

    private static ObjectNode object(JsonParser parser) throws IOException {
        ObjectNode node = NODES.objectNode();
        while (parser.nextToken() == JsonToken.FIELD_NAME) {
            String name = whole(parser, parser.currentName());
            parser.nextToken();
            node.set(name, value(parser));
        }
        return node;
    }

    private static ArrayNode array(JsonParser parser) throws IOException {
        ArrayNode node = NODES.arrayNode();
        while (parser.nextToken() != JsonToken.END_ARRAY) {
            node.add(value(parser));
        }
        return node;
    }
}
