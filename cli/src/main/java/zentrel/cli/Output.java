package zentrel.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
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
}
