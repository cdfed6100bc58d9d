package zentrel.entry;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import zentrel.file.PlanFileException;
import zentrel.file.ProfileFile;
import zentrel.profile.Profile;
import zentrel.text.Phrases;

/**
 * A profile as a form: every field that the schema of profiles has, with what can be entered there. What is entered goes into the
 * document of the profile, whose reader says whether all of it together is a profile.
 */
public final class ProfileForm {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final JsonNode SCHEMA = schema();
    private static final Phrases TITLES = new Phrases("zentrel.entry.profile");
    private static final String FORMAT = "zentrel-profile";

    /** A part of the form. */
    public sealed interface Part permits Field, Group {
        /** Where its value is in the document, as a JSON pointer. */
        String pointer();

        String title();
    }

    /**
     * A value to enter.
     *
     * @param hint what is allowed or usual there
     * @param choices what there is to choose from; empty where a text is entered
     * @param value what is entered; empty where nothing is
     */
    public record Field(String pointer, String title, String hint, List<String> choices, String value)
            implements Part {}

    /**
     * Parts that belong together.
     *
     * @param adds whether more of its kind can be added to it
     * @param element whether it is one of several, which can be removed
     */
    public record Group(String pointer, String title, String hint, List<Part> parts, boolean adds, boolean element)
            implements Part {}

    private final ObjectNode document;

    private ProfileForm(ObjectNode document) {
        this.document = document;
    }

    /** A form for a profile of the user's own, with nothing but an id. */
    public static ProfileForm empty() {
        ObjectNode document =
                JSON.objectNode().put(FORMAT, 1).put("id", "own/device").put("name", "Device");
        document.put("kind", "other");
        return new ProfileForm(document);
    }

