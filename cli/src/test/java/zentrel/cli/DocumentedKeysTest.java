package zentrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

/** The JSON that other programs read: the keys that the documents name are those that are printed, tool by tool. */
class DocumentedKeysTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final Path DOCUMENT = Path.of("..", "docs", "line-tools.md");

    @TempDir
    Path folder;

    /** The keys that the document names for each tool. */
    private static Map<String, Set<String>> documented() throws IOException {
        String text = Files.readString(DOCUMENT);
        String block = text.substring(text.indexOf("```\n") + 4, text.lastIndexOf("\n```"));
        Map<String, Set<String>> all = new LinkedHashMap<>();
        String tool = "";
        for (String line : block.split("\n", -1)) {
            Matcher head = Pattern.compile("^([a-z-]+)\\s+[\\[{].*").matcher(line);
            tool = head.matches() ? head.group(1) : tool;
            Matcher key = Pattern.compile("\"([A-Za-z0-9]+)\"").matcher(line.replaceAll(":\"[^\"]*\"", ":x"));
            while (key.find()) {
                all.computeIfAbsent(tool, t -> new TreeSet<>()).add(key.group(1));
            }
        }
        return all;
    }

    private static void keys(JsonNode node, Set<String> into) {
        node.fieldNames().forEachRemaining(into::add);
        node.forEach(child -> keys(child, into));
    }

    private static Set<String> printed(String... arguments) throws IOException {
        CommandLine line = Main.commandLine();
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        assertThat(line.execute(arguments))
                .as("%s: %s", String.join(" ", arguments), err)
                .isBetween(0, 1);
        Set<String> keys = new TreeSet<>();
        keys(JSON.readTree(out.toString()), keys);
        return keys;
    }

    private static List<String> words(String line) {
        return new ArrayList<>(List.of(line.split(" ", -1)));
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "check demo:draft",
                "path demo:draft --universe u5 --beside",
                "number 4 --from show",
                "rules",
                "load demo:ready --querier-dies",
                "next-look demo:draft boathouse-node.p1",
                "who-wins demo:ready --choices",
                "ready demo:draft",
                "machine demo:ready office-computer",
                "keeper demo:ready Stream",
                "import demo:ready TABLE",
                "ask PLAN --seconds 1",
                "say - segment splitter nonsense",
                "patch compare demo:draft demo:draft#office-previs-list",
                "patch import demo:draft demo:draft#office-previs-list",
                "pixels split --pixels 3060 --outputs 5",
                "pixels refresh --pixels 800",
                "pixels power --pixels 3060",
                "new"
            })
    void theKeysAreThoseOfTheDocument(String call) throws IOException {
        Path table = folder.resolve("table.csv");
        Files.writeString(table, "Name;IP\nJetty node;10.41.22.9\nMoon node;10.41.22.10\n");
        Path plan = folder.resolve("plan.json");
        Files.writeString(plan, """
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"h","kind":"computer","adapters":[{"id":"a","segment":"n","addresses":["127.0.0.1/8"]}]}]}
                """);
        List<String> arguments = words(call.replace("TABLE", table.toString()).replace("PLAN", plan.toString()));
        arguments.add("--json");
        String tool = arguments.get(0);
        Set<String> wanted = new HashSet<>(documented().get(tool));
        Set<String> got = printed(arguments.toArray(String[]::new));
        assertThat(wanted).as("printed, and in the document").containsAll(got);
        if (List.of("path", "who-wins", "check", "number", "rules").contains(tool)) {
            assertThat(got).as("in the document, and printed").containsAll(wanted);
        }
    }

    /** Every tool of the table has its line among the shapes, but for those that print lines or nothing. */
    @Test
    void everyToolIsInTheDocument() throws IOException {
        String text = Files.readString(DOCUMENT);
        for (String name : Main.commandLine().getSubcommands().keySet()) {
            if (!name.equals("help")) {
                assertThat(text)
                        .as(name)
                        .containsPattern("\\| `" + name + "[ `]|`" + name + " |, `" + name + "| `osc send");
            }
        }
        for (String tool : documented().keySet()) {
            assertThat(Main.commandLine().getSubcommands()).containsKey(tool);
        }
    }

    /** What is no plan, no thing of it or no number is one sentence and exit 2, whichever tool is asked. */
    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "check nowhere.json",
                "check",
                "path demo:ready --universe moon",
                "path demo:ready",
                "path demo:ready --universe u5 --fixture x",
                "number 70000 --from sacn",
                "number 4 --from moon",
                "number four --from show",
                "keeper demo:ready Moon",
                "load demo:ready --add 5 --from Moon",
                "load demo:ready --add -1 --from Hut",
                "load demo:ready --protocol token",
                "next-look demo:ready moon",
                "next-look demo:ready boathouse-node.p1 --saw 5",
                "next-look demo:ready boathouse-node.p1 --saw 99=yes",
                "next-look demo:ready boathouse-node.p1 --saw 5=maybe",
                "who-wins demo:ready --universe moon",
                "who-wins demo:moon",
                "patch",
                "patch compare demo:ready nowhere.csv",
                "patch compare demo:ready demo:ready#moon",
                "patch compare demo:ready pom.xml",
                "patch compare demo:ready demo:ready --base-a 2",
                "patch export demo:ready --as csv --columns moon",
                "patch export demo:ready --as mvr",
                "pixels split",
                "pixels split --pixels 0 --outputs 5",
                "pixels split --pixels 10 --components 99",
                "pixels refresh --pixels 10 --chip moon",
                "pixels power --pixels -1",
                "apply demo:draft --fix moon -o /tmp/never.json",
                "apply demo:draft --fix universe.off-by-one@moon -o /tmp/never.json",
                "export demo:ready --as moon",
                "machine demo:ready moon",
                "send --protocol sacn --universe 0 --slot 1=1 --from 127.0.0.1 --seconds 1",
                "send --protocol sacn --universe 1 --slot 513=1 --from 127.0.0.1 --seconds 1",
                "send --protocol sacn --universe 1 --slot 1=256 --from 127.0.0.1 --seconds 1",
                "send --protocol sacn --universe 1 --slot 1=1 --from 10.1.1.1 --seconds 1",
                "listen --adapter moon --seconds 1",
                "discover --adapter moon --seconds 1",
                "discover --adapter 127.0.0.1 --seconds 1 --plan nowhere.json",
                "set 127.66.1.1 --arm lo",
                "set 127.66.1.1 --arm lo --short-name x",
                "set 127.66.1.1 --arm moon --short-name x",
                "set 127.66.1.1 --arm lo --ip 127.66.1.2",
                "set 10.66.1.1 --arm lo --dhcp",
                "replay nowhere.pcapng",
                "probe run --adapter 127.0.0.1",
                "probe moon --adapter 127.0.0.1",
                "rdm 127.66.1.1 --adapter 127.0.0.1 --start 7ff0:00000001=5",
                "rdm 127.66.1.1 --adapter 127.0.0.1 --start moon=5",
                "replay pom.xml",
                "standin node --address 10.61.0.1 --port 1=sacn:1",
                "standin node --address 127.0.0.1 --port 1=sacn:70000",
                "osc send 127.0.0.1:0 /x",
                "osc send 127.0.0.1:24510 x",
                "moon"
            })
    void whatWillNotDoIsOneSentence(String call) {
        CommandLine line = Main.commandLine();
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        assertThat(line.execute(call.split(" ", -1))).as(err.toString()).isEqualTo(2);
        String first = err.toString().strip().lines().findFirst().orElse("");
        assertThat(first).isNotEmpty().doesNotContain("Exception").doesNotContain("null");
        assertThat(err.toString()).doesNotContain("\tat ");
        assertThat(out.toString()).isEmpty();
    }
}
