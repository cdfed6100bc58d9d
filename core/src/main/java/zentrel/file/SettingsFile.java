package zentrel.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import zentrel.text.Word;

/**
 * The file with the settings: readable JSON. Fields that this version does not know stay in it; a damaged file is set aside,
 * so that nothing of it is lost, and the usual settings hold.
 */
public final class SettingsFile {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private final Path file;
    private ObjectNode known = JsonOut.JSON.objectNode();

    public SettingsFile(Path file) {
        this.file = file;
    }

    /** What was read, and sentences about what could not be. */
    public record Read(Settings settings, List<String> problems) {
        public Read {
            problems = List.copyOf(problems);
        }
    }

    /** Reads the file; the usual settings where there is none. Never fails: what is wrong is among the problems. */
    public Read read() {
        List<String> problems = new ArrayList<>();
        if (!Files.exists(file)) {
            return new Read(Settings.USUAL.withRecent(older(problems)), problems);
        }
        try {
            JsonNode document = MAPPER.readTree(Files.readString(file));
            if (document instanceof ObjectNode fields) {
                known = fields;
                return new Read(settings(fields, problems), problems);
            }
            problems.add(setAside("it is no list of settings"));
        } catch (JsonProcessingException e) {
            problems.add(setAside("line " + e.getLocation().getLineNr() + " is no JSON"));
        } catch (IOException e) {
            problems.add(
                    "The settings in " + file + " cannot be read: " + AtomicFile.reason(e) + ". The usual ones hold.");
        }
        return new Read(Settings.USUAL, problems);
    }

    private String setAside(String why) {
        Path aside = file.resolveSibling(file.getFileName() + ".damaged");
        for (int i = 2; Files.exists(aside); i++) {
            aside = file.resolveSibling(file.getFileName() + ".damaged-" + i);
        }
        String text = "The settings in " + file + " are damaged: " + why + ". The usual ones hold";
        try {
            Files.move(file, aside);
            return text + "; the file was set aside as " + aside + ".";
        } catch (IOException e) {
            return text + "; the file could not be set aside: " + AtomicFile.reason(e) + ".";
        }
    }

    /** The recent plans as versions up to 0.3 kept them: a path a line. */
    private List<Path> older(List<String> problems) {
        Path list = file.resolveSibling("recent.txt");
        if (!Files.exists(list)) {
            return List.of();
        }
        try {
            return Files.readAllLines(list, StandardCharsets.UTF_8).stream()
                    .filter(l -> !l.isBlank())
                    .flatMap(l -> path(l).stream())
                    .toList();
        } catch (IOException e) {
            problems.add("The list of recent plans " + list + " cannot be read: " + AtomicFile.reason(e) + ".");
            return List.of();
        }
    }

    /** A text as a path; empty where this system has no such names. */
    static Optional<Path> path(String text) {
        try {
            return Optional.of(Path.of(text));
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    private Settings settings(ObjectNode fields, List<String> problems) {
        SettingsBuilder settings = SettingsBuilder.builder(Settings.USUAL);
        flag(fields, "day", problems, settings::day);
        flag(fields, "addressesInLogs", problems, settings::addressesInLogs);
        word(fields, "text", Settings.TextSize.values(), problems, settings::text);
        word(fields, "levels", Settings.Levels.values(), problems, settings::levels);
        if (fields.has("adapter")) {
            settings.adapter(fields.get("adapter").asText());
        }
        Map<String, Settings.Place> windows = new TreeMap<>();
        fields.path("windows")
                .properties()
                .forEach(w -> place(w.getValue())
                        .ifPresentOrElse(
                                p -> windows.put(w.getKey(), p),
                                () -> problems.add(
                                        wrong("windows." + w.getKey(), w.getValue(), "x, y, width and height"))));
        settings.windows(windows);
        List<Path> recent = new ArrayList<>();
        fields.path("recent").forEach(r -> path(r.asText()).ifPresent(recent::add));
        settings.recent(recent);
        return settings.build();
    }

    private void flag(ObjectNode fields, String name, List<String> problems, Consumer<Boolean> then) {
        JsonNode value = fields.get(name);
        if (value == null) {
            return;
        }
        if (value.isBoolean()) {
            then.accept(value.booleanValue());
        } else {
            problems.add(wrong(name, value, "true or false"));
        }
    }

    private <T extends Word> void word(
            ObjectNode fields, String name, T[] words, List<String> problems, Consumer<T> then) {
        JsonNode value = fields.get(name);
        if (value == null) {
            return;
        }
        for (T word : words) {
            if (word.word().equals(value.asText())) {
                then.accept(word);
                return;
            }
        }
        problems.add(wrong(
                name,
                value,
                String.join(", ", List.of(words).stream().map(Word::word).toList())));
    }

    private String wrong(String name, JsonNode value, String wanted) {
        return "In the settings " + file + ", \"" + name + "\" is " + value + ", not " + wanted + "; the usual holds.";
    }

    private static Optional<Settings.Place> place(JsonNode node) {
        for (String number : List.of("x", "y", "width", "height")) {
            if (!node.path(number).isNumber()) {
                return Optional.empty();
            }
        }
        return Optional.of(new Settings.Place(
                node.get("x").asDouble(),
                node.get("y").asDouble(),
                node.get("width").asDouble(),
                node.get("height").asDouble(),
                node.path("maximized").asBoolean()));
    }

    /**
     * Writes the settings.
     *
     * @throws PlanFileException with one sentence; what was there is still there
     */
    public void write(Settings settings) throws PlanFileException {
        ObjectNode fields = known;
        fields.put("day", settings.day());
        fields.put("text", settings.text().word());
        fields.put("levels", settings.levels().word());
        fields.put("adapter", settings.adapter());
        fields.put("addressesInLogs", settings.addressesInLogs());
        ObjectNode windows = fields.putObject("windows");
        new TreeMap<>(settings.windows()).forEach((name, place) -> {
            ObjectNode at = windows.putObject(name);
            at.put("x", place.x());
            at.put("y", place.y());
            at.put("width", place.width());
            at.put("height", place.height());
            at.put("maximized", place.maximized());
        });
        fields.set("recent", JsonOut.JSON.arrayNode());
        settings.recent().forEach(p -> fields.withArray("recent").add(p.toString()));
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
        } catch (IOException e) {
            throw new PlanFileException(
                    "The settings are not kept: the folder of " + file + " cannot be made: " + AtomicFile.reason(e)
                            + ".",
                    e);
        }
        AtomicFile.write(JsonOut.pretty(fields), file);
    }
}