    /**
     * A form for a profile as its file.
     *
     * @throws IllegalArgumentException with a sentence, where the text is no JSON object
     */
    public static ProfileForm of(String json) {
        try {
            if (MAPPER.readTree(json) instanceof ObjectNode object) {
                return new ProfileForm(object);
            }
            throw new IllegalArgumentException("A profile is a JSON object.");
        } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new IllegalArgumentException(
                    "This is no JSON: line " + e.getLocation().getLineNr() + ".", e);
        }
    }

    /** The profile as its file. */
    public String json() {
        return document.toPrettyString();
    }

    /** What is wrong with it as a whole; empty where it is a profile. */
    public Optional<String> problem() {
        try {
            profile();
            return Optional.empty();
        } catch (PlanFileException e) {
            return Optional.of(String.valueOf(e.getMessage()));
        }
    }

    /** The profile. */
    public Profile profile() throws PlanFileException {
        return ProfileFile.read(json().getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** Every part, in the order of the schema. */
    public List<Part> parts() {
        return parts("", SCHEMA, document);
    }

    /**
     * Enters a value; an empty text takes it away.
     *
     * @throws IllegalArgumentException with a sentence, where it is none; nothing is changed then
     */
    public void set(String pointer, String text) {
        JsonNode kind = schemaAt(pointer);
        String plain = text.strip();
        String key = last(pointer);
        if (plain.isEmpty()) {
            takeAway(pointer);
        } else {
            JsonNode value = value(title(key), kind, plain);
            parent(pointer).set(key, value);
        }
    }

    /** A group that holds nothing any more goes too, unless it is one of a list. */
    private void takeAway(String pointer) {
        String at = pointer.substring(0, pointer.lastIndexOf('/'));
        if ((at.isEmpty() ? document : document.at(at)) instanceof ObjectNode object) {
            object.remove(last(pointer));
            if (object.isEmpty() && !at.isEmpty() && !last(at).matches("\\d+")) {
                takeAway(at);
            }
        }
    }

    /** Adds one more to a list. */
    public void add(String pointer) {
        ObjectNode parent = parent(pointer);
        JsonNode there = parent.get(last(pointer));
        ArrayNode list = there instanceof ArrayNode array ? array : parent.putArray(last(pointer));
        ObjectNode made = list.addObject();
        for (JsonNode needed : resolved(schemaAt(pointer)).path("items").path("required")) {
            JsonNode of = resolved(schemaAt(pointer + "/" + (list.size() - 1) + "/" + needed.asText()));
            made.set(
                    needed.asText(),
                    of.has("enum")
                            ? of.get("enum").get(0)
                            : of.path("type").asText().equals("array")
                                    ? JSON.arrayNode()
                                    : of.path("type").asText().equals("string")
                                            ? JSON.textNode("New")
                                            : JSON.numberNode(1));
        }
    }

    /** Removes one of a list. */
    public void remove(String pointer) {
        int slash = pointer.lastIndexOf('/');
        if (document.at(pointer.substring(0, slash)) instanceof ArrayNode list) {
            list.remove(Integer.parseInt(pointer.substring(slash + 1)));
        }
    }

    // --- the schema ---

    private static JsonNode schema() {
        try (InputStream in = ProfileForm.class.getResourceAsStream("/zentrel/entry/profile.schema.json")) {
            return MAPPER.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static JsonNode resolved(JsonNode schema) {
        return schema.has("$ref") ? SCHEMA.at(schema.get("$ref").asText().substring(1)) : schema;
    }

    private static JsonNode schemaAt(String pointer) {
        JsonNode at = SCHEMA;
        for (String step : pointer.substring(1).split("/", -1)) {
            JsonNode here = resolved(at);
            at = step.matches("\\d+")
                    ? here.path("items")
                    : here.has("properties") ? here.path("properties").path(step) : here.path("additionalProperties");
        }
        return resolved(at);
    }

    private static String title(String key) {
        return TITLES.text(key);
    }

    private static List<String> choices(JsonNode schema) {
        if (schema.path("type").asText().equals("boolean")) {
            return List.of("yes", "no");
        }
        return texts(schema.path("enum"));
    }

    private static List<String> texts(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false)
                .map(JsonNode::asText)
                .toList();
    }

    private List<Part> parts(String at, JsonNode schema, JsonNode value) {
        List<Part> parts = new ArrayList<>();
        resolved(schema).path("properties").properties().forEach(e -> {
            if (!e.getKey().equals(FORMAT)) {
                parts.add(part(at + "/" + e.getKey(), e.getKey(), resolved(e.getValue()), value.path(e.getKey())));
            }
        });
        return parts;
    }

    private Part part(String pointer, String key, JsonNode schema, JsonNode value) {
        String hint = schema.path("description").asText();
        String type = schema.path("type").asText();
        if (type.equals("object") && schema.has("additionalProperties")) {
            List<Part> parts = new ArrayList<>();
            for (String name : texts(resolved(schema.path("propertyNames")).path("enum"))) {
                parts.add(field(
                        pointer + "/" + name, name, resolved(schema.get("additionalProperties")), value.path(name)));
            }
            return new Group(pointer, title(key), hint, parts, false, false);
        }
        if (type.equals("object")) {
            return new Group(pointer, title(key), hint, parts(pointer, schema, value), false, false);
        }
        JsonNode items = resolved(schema.path("items"));
        if (type.equals("array") && items.path("type").asText().equals("object")) {
            List<Part> parts = new ArrayList<>();
            for (int i = 0; i < value.size(); i++) {
                parts.add(new Group(
                        pointer + "/" + i,
                        title(key) + " " + (i + 1),
                        "",
                        parts(pointer + "/" + i, items, value.get(i)),
                        false,
                        true));
            }
            return new Group(pointer, title(key), hint, parts, true, false);
        }
        return field(pointer, key, schema, value);
    }

    private static Field field(String pointer, String key, JsonNode schema, JsonNode value) {
        String usual = schema.has("default") ? "usually " + shown(schema.get("default")) : "";
        String hint = schema.path("description").asText();
        if (schema.path("type").asText().equals("array")) {
            List<String> of = choices(resolved(schema.path("items")));
            hint = hint + (of.isEmpty() ? "" : (hint.isEmpty() ? "" : " ") + "Of " + String.join(", ", of) + ".");
        }
        return new Field(
                pointer,
                title(key),
                hint.isEmpty() ? usual : hint + (usual.isEmpty() ? "" : " (" + usual + ")"),
                choices(schema),
                shown(value));
    }

    private static String shown(JsonNode value) {
        if (value.isMissingNode()) {
            return "";
        }
        if (value.isBoolean()) {
            return value.asBoolean() ? "yes" : "no";
        }
        if (value.isArray()) {
            return StreamSupport.stream(value.spliterator(), false)
                    .map(v -> v.isArray() ? String.join(" + ", texts(v)) : v.asText())
                    .collect(Collectors.joining(", "));
        }
        return value.asText();
    }

    private static JsonNode value(String title, JsonNode schema, String text) {
        List<String> choices = choices(schema);
        String type = schema.path("type").asText();
        if (!choices.isEmpty() && !choices.contains(text)) {
            throw new IllegalArgumentException(
                    title + " is one of " + String.join(", ", choices) + ", not \"" + text + "\".");
        }
        if (type.equals("boolean")) {
            return JSON.booleanNode(text.equals("yes"));
        }
        if (type.equals("integer")
                || (schema.has("enum") && schema.get("enum").get(0).isInt())) {
            return whole(title, schema, text);
        }
        if (type.equals("number")) {
            if (!text.matches("\\d{1,7}([.,]\\d{1,3})?")) {
                throw new IllegalArgumentException(title + " is a number, not \"" + text + "\".");
            }
            return JSON.numberNode(Double.parseDouble(text.replace(',', '.')));
        }
        if (type.equals("array")) {
            return list(title, resolved(schema.path("items")), text);
        }
        return JSON.textNode(text);
    }

    private static JsonNode whole(String title, JsonNode schema, String text) {
        long least = schema.path("minimum").asLong(0);
        long most = schema.path("maximum").asLong(Integer.MAX_VALUE);
        if (!text.matches("\\d{1,9}") || Long.parseLong(text) < least || Long.parseLong(text) > most) {
            throw new IllegalArgumentException(title + " is a whole number from " + least
                    + (schema.has("maximum") ? " to " + most : " up") + ", not \"" + text + "\".");
        }
        return JSON.numberNode(Integer.parseInt(text));
    }

    private static ArrayNode list(String title, JsonNode items, String text) {
        ArrayNode list = JSON.arrayNode();
        for (String one : text.split(",", -1)) {
            if (one.isBlank()) {
                continue;
            }
            if (items.path("type").asText().equals("array")) {
                ArrayNode pair = list.addArray();
                for (String half : one.split("\\+", -1)) {
                    pair.add(half.strip());
                }
            } else {
                list.add(value(title, items, one.strip()));
            }
        }
        return list;
    }

    private ObjectNode parent(String pointer) {
        String at = pointer.substring(0, pointer.lastIndexOf('/'));
        if (at.isEmpty()) {
            return document;
        }
        JsonNode there = document.at(at);
        if (there instanceof ObjectNode object) {
            return object;
        }
        return parent(at).putObject(last(at)); // a group that had nothing in it
    }

    private static String last(String pointer) {
        return pointer.substring(pointer.lastIndexOf('/') + 1);
    }
}
