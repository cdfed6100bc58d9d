package zentrel.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** What every tool has: {@code --json}, and where to print. */
class Output {
    static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    @Option(names = "--json", description = "Print JSON for other programs.")
    boolean json;

    @Spec(Spec.Target.MIXEE)
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    synchronized void line(String text) {
        spec.commandLine().getOut().println(text);
        spec.commandLine().getOut().flush();
    }

    /** One JSON value on one line. */
    void json(JsonNode node) {
        try {
            line(MAPPER.writeValueAsString(node));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("JSON could not be printed.", e);
        }
    }

    /** A remark for people, on standard error. */
    void remark(String text) {
        spec.commandLine().getErr().println(text);
    }

    /**
     * Writes text to the terminal, or anything into a file.
     *
     * @param to a file that is not there yet; null for the terminal
     * @throws Refusal where it is there, cannot be written, or is no text and goes to no file
     */
    void write(byte[] bytes, boolean isText, @Nullable Path to) throws Refusal {
        if (to == null) {
            if (!isText) {
                throw new Refusal("This form is no text; say where to write it, with -o FILE.");
            }
            line(new String(bytes, StandardCharsets.UTF_8).stripTrailing());
            return;
        }
        try {
            if (Files.exists(to)) {
                throw new Refusal("There is a file " + to + " already; nothing was written.");
            }
            Files.write(to, bytes);
        } catch (IOException e) {
            throw new Refusal("The file " + to + " could not be written: " + e.getMessage() + ".", e);
        }
    }
}
