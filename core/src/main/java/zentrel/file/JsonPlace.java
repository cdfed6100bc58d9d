package zentrel.file;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.plan.Setting;
import zentrel.text.PlainText;
import zentrel.text.Word;

/** One JSON value with the place where it stands, so that every complaint can name it. */
final class JsonPlace {
    /** Something in the file is not as it should be. */
    static final class Misplaced extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient JsonPlace place;

        Misplaced(JsonPlace place, String message) {
            super(message);
            this.place = place;
        }

        JsonPlace place() {
            return place;
        }
    }

    private static final int SHOWN_CHARACTERS = 40;

    private final JsonNode node;
    private final @Nullable JsonPlace parent;
    private final String step;
    private final List<UnknownFields.Field> unknown;
    private final Set<String> asked = new HashSet<>();
    private String owner;
    private List<String> ownerPath;

    private JsonPlace(JsonNode node, @Nullable JsonPlace parent, String step, List<UnknownFields.Field> unknown) {
        this.node = node;
        this.parent = parent;
        this.step = step;
        this.unknown = unknown;
        this.owner = parent == null ? "" : parent.owner;
        List<String> path = new ArrayList<>(parent == null ? List.of() : parent.ownerPath);
        if (parent != null) {
            path.add(step);
        }
        this.ownerPath = path;
    }

    static JsonPlace root(JsonNode node, List<UnknownFields.Field> unknown) {
        return new JsonPlace(node, null, "", unknown);
    }

    /** The steps from the document to here: field names, and indexes as digits. */
    List<String> steps() {
        List<String> steps = parent == null ? new ArrayList<>() : parent.steps();
        if (parent != null) {
            steps.add(step);
        }
        return steps;
    }

    /** The place as people read it: {@code hosts[2].adapters[0].name}. */
    String path() {
        if (parent == null) {
            return "";
        }
        String before = parent.path();
        if (parent.node.isArray()) {
            return before + "[" + step + "]";
        }
        return before.isEmpty() ? step : before + "." + step;
    }

    Misplaced wrong(String message) {
        return new Misplaced(this, message);
    }

    private String shown() {
        return PlainText.shown(node.toString(), SHOWN_CHARACTERS);
    }

    private JsonPlace child(String name) {
        asked.add(name);
        JsonNode child = node.get(name);
        return new JsonPlace(child, this, name, unknown);
    }

    JsonPlace requireObject() {
        if (!node.isObject()) {
            throw wrong("an object { … } belongs here, not " + shown());
        }
        return this;
    }

    /**
     * Under which name a field stands: its own, or the one that files of before have.
     *
     * @throws Misplaced where it stands under both
     */
    String nowOrBefore(String now, String before) {
        if (!node.has(before)) {
            return now;
        }
        if (node.has(now)) {
            throw wrong(
                    "it has \"" + now + "\" and \"" + before + "\", which are two names for the same; keep the first");
        }
        return before;
    }

    boolean has(String name) {
        asked.add(name);
        JsonNode child = node.get(name);
        return child != null && !child.isNull();
    }

    JsonPlace need(String name) {
        if (!has(name)) {
            throw wrong("\"" + name + "\" is missing");
        }
        return child(name);
    }

    Optional<JsonPlace> optional(String name) {
        return has(name) ? Optional.of(child(name)) : Optional.empty();
    }

    /** The members of an array field; none where the field is absent. */
    List<JsonPlace> list(String name) {
        if (!has(name)) {
            return List.of();
        }
        return child(name).elements();
    }

    List<JsonPlace> elements() {
        if (!node.isArray()) {
            throw wrong("a list [ … ] belongs here, not " + shown());
        }
        List<JsonPlace> list = new ArrayList<>();
        for (int i = 0; i < node.size(); i++) {
            list.add(new JsonPlace(node.get(i), this, String.valueOf(i), unknown));
        }
        return list;
    }

    Map<String, JsonPlace> members() {
        requireObject();
        Map<String, JsonPlace> map = new LinkedHashMap<>();
        node.fieldNames().forEachRemaining(name -> map.put(name, child(name)));
        return map;
    }

    boolean isBoolean() {
        return node.isBoolean();
    }

    boolean isText() {
        return node.isTextual();
    }

    String text() {
        if (!node.isTextual()) {
            throw wrong("text in quotes belongs here, not " + shown());
        }
        PlainText.fault(node.textValue()).ifPresent(f -> {
            throw wrong("this text " + f + "; remove it");
        });
        return node.textValue();
    }

    String text(String name, String otherwise) {
        return optional(name).map(JsonPlace::text).orElse(otherwise);
    }

    boolean bool() {
        if (!node.isBoolean()) {
            throw wrong("true or false belongs here, not " + shown());
        }
        return node.booleanValue();
    }

    boolean bool(String name, boolean otherwise) {
        return optional(name).map(JsonPlace::bool).orElse(otherwise);
    }

    int integer(int least, int most) {
        if (!node.isIntegralNumber() || !node.canConvertToInt()) {
            throw wrong("a whole number belongs here, not " + shown());
        }
        int value = node.intValue();
        if (value < least || value > most) {
            throw wrong("a number from " + least + " to " + most + " belongs here, not " + value);
        }
        return value;
    }

    int anyInteger() {
        return integer(Integer.MIN_VALUE, Integer.MAX_VALUE);
    }

    double number(double least, double most) {
        if (!node.isNumber()) {
            throw wrong("a number belongs here, not " + shown());
        }
        double value = node.doubleValue();
        if (!(value >= least && value <= most)) {
            throw wrong("a number from " + least + " to " + most + " belongs here, not " + shown());
        }
        return value;
    }

    <E extends Enum<E> & Word> E word(Class<E> type) {
        String text = text();
        List<String> words = new ArrayList<>();
        for (E constant : type.getEnumConstants()) {
            if (constant.word().equals(text)) {
                return constant;
            }
            words.add(constant.word());
        }
        throw wrong(shown() + " is not known here; write one of " + String.join(", ", words));
    }

    <E extends Enum<E> & Word> E word(String name, Class<E> type, E otherwise) {
        return optional(name).map(p -> p.word(type)).orElse(otherwise);
    }

    /** Reads with a parser that complains in a sentence. */
    <T> T parsed(Function<String, T> parser) {
        try {
            return parser.apply(text());
        } catch (IllegalArgumentException e) {
            throw wrong(String.valueOf(e.getMessage()));
        }
    }

    /** A plain value, in force as planned, or {@code {"planned": …, "inForce": …, "entered": …}}. */
    <T> Setting<T> setting(Function<JsonPlace, T> value) {
        if (node.isObject() && (node.has("planned") || node.has("inForce"))) {
            T planned = value.apply(has("planned") ? child("planned") : child("inForce"));
            T inForce = value.apply(has("inForce") ? child("inForce") : child("planned"));
            boolean entered = bool("entered", false);
            done();
            return new Setting<>(planned, inForce, entered);
        }
        return Setting.of(value.apply(this));
    }

    <T> Setting<T> setting(String name, Function<JsonPlace, T> value, T otherwise) {
        return optional(name).map(p -> p.setting(value)).orElse(Setting.of(otherwise));
    }

    /** Each object of a list, read; what a record refuses is said of its place. */
    <T> List<T> all(String field, Function<JsonPlace, T> reader) {
        List<T> all = new ArrayList<>();
        for (JsonPlace place : list(field)) {
            place.requireObject();
            T item;
            try {
                item = reader.apply(place);
            } catch (Misplaced e) {
                throw e;
            } catch (IllegalArgumentException e) {
                throw place.wrong(String.valueOf(e.getMessage()));
            }
            place.done();
            all.add(item);
        }
        return all;
    }

    /** The constant with a word, where the word is the name of this field. */
    <E extends Enum<E> & Word> E named(String word, Class<E> type) {
        List<String> words = new ArrayList<>();
        for (E constant : type.getEnumConstants()) {
            if (constant.word().equals(word)) {
                return constant;
            }
            words.add(constant.word());
        }
        throw wrong("\"" + word + "\" is not known here; write one of " + String.join(", ", words));
    }

    /** Says which thing this object is; unknown fields in it belong to that thing. */
    void ownedBy(String id) {
        owner = id;
        ownerPath = List.of();
    }

    /** Keeps the fields that nobody asked for. */
    void done() {
        node.properties().forEach(field -> {
            if (!asked.contains(field.getKey())) {
                unknown.add(new UnknownFields.Field(owner, ownerPath, field.getKey(), field.getValue()));
            }
        });
    }
}
