package zentrel.file;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.file.JsonPlace.Misplaced;

/** Reads the JSON of a plan or a profile. Whatever the bytes, it gives what they say or throws one clear sentence. */
final class JsonDocument {
    private JsonDocument() {}

    /** Reads a JSON document of ours and turns every complaint into a sentence that names the place. */
    static <T> T read(byte[] bytes, String what, List<UnknownFields.Field> unknown, Function<JsonPlace, T> reader)
            throws PlanFileException {
        String text = decode(bytes, what);
        @Nullable JsonNode tree;
        try {
            tree = JsonTree.read(text);
        } catch (JsonProcessingException e) {
            throw new PlanFileException(syntax(e, what), e);
        } catch (IOException e) {
            throw new PlanFileException("The " + what + " file cannot be read: " + e.getMessage() + ".", e);
        }
        if (tree == null) {
            throw new PlanFileException("The " + what + " file is empty.");
        }
        try {
            return reader.apply(JsonPlace.root(tree, unknown));
        } catch (Misplaced e) {
            throw new PlanFileException(sentence(text, e, what), e);
        }
    }

    private static String decode(byte[] bytes, String what) throws PlanFileException {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new PlanFileException(
                    "The " + what + " file is not text in UTF-8, so it is damaged or not a " + what + ".", e);
        }
    }

    private static String syntax(JsonProcessingException e, String file) {
        JsonLocation location = e.getLocation();
        String where =
                location == null ? "" : " at line " + location.getLineNr() + ", column " + location.getColumnNr();
        // the parser's words name its own settings where they say where something began
        String what = e instanceof JsonEOFException
                ? "it ends before it is whole."
                : String.valueOf(e.getOriginalMessage())
                        .split("\n", 2)[0]
                        .replaceAll(" *(\\([^(]*|at )?\\[Source: .*", "");
        return "The " + file + " file is not readable JSON" + where + ": "
                + (what.length() > 200 ? what.substring(0, 200) + "…" : what);
    }

    private static String sentence(String text, Misplaced e, String what) {
        String path = e.place().path();
        String where = path.isEmpty() ? "In the " + what + " file" : "In the " + what + " file at " + path;
        return where
                + line(text, e.place().steps()).map(l -> " (line " + l + ")").orElse("") + ": " + e.getMessage()
                + (String.valueOf(e.getMessage()).endsWith(".") ? "" : ".");
    }

    /** Finds the line of a place by reading the text once more; only done when there is something to complain about. */
    private static Optional<Integer> line(String text, List<String> steps) {
        try (JsonParser parser = JsonTree.parser(text)) {
            parser.nextToken();
            for (String step : steps) {
                if (!enter(parser, step)) {
                    break;
                }
            }
            return Optional.of(parser.currentTokenLocation().getLineNr());
        } catch (IOException e) {
            return Optional.empty(); // the text was read before, so this is no news worth a second complaint
        }
    }

    private static boolean enter(JsonParser parser, String step) throws IOException {
        if (parser.currentToken() == JsonToken.START_OBJECT) {
            while (parser.nextToken() == JsonToken.FIELD_NAME) {
                boolean wanted = parser.currentName().equals(step);
                parser.nextToken();
                if (wanted) {
                    return true;
                }
                parser.skipChildren();
            }
            return false;
        }
        if (parser.currentToken() == JsonToken.START_ARRAY) {
            int index = Integer.parseInt(step);
            for (int i = 0; i <= index; i++) {
                parser.nextToken();
                if (i < index) {
                    parser.skipChildren();
                }
            }
            return true;
        }
        return false;
    }
}
