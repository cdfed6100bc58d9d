package zentrel.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

/** The line tools as other programs call them: their JSON, their exit codes, their one sentence on standard error. */
class LineToolsTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    /** What one call gave. */
    private record Result(int exit, String out, String err) {
        JsonNode json() {
            try {
                return JSON.readTree(out);
            } catch (IOException e) {
                throw new AssertionError(out, e);
            }
        }

        List<JsonNode> jsonLines() {
            List<JsonNode> lines = new ArrayList<>();
            for (String line : out.strip().lines().toList()) {
                try {
                    lines.add(JSON.readTree(line));
                } catch (IOException e) {
                    throw new AssertionError(line, e);
                }
            }
            return lines;
        }
    }

    private static Result run(String... arguments) {
        CommandLine line = Main.commandLine();
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        int exit = line.execute(arguments);
        return new Result(exit, out.toString(), err.toString());
    }

    private static CompletableFuture<Result> later(String... arguments) {
        return CompletableFuture.supplyAsync(() -> run(arguments));
    }

    // --- check ---

    @Test
    void checkOfTheDraft() {
        Result result = run("check", "demo:draft", "--json");
        assertThat(result.exit()).isEqualTo(1);
        JsonNode findings = result.json().get("findings");
        assertThat(findings).hasSizeGreaterThan(8);
        for (JsonNode f : findings) {
            assertThat(f.fieldNames())
                    .toIterable()
                    .containsExactly("rule", "severity", "hop", "subjects", "text", "fixes");
            assertThat(f.get("severity").asText()).isIn("broken", "at-risk", "note");
            assertThat(f.get("hop").isNull()
                            || (f.get("hop").asInt() >= 1 && f.get("hop").asInt() <= 10))
                    .isTrue();
            assertThat(f.get("subjects")).isNotEmpty();
            for (JsonNode fix : f.get("fixes")) {
                assertThat(fix.get("id").asText())
                        .startsWith(f.get("rule").asText() + "@"
                                + f.get("subjects").get(0).asText());
            }
        }
        for (JsonNode rule : result.json().get("rules")) {
            assertThat(rule.get("outcome").asText())
                    .isIn("passes", "broken", "at-risk", "note", "not-known", "not-applicable");
        }
    }

    @Test
    void checkOfTheReadyPlanHasNothingBroken() {
        Result result = run("check", "demo:ready", "--json");
        assertThat(result.exit()).isZero();
        assertThat(run("check", "demo:ready").out()).contains("1 finding in Fernlight Trail");
    }

    // --- machine and export ---

    @Test
    void whatToTypeOnAComputerIsPrintedBothWaysAndRunsNothing() {
        Result there = run("machine", "demo:ready", "office computer", "--called", "Ethernet 3=Stream");
        assertThat(there.exit()).isZero();
        assertThat(there.out())
                .contains("Rename-NetAdapter -Name 'Ethernet 3' -NewName 'Stream'", "-IPAddress 10.41.60.7");
        Result back = run("machine", "demo:ready", "office-computer", "--back");
        assertThat(back.out()).contains("as it was", "-Dhcp Enabled").doesNotContain("New-NetIPAddress");
        assertThat(run("machine", "demo:ready", "office-computer", "--json").json())
                .isNotEmpty()
                .allSatisfy(s ->
                        assertThat(s.fieldNames()).toIterable().containsExactly("title", "typed", "command", "back"));
        assertThat(run("machine", "demo:ready", "moon").err()).contains("The plan has no host \"moon\".");
        assertThat(run("machine", "demo:ready", "Hut console").exit()).isEqualTo(2);
        assertThat(run("machine", "demo:ready", "office-computer", "--called", "x=Moon")
                        .err())
                .contains("Office computer has no adapter \"Moon\" in the plan.");
    }

    @Test
    void thisComputerIsSetBesideTheOneOfThePlan() {
        Result alone = run("here", "--json");
        assertThat(alone.exit()).isZero();
        assertThat(alone.json().get("adapters"))
                .anySatisfy(a -> assertThat(a.get("addresses").toString()).contains("127.0.0.1/8"));
        Result beside = run("here", "demo:ready", "office computer");
        assertThat(beside.exit()).isEqualTo(1);
        assertThat(beside.out()).contains("The plan has Stream (10.41.60.7/16); this computer has no adapter like it.");
        assertThat(run("here", "demo:ready").err()).contains("Say which host of the plan this computer is");
        assertThat(run("here", "demo:ready", "moon").exit()).isEqualTo(2);
    }

    @Test
    void addressesAreExportedAndNoFileIsWrittenOver(@TempDir Path folder) throws Exception {
        assertThat(run("export", "demo:ready", "--as", "csv").out())
                .contains("Boathouse node,Boathouse,Network,Stream,10.41.22.3");
        assertThat(run("export", "demo:ready", "--as", "hosts").out()).contains("10.41.1.1\thut-console");
        assertThat(run("export", "demo:ready", "--as", "dnsmasq").out())
                .contains("# left out: The Network adapter of Boathouse node has no hardware address");
        Path file = folder.resolve("kea.json");
        assertThat(run("export", "demo:ready", "--as", "kea", "-o", file.toString())
                        .exit())
                .isZero();
        assertThat(Files.readString(file)).contains("\"Dhcp4\"");
        Result again = run("export", "demo:ready", "--as", "csv", "-o", file.toString());
        assertThat(again.exit()).isEqualTo(2);
        assertThat(again.err()).contains("already; nothing was written");
        assertThat(Files.readString(file)).contains("\"Dhcp4\"");
        assertThat(run("export", "demo:ready", "--as", "moon").exit()).isEqualTo(2);
    }

    /** "May I add 60 universes?", "what happens if the primary dies?", "why is it dark?": asked and answered. */
    @Test
    void loadContestsAndTheNextLook() {
        Result load = run("load", "demo:ready", "--json");
        assertThat(load.exit()).isZero();
        double before = load.json().get("links").get(0).get("part").asDouble();
        Result more = run("load", "demo:ready", "--add", "300", "--from", "hut desk", "--json");
        assertThat(more.exit()).as("too much").isEqualTo(1);
        assertThat(more.json().get("links").get(0).get("part").asDouble()).isGreaterThan(before + 0.5);
        assertThat(run("load", "demo:ready", "--add", "3").err()).contains("Say which program would send them");
        Result wins = run("who-wins", "demo:ready", "--universe", "u1", "--json");
        assertThat(wins.exit()).isZero();
        assertThat(wins.json().get(0).get("failures").get(0).get("seconds").asDouble())
                .isEqualTo(10);
        assertThat(run("who-wins", "demo:ready", "--universe", "moon").exit()).isEqualTo(2);
        Result look = run("next-look", "demo:draft", "boathouse-node.p1", "--saw", "6=yes", "--saw", "8=no", "--json");
        assertThat(look.exit()).isZero();
        assertThat(look.json().get("left")).hasSize(2);
        assertThat(look.json().get("next").get("hop").asInt()).isEqualTo(7);
        Result found = run(
                "next-look", "demo:draft", "boathouse-node.p1", "--saw", "6=yes", "--saw", "8=no", "--saw", "7=yes");
        assertThat(found.exit()).as("nothing more to look at").isEqualTo(1);
        assertThat(found.out()).startsWith("It fails at hop 8 (numbers agree).");
        for (String wrong : List.of("8", "0=yes", "8=perhaps", "99=no")) {
            assertThat(run("next-look", "demo:draft", "boathouse-node.p1", "--saw", wrong)
                            .exit())
                    .isEqualTo(2);
        }
        for (String nobody : List.of("moon", "Port 1", "", "a@b#c", "x".repeat(300))) {
            assertThat(run("next-look", "demo:draft", nobody).exit()).as(nobody).isEqualTo(2);
        }
    }

    /** A workbook goes out, one cell of it is another address, and it comes back; nothing is written where nobody says where. */
    @Test
    void aTableGoesOutAndComesBack() throws IOException {
        Path book = folder.resolve("addresses.xlsx");
        assertThat(run("export", "demo:ready", "--as", "xlsx").exit()).isEqualTo(2);
        assertThat(run("export", "demo:ready", "--as", "xlsx", "-o", book.toString())
                        .exit())
                .isZero();
        assertThat(run("import", "demo:ready", book.toString(), "--json").json())
                .hasToString(
                        "{\"changes\":[],\"warnings\":[],\"facts\":0,\"same\":22,\"leftOut\":[],\"leftOutRows\":0}");
        Path text = folder.resolve("addresses.csv");
        Files.writeString(text, "Name;IP\r\nJetty node;10.41.22.9\r\nMoon node;10.41.22.10\r\n");
        Path after = folder.resolve("after.json");
        Result taken = run("import", "demo:ready", text.toString(), "-o", after.toString());
        assertThat(taken.exit()).isEqualTo(1);
        assertThat(taken.out())
                .contains("10.41.22.4/16 becomes 10.41.22.9/16")
                .contains("Row 3: no device of the plan is called \"Moon node\"");
        assertThat(run("export", after.toString(), "--as", "csv").out())
                .contains("Jetty node,Boathouse,Network,Stream,10.41.22.9");
        Files.write(book, new byte[] {1, 2, 3});
        assertThat(run("import", "demo:ready", book.toString()).err())
                .startsWith("addresses.xlsx: this workbook cannot be read");
        assertThat(run("import", "demo:ready", "moon.csv").exit()).isEqualTo(2);
        assertThat(run("ask", "demo:ready", "moon").exit()).isEqualTo(2);
        assertThat(run("ask", "demo:ready", "--seconds", "0").exit()).isEqualTo(2);
    }

    @Test
    void everyRuleIsPrintedForPeopleAndForPrograms() {
        Result people = run("rules");
        assertThat(people.exit()).isZero();
        assertThat(people.out()).startsWith("# The rules").contains("## address.duplicate", "## universe.over-limit");
        Result programs = run("rules", "--json");
        assertThat(programs.json()).hasSize(zentrel.check.RuleBook.rules().size());
        for (JsonNode rule : programs.json()) {
            assertThat(rule.fieldNames()).toIterable().containsExactly("rule", "title", "why");
            assertThat(people.out()).contains("## " + rule.get("rule").asText() + "\n");
        }
        assertThat(run("check", "demo:draft", "--json").json().get("rules"))
                .hasSize(zentrel.check.RuleBook.rules().size());
    }

    @Test
    void aPathThroughABridgeHasItsLegsInOrder() throws IOException {
        Path plan = folder.resolve("bridge.json");
        Files.writeString(plan, """
                {"zentrel-plan":1,"segments":[{"id":"net"}],
                 "hosts":[{"id":"c","kind":"console","adapters":[{"id":"c.n","segment":"net","addresses":["10.58.0.1/16"]}]},
                          {"id":"k","kind":"computer","adapters":[{"id":"k.n","segment":"net","addresses":["10.58.0.2/16"]}]},
                          {"id":"n","kind":"node","adapters":[{"id":"n.n","segment":"net","addresses":["10.58.0.3/16"]}]}],
                 "applications":[{"id":"desk","host":"c","kind":"console"},{"id":"bridge","host":"k","kind":"bridge"},{"id":"fw","host":"n","kind":"node"}],
                 "universes":[{"id":"u","number":1}],
                 "streams":[{"id":"s1","application":"desk","universe":"u","protocol":"sacn","wire":1},
                            {"id":"s2","application":"bridge","universe":"u","protocol":"artnet","wire":0}],
                 "receivers":[{"id":"br","application":"bridge","ports":[{"id":"in","kind":"internal","protocol":"sacn","wire":1,"universe":"u"}]},
                              {"id":"nr","application":"fw","ports":[{"id":"p1","protocol":"artnet","wire":0,"universe":"u"}]}],
                 "lines":[{"id":"l","port":"p1"}],
                 "fixtures":[{"id":"f","line":"l","breaks":[{"universe":"u","start":1}]}]}
                """);
        Result result = run("path", plan.toString(), "--fixture", "f", "--json");
        assertThat(result.exit()).isZero();
        JsonNode path = result.json().get("paths").get(0);
        assertThat(path.get("source").asText()).isEqualTo("desk");
        assertThat(path.get("legs")).hasSize(2);
        assertThat(path.get("legs").get(0).get("to").asText()).isEqualTo("bridge");
        assertThat(path.get("legs").get(1).get("from").asText()).isEqualTo("bridge");
        assertThat(run(
                                "send",
                                "--protocol",
                                "dmx",
                                "--universe",
                                "1",
                                "--slot",
                                "1=1",
                                "--from",
                                "127.0.0.9",
                                "--seconds",
                                "1")
                        .err())
                .contains("\"dmx\" is not a protocol; write artnet or sacn.");
    }

    // --- path ---

    @Test
    void pathOfAFixture() {
        Result result = run("path", "demo:draft", "--fixture", "f501", "--json");
        assertThat(result.exit()).isEqualTo(1);
        assertThat(result.json().get("verdict").asText()).isEqualTo("broken");
        JsonNode path = result.json().get("paths").get(0);
        assertThat(path.get("source").asText()).isEqualTo("hut-desk");
        assertThat(path.get("receiver").asText()).isEqualTo("boathouse-node.p1");
        assertThat(path.get("protocol").asText()).isEqualTo("artnet");
        assertThat(path.get("delivery").asText()).isEqualTo("found");
        JsonNode hops = path.get("legs").get(0).get("hops");
        assertThat(hops).hasSize(10);
        JsonNode fourth = hops.get(3);
        assertThat(fourth.fieldNames())
                .toIterable()
                .containsExactly("hop", "at", "verdict", "reason", "text", "cause", "fix");
        assertThat(fourth.get("reason").asText()).isEqualTo("universe.nobody-asked");
        assertThat(fourth.get("cause").asText()).isEqualTo("boathouse-node.p1");
        assertThat(fourth.get("fix").asText()).isEqualTo("universe.off-by-one@boathouse-node.p1");
        assertThat(hops.get(0).get("reason").isNull()).isTrue();
    }

    @Test
    void pathOfAUniverseAndALink() {
        assertThat(run("path", "demo:ready", "--universe", "u1", "--json")
                        .json()
                        .get("verdict")
                        .asText())
                .isEqualTo("passes");
        Result link = run("path", "demo:draft", "--link", "go-link", "--json");
        assertThat(link.exit()).isEqualTo(1);
        assertThat(link.json().get("paths").get(0).get("legs")).hasSize(2);
        assertThat(run("path", "demo:draft", "--link", "go-link").out()).contains("FAILS");
    }

    // --- number: the example that the tools promise, then corners ---

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 | show | 0 | {\"show\":1,\"artnet\":{\"portAddress\":0,\"net\":0,\"subNet\":0,\"universe\":0,\"shownFrom0\":0,\"shownFrom1\":1},\"sacn\":{\"universe\":1,\"group\":\"239.255.0.1\"}}",
                "1 | show | 1 | {\"show\":1,\"artnet\":{\"portAddress\":1,\"net\":0,\"subNet\":0,\"universe\":1,\"shownFrom0\":1,\"shownFrom1\":2},\"sacn\":{\"universe\":1,\"group\":\"239.255.0.1\"}}",
                "0 | artnet | 1 | {\"show\":null,\"artnet\":{\"portAddress\":0,\"net\":0,\"subNet\":0,\"universe\":0,\"shownFrom0\":0,\"shownFrom1\":1},\"sacn\":null}",
                "40000 | sacn | 0 | {\"show\":40000,\"artnet\":null,\"sacn\":{\"universe\":40000,\"group\":\"239.255.156.64\"}}"
            })
    void number(String n, String from, String first, String expected) {
        Result result = run("number", n, "--from", from, "--artnet-first", first, "--json");
        assertThat(result.exit()).isZero();
        assertThat(result.out().strip()).isEqualTo(expected);
    }

    // --- apply and fmt ---

    @Test
    void applyWritesThePlanWithItsFixes() throws Exception {
        Path out = folder.resolve("fixed.json");
        Result one = run(
                "apply",
                "demo:draft",
                "--fix",
                "universe.off-by-one@boathouse-node.p1",
                "-o",
                out.toString(),
                "--json");
        assertThat(one.exit()).as("something else is still broken").isEqualTo(1);
        assertThat(one.json().get("applied").get(0).get("text").asText())
                .isEqualTo("Set Port 1 of Boathouse node to 4");
        assertThat(run("check", out.toString(), "--json").out()).doesNotContain("universe.off-by-one@");
        List<String> all = new ArrayList<>(List.of("apply", "demo:draft", "-o", out.toString()));
        for (JsonNode f : run("check", "demo:draft", "--json").json().get("findings")) {
            if (!f.get("severity").asText().equals("note")
                    && !all.contains(f.get("rule").asText())) {
                all.addAll(List.of("--fix", f.get("rule").asText()));
            }
        }
        // Masks are mended with the reply that could not come back, so that rule finds nothing left.
        all.subList(all.indexOf("address.mask-differs") - 1, all.indexOf("address.mask-differs") + 1)
                .clear();
        Result result = run(all.toArray(String[]::new));
        assertThat(result.err()).isEmpty();
        assertThat(result.exit()).isZero();
        assertThat(run("check", out.toString()).exit()).isZero();
    }

    @Test
    void fmtIsCanonical() throws IOException {
        Path file = Files.writeString(
                folder.resolve("p.json"),
                "{\"hosts\":[{\"kind\":\"node\",\"id\":\"n\",\"x-new\":1}],\"zentrel-plan\":1,\"name\":\"P\"}");
        String once = run("fmt", file.toString()).out();
        assertThat(once)
                .startsWith("{\n  \"zentrel-plan\": 1,\n  \"name\": \"P\"")
                .contains("x-new");
        Files.writeString(file, once);
        assertThat(run("fmt", file.toString()).out()).isEqualTo(once);
    }

    // --- refusals: exit 2, one sentence ---

    @ParameterizedTest
    @ValueSource(
            strings = {
                "check",
                "check nowhere.json",
                "check demo:lost",
                "path demo:draft",
                "path demo:draft --fixture nobody",
                "path demo:draft --fixture f501 --link go-link",
                "number x --from show",
                "number 0 --from sacn",
                "number 64000 --from sacn",
                "number 32768 --from artnet",
                "number 1 --from show --artnet-first 2",
                "number 1 --from mars",
                "apply demo:draft --fix no.rule -o /tmp/x.json",
                "apply demo:draft --fix universe.off-by-one@nobody -o /tmp/x.json",
                "apply demo:draft --fix universe.off-by-one -o /no/such/folder/x.json",
                "standin node --address 10.1.1.1 --port 1=artnet:4",
                "standin node --address 127.1.1.1",
                "standin node --address 127.1.1.1 --port 1=artnet",
                "standin node --address 127.1.1.1 --port 1=sacn:0",
                "standin toaster --address 127.1.1.1",
                "standin session --address 127.1.1.1",
                "standin session --address 127.1.1.1 --session T --part conductor",
                "standin console --address 127.1.1.1 --to 10.1.1.1",
                "send --protocol artnet --universe 4 --from 127.1.1.1 --to 10.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --from 10.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --from 127.1.1.1 --to 127.1.1.2 --arm nosuch --seconds 1",
                "send --protocol dmx --universe 4 --from 127.1.1.1 --seconds 1",
                "send --protocol artnet --universe 40000 --from 127.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --slot 513=1 --from 127.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --slot 5 --from 127.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --rate 0 --from 127.1.1.1 --seconds 1",
                "send --protocol artnet --universe 4 --from 127.1.1.1 --seconds -1",
                "osc",
                "osc send 10.1.1.1:24510 /a",
                "osc send 127.0.0.1 /a",
                "osc send 127.0.0.1:24510 a",
                "osc listen --port 0 --seconds 1",
                "osc query 127.0.0.1:1",
                "osc send 127.0.0.1:24510 /a --tcp http",
                "cues",
                "cues compare nowhere.csv nowhere.csv",
                "standin cues --address 127.1.1.1",
                "listen --adapter 203.0.113.7 --seconds 1",
                "listen --adapter 127.1.1.1 --universes 5-1 --seconds 1",
                "nonsense"
            })
    void badArgumentsGiveOneSentenceAndExit2(String arguments) {
        Result result = run(arguments.split(" ", -1));
        assertThat(result.exit()).isEqualTo(2);
        assertThat(result.out()).isEmpty();
        assertThat(result.err().strip().lines()).as(result.err()).hasSize(1);
        assertThat(result.err()).hasSizeGreaterThan(15).doesNotContain("Exception", "\tat ");
    }

    // --- the wire ---

    @Test
    void aNodeSeesWhatIsSent() throws Exception {
        CompletableFuture<Result> node = later(
                "standin",
                "node",
                "--address",
                "127.62.20.3",
                "--port",
                "1=artnet:404",
                "--port",
                "2=sacn:405",
                "--seconds",
                "5",
                "--json");
        Thread.sleep(800);
        Result artnet = run(
                "send",
                "--protocol",
                "artnet",
                "--universe",
                "404",
                "--slot",
                "37=255",
                "--from",
                "127.62.1.1",
                "--seconds",
                "1",
                "--json");
        Result sacn = run(
                "send",
                "--protocol",
                "sacn",
                "--universe",
                "405",
                "--slot",
                "2=7",
                "--from",
                "127.62.1.2",
                "--rate",
                "20",
                "--seconds",
                "1",
                "--json");
        assertThat(artnet.exit()).isZero();
        assertThat(artnet.json().get("delivery").asText()).isEqualTo("broadcast");
        assertThat(artnet.json().get("packets").asInt()).isBetween(25, 45);
        assertThat(sacn.json().get("delivery").asText()).isEqualTo("multicast");
        assertThat(sacn.json().get("packets").asInt()).isBetween(12, 24);
        Result seen = node.get();
        assertThat(seen.exit()).isZero();
        List<String> levels = seen.jsonLines().stream()
                .filter(l -> l.get("event").asText().equals("level"))
                .map(l -> l.get("port").asText() + l.get("slots"))
                .toList();
        assertThat(levels).contains("1{\"37\":255}", "2{\"2\":7}");
        assertThat(seen.jsonLines().get(0).get("event").asText()).isEqualTo("ready");
    }

    @Test
    void aConsoleFindsANodeAndAListenerListsIt() throws Exception {
        CompletableFuture<Result> node = later(
                "standin", "node", "--address", "127.62.20.4", "--port", "a=artnet:410", "--seconds", "5", "--json");
        CompletableFuture<Result> listener =
                later("listen", "--adapter", "127.62.30.1", "--universes", "411", "--seconds", "5", "--json");
        Thread.sleep(600);
        Result console = run(
                "standin",
                "console",
                "--address",
                "127.62.1.5",
                "--universe",
                "artnet:410",
                "--universe",
                "sacn:411",
                "--slot",
                "9=90",
                "--seconds",
                "3",
                "--json");
        assertThat(console.jsonLines())
                .anyMatch(l -> l.get("event").asText().equals("node")
                        && l.get("address").asText().equals("127.62.20.4"));
        assertThat(node.get().out()).contains("\"slots\":{\"9\":90}", "poll-answered");
        JsonNode universes = listener.get().json().get("universes");
        assertThat(universes).anySatisfy(u -> {
            assertThat(u.get("number").asInt()).isEqualTo(411);
            assertThat(u.get("sources").get(0).get("address").asText()).isEqualTo("127.62.1.5");
            assertThat(u.get("sources").get(0).get("lost").asInt()).isZero();
        });
    }

    /** Desks of a session; the main one ends, and the backup plays on where it was. */
    @Test
    void desksOfASessionEnterAndTheBackupTakesOver() throws Exception {
        String desk = "standin session --session Trail --release 4.2.0.18 --json";
        CompletableFuture<Result> main =
                later((desk + " --address 127.62.40.1 --name hut --key marrow --show Fernlight --walk --seconds 6")
                        .split(" "));
        CompletableFuture<Result> backup = later(
                (desk + " --address 127.62.40.2 --name backup --part backup --key marrow --seconds 12").split(" "));
        CompletableFuture<Result> wrong = later(
                (desk + " --address 127.62.40.3 --name tablet --part remote --key turnip --seconds 6").split(" "));
        assertThat(main.get().out()).contains("\"state\":\"leads\"", "\"desk\":\"backup\",\"state\":\"let in\"");
        assertThat(wrong.get().out()).contains("key not recognised");
        assertThat(backup.get().jsonLines().stream()
                        .filter(l -> l.get("event").asText().equals("desk"))
                        .map(l -> l.get("state").asText()))
                .containsSubsequence("found", "asked", "in step", "lost", "leads");
        assertThat(backup.get().out())
                .containsPattern("takes over from hut at cue [5-9]|takes over from hut at cue 1[0-2]");
    }

    /** Two lists differ; the labels of the one go to a desk with the other; what comes is counted. */
    /** The same rig as a plan, a table, a workbook and a scene: no difference; a list into an empty plan and back. */
    @Test
    void oneRigInEachFormIsOneRig(@TempDir Path folder) throws Exception {
        for (String form : new String[] {"csv", "xlsx", "mvr"}) {
            Path file = folder.resolve("rig." + form);
            assertThat(run("patch", "export", "demo:ready", "--as", form, "-o", file.toString())
                            .exit())
                    .isZero();
            Result same = run("patch", "compare", "demo:ready", file.toString(), "--json");
            assertThat(same.json().get("differences")).as(form).isEmpty();
            assertThat(same.json().get("listB").get("fixtures").asInt()).isEqualTo(140);
            assertThat(same.exit()).isZero();
        }
        Path empty = Files.writeString(folder.resolve("empty.json"), "{\"zentrel-plan\":1}");
        Path filled = folder.resolve("filled.json");
        Result taken = run(
                "patch",
                "import",
                empty.toString(),
                folder.resolve("rig.mvr").toString(),
                "-o",
                filled.toString(),
                "--json");
        assertThat(taken.json().get("added").asInt()).isEqualTo(140);
        assertThat(run("patch", "compare", "demo:ready", filled.toString()).exit())
                .isZero();
        assertThat(run(
                                "patch",
                                "export",
                                filled.toString(),
                                "--as",
                                "csv",
                                "--columns",
                                "number,slot",
                                "--slots",
                                "absolute")
                        .out()
                        .lines()
                        .skip(13)
                        .findFirst())
                .contains("201,513,"); // the last column counts parts, which the arches have
        Result differs = run("patch", "compare", "demo:draft", "demo:draft#Office previs list", "--json");
        assertThat(differs.exit()).isEqualTo(1);
        assertThat(differs.json().get("differences"))
                .extracting(d -> d.get("kind").asText() + " " + d.get("number").asText())
                .contains("mode 201", "footprint 209", "address 301", "missing-in-b 404", "label 505", "universe 904")
                .hasSize(41);
    }

    @Test
    void pixelsAreSplitAndFed() throws Exception {
        Result split = run("pixels", "split", "--pixels", "3060", "--outputs", "5", "--json");
        assertThat(split.json().get("universes").asInt()).isEqualTo(20);
        assertThat(split.json().get("outputs").get(1).get("universes").get(0).toString())
                .isEqualTo(
                        "{\"number\":5,\"firstPixel\":1,\"pixels\":170,\"firstSlot\":1,\"slots\":510,\"straddles\":false}");
        Result over = run("pixels", "split", "--pixels", "3060", "--outputs", "4", "--most-per-output", "720");
        assertThat(over.exit()).isEqualTo(1);
        assertThat(over.out())
                .contains("Output 1 has 765 pixels, and an output drives 720; 5 outputs are needed in all.");
        Result power = run("pixels", "power", "--pixels", "612", "--supply", "150");
        assertThat(power.exit()).isEqualTo(1);
        assertThat(power.out()).contains("36.72 A, 183.60 W", "limit the brightness to 81 %");
        Result planned = run("pixels", "power", "demo:draft");
        assertThat(planned.exit()).isEqualTo(1);
        assertThat(planned.out())
                .contains(
                        "Pergola controller, Output 4: 320 pixels at 100 %: 19.20 A, 96.00 W; the supply gives 80 W: limit"
                                + " the brightness to 83 %.");
        assertThat(run("pixels", "refresh", "demo:ready", "--json").json().get("outputs"))
                .hasSize(5);
        assertThat(run("pixels", "export", "demo:ready", "--as", "universes")
                        .out()
                        .lines())
                .contains("12,Arches 2,Pergola controller,Output 1,Arch 2,11,160,1,450");
        assertThat(run("pixels", "export", "demo:ready", "--as", "towers").err())
                .contains("there is no \"towers\"");
    }

    @Test
    void cueListsAreComparedAndLabelsSent(@TempDir Path folder) throws Exception {
        Path paper = Files.writeString(
                folder.resolve("paper.csv"),
                "List,Cue,Label,Time\n2,1,Dawn,3\n2,2,Noon,0:05\n2,x,Nobody,1\n2,3,Dusk,4\n");
        Path desk = Files.writeString(
                folder.resolve("desk.csv"), "Cue list,Number,Name,Fade\n2,1.0,Dawn,3.0\n2,2,Midday,5\n2,4,Night,4\n");
        Result compared = run("cues", "compare", paper.toString(), desk.toString(), "--json");
        assertThat(compared.exit()).isEqualTo(1);
        assertThat(compared.json().get("differences"))
                .extracting(d -> d.get("kind").asText() + " " + d.get("list").asText() + "/"
                        + d.get("cue").asText() + " " + d.get("a").asText("–") + " "
                        + d.get("b").asText("–"))
                .containsExactlyInAnyOrder(
                        "label 2/2 Noon Midday", "missing-in-b 2/3 Dusk –", "missing-in-a 2/4 – Night");
        assertThat(compared.json().get("leftOut").get(0).get("row").asInt()).isEqualTo(4);
        assertThat(run("cues", "compare", paper.toString(), paper.toString()).exit())
                .isZero();

        CompletableFuture<Result> standin = later(
                "standin",
                "cues",
                "--address",
                "127.62.50.1",
                "--osc-port",
                "24810",
                "--cues",
                desk.toString(),
                "--seconds",
                "4",
                "--json");
        CompletableFuture<Result> monitor = later(
                "osc",
                "monitor",
                "--address",
                "127.62.50.2",
                "--port",
                "24811",
                "--known",
                "/fern/*",
                "--seconds",
                "4",
                "--json");
        Thread.sleep(1200);
        Result sent = run("cues", "send", paper.toString(), desk.toString(), "--to", "127.62.50.1:24810", "--json");
        assertThat(sent.json().get("messages").get(0).asText()).isEqualTo("/fern/label \"2\" \"2\" \"Noon\"");
        run("osc", "send", "127.62.50.2:24811", "/fern/next");
        run("osc", "send", "127.62.50.2:24811", "/other/next", "7");
        assertThat(standin.get().out()).contains("\"address\":\"/fern/label\",\"from\":\"127.0.0.1\",\"acted\":true");
        Result counted = monitor.get();
        assertThat(counted.exit()).isEqualTo(1);
        assertThat(counted.json().get("rows"))
                .extracting(r -> r.get("address").asText() + " "
                        + r.get("matched").asBoolean() + " " + r.get("last").asText())
                .containsExactlyInAnyOrder("/fern/next true ", "/other/next false 7");
    }

    /** Addresses by OSCQuery from a server of the JDK; a message by TCP to a port where nobody listens. */
    @Test
    void addressesAreReadFromADescription() throws Exception {
        HttpServer server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 1);
        String[] body = {
            "{\"FULL_PATH\":\"/\",\"CONTENTS\":{\"fern\":{\"FULL_PATH\":\"/fern\",\"CONTENTS\":{"
                    + "\"level\":{\"FULL_PATH\":\"/fern/level\",\"TYPE\":\"if\",\"ACCESS\":3},"
                    + "\"state\":{\"FULL_PATH\":\"/fern/state\",\"TYPE\":\"s\",\"ACCESS\":1}}}}}"
        };
        server.createContext("/", exchange -> {
            byte[] bytes = body[0].getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(200, bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        server.start();
        try {
            String at = "127.0.0.1:" + server.getAddress().getPort();
            assertThat(run("osc", "query", at).out().lines())
                    .containsExactly("/fern/level  if", "/fern/state  s  (only tells)");
            body[0] = "{\"CONTENTS\":".repeat(200) + "{}" + "}".repeat(200);
            assertThat(run("osc", "query", at).err())
                    .contains("nested deeper than 64")
                    .hasLineCount(1);
            body[0] = "<html>";
            assertThat(run("osc", "query", at).err()).contains("not JSON").hasLineCount(1);
        } finally {
            server.stop(0);
        }
        assertThat(run("osc", "query", "10.1.1.1:80").exit()).isEqualTo(2);
        Result tcp = run("osc", "send", "127.0.0.1:1", "/fern/next", "--tcp", "slip");
        assertThat(tcp.exit()).isEqualTo(2);
        assertThat(tcp.err()).contains("nothing listens there by TCP");
    }

    /** What nobody planned is found, matched, set and confirmed; what arrives is recorded and read again. */
    @Test
    void aNodeIsFoundSetBesideThePlanAndSet(@TempDir Path folder) throws Exception {
        CompletableFuture<Result> node = later(
                "standin",
                "node",
                "--address",
                "127.65.20.3",
                "--name",
                "Boathouse node",
                "--port",
                "1=artnet:420",
                "--port",
                "2=artnet:421",
                "--restart",
                "0.5",
                "--seconds",
                "14",
                "--json");
        Path file = folder.resolve("seen.pcapng");
        CompletableFuture<Result> recording = later(
                "record", "--adapter", "127.65.1.1", "--universes", "422", "--seconds", "4", "-o", file.toString());
        CompletableFuture<Result> sender = later(
                "send",
                "--protocol",
                "sacn",
                "--universe",
                "422",
                "--slot",
                "3=77",
                "--from",
                "127.65.1.9",
                "--rate",
                "20",
                "--seconds",
                "3");
        JsonNode devices = run(
                        "discover",
                        "--adapter",
                        "127.65.1.1",
                        "--seconds",
                        "2",
                        "--to",
                        "127.65.20.3",
                        "--plan",
                        "demo:ready",
                        "--json")
                .json()
                .get("devices");
        assertThat(devices).anySatisfy(d -> {
            assertThat(d.get("address").asText()).isEqualTo("127.65.20.3");
            assertThat(d.get("host").asText()).isEqualTo("boathouse-node");
            assertThat(d.get("reasons").get(0).asText()).isEqualTo("name");
            assertThat(d.get("ports").get(1).get("number").asInt()).isEqualTo(421);
            assertThat(d.get("differences").toString()).contains("address 127.65.20.3, plan 10.41.");
        });
        Result set = run(
                "set",
                "127.65.20.3",
                "--arm",
                "lo",
                "--short-name",
                "Jetty",
                "--port",
                "1=sacn:432",
                "--port",
                "2=artnet:433",
                "--merge",
                "1=ltp",
                "--ip",
                "127.65.20.4",
                "--mask",
                "255.0.0.0",
                "--json");
        assertThat(set.exit()).as(set.err()).isZero();
        JsonNode after = set.json().get("after");
        assertThat(after.get("address").asText()).isEqualTo("127.65.20.4");
        assertThat(after.get("shortName").asText()).isEqualTo("Jetty");
        assertThat(after.get("ports").get(0).get("protocol").asText()).isEqualTo("sacn");
        assertThat(after.get("ports").get(0).get("merge").asText()).isEqualTo("ltp");
        assertThat(node.get().out()).contains("\"event\":\"set\"", "short name Jetty");
        assertThat(recording.get().exit()).isZero();
        assertThat(sender.get().exit()).isZero();
        JsonNode replayed = run("replay", file.toString(), "--json").json();
        assertThat(replayed.get("universes")).anySatisfy(u -> {
            assertThat(u.get("number").asInt()).isEqualTo(422);
            assertThat(u.get("levels").toString()).isEqualTo("{\"3\":77}");
            assertThat(u.get("sources").get(0).get("rate").asDouble()).isBetween(15.0, 25.0);
        });
        assertThat(run("record", "--adapter", "127.65.1.1", "--seconds", "1", "-o", file.toString())
                        .err())
                .contains("is there already");
    }

    @Test
    void oscGoesFromOneToTheOther() throws Exception {
        String port;
        try (DatagramSocket free = new DatagramSocket(0)) {
            port = String.valueOf(free.getLocalPort());
        }
        CompletableFuture<Result> listener = later("osc", "listen", "--port", port, "--seconds", "3", "--json");
        await().pollInterval(Duration.ofMillis(300))
                .atMost(Duration.ofSeconds(3))
                .until(() -> {
                    run("osc", "send", "127.0.0.1:" + port, "/fern/next", "7", "0.5", "true", "now", "--json");
                    return true;
                });
        Thread.sleep(900);
        Result sent = run("osc", "send", "127.0.0.1:" + port, "/fern/next", "7", "0.5", "true", "now");
        assertThat(sent.out()).contains("UDP gives no answer");
        List<JsonNode> seen = listener.get().jsonLines();
        JsonNode last = seen.get(seen.size() - 1);
        assertThat(last.get("address").asText()).isEqualTo("/fern/next");
        assertThat(last.get("arguments").toString()).isEqualTo("[\"7\",\"0.5\",\"true\",\"now\"]");
    }

    @Test
    void aRigIsSaidFromNothingAndASentenceSaysWhatWasRefused() throws Exception {
        Path lines = folder.resolve("lines.txt");
        Path plan = folder.resolve("ferry.json");
        Files.writeString(lines, """
                # a ferry terminal
                full console called Ferry desk in Booth
                segment Streams 10.20.0.0/16
                put ferry desk on streams
                2 node 4 called Quay node in Quay on Streams at 10.20.5.1   # two of them
                set addresses of stream of ferry desk to 10.20.1.1/16

                route 1-6 ferry desk to quay node 1
                patch 4 wash of 18 on quay node 1 port 1
                """);
        Result said = run("say", "-", "--file", lines.toString(), "-o", plan.toString(), "--json");
        assertThat(said.exit()).as(said.out() + said.err()).isZero();
        assertThat(said.json().get("done")).hasSize(7);
        assertThat(said.json().get("done").get(5).get("text").asText())
                .isEqualTo("Route U1–4 of Ferry desk to Quay node 1, U5–6 to Quay node 2");
        assertThat(run("check", plan.toString()).exit()).isZero();

        Path untouched = folder.resolve("none.json");
        Result refused = run(
                "say",
                plan.toString(),
                "rename quay node 1 to Pier node",
                "bind ferry desk to garden",
                "-o",
                untouched.toString(),
                "--json");
        assertThat(refused.exit()).isEqualTo(1);
        assertThat(refused.json().get("done")).hasSize(1);
        assertThat(refused.json().get("refused").get(0).get("why").asText())
                .startsWith("Nothing here is called “garden”. There is ");
        assertThat(untouched).doesNotExist();
        assertThat(run(
                                "say",
                                plan.toString(),
                                "rename quay node 1 to Pier node",
                                "flux",
                                "--keep-going",
                                "-o",
                                untouched.toString())
                        .exit())
                .isEqualTo(1);
        assertThat(Files.readString(untouched)).contains("Pier node");
    }

    @Test
    void aPlanIsMadeFromAPattern() {
        Path plan = folder.resolve("new.json");
        assertThat(run("new", "console-nodes", "nodes=3", "-o", plan.toString()).exit())
                .isZero();
        assertThat(run("check", plan.toString()).exit()).isZero();
        assertThat(run("new", "console-nodes", "moons=3", "-o", plan.toString()).err())
                .startsWith("Console and nodes asks nothing called \"moons\"; it asks ");
        assertThat(run("new", "moon", "-o", plan.toString()).err())
                .startsWith("There is no pattern \"moon\"; there are ");
        assertThat(run("new", "console-nodes", "nodes=many", "-o", plan.toString())
                        .err())
                .contains("Answer a number from 1 to 40");
    }
}
