package zentrel.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

class PlanFileTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    // --- round trips ---

    @Test
    void whatIsWrittenReadsBackEqualAndWritesTheSame() throws PlanFileException {
        for (Plan plan : List.of(FernlightTrail.ready(), FernlightTrail.draft(), TestPlans.pier(), Plan.EMPTY)) {
            byte[] written = PlanWriter.write(LoadedPlan.of(plan));
            LoadedPlan read = PlanReader.read(written);
            assertThat(read.plan()).isEqualTo(plan);
            assertThat(text(PlanWriter.write(read))).isEqualTo(text(written)).doesNotContain("\r");
        }
    }

    @Test
    void theFileFollowsThePublishedSchema() throws IOException {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("..", "docs", "plan.schema.json")), InputFormat.JSON);
        for (Plan plan : List.of(FernlightTrail.ready(), FernlightTrail.draft(), TestPlans.pier())) {
            assertThat(schema.validate(text(PlanWriter.write(LoadedPlan.of(plan))), InputFormat.JSON))
                    .isEmpty();
        }
        assertThat(schema.validate(text(TestPlans.pierBytes()), InputFormat.JSON))
                .isEmpty();
        assertThat(schema.validate("{\"zentrel-plan\":1,\"hosts\":[{\"name\":\"no id\"}]}", InputFormat.JSON))
                .isNotEmpty();
        assertThat(schema.validate("{\"zentrel-plan\":1,\"streams\":[{\"id\":\"s\"}]}", InputFormat.JSON))
                .isNotEmpty();
    }

    @Test
    void unknownFieldsSurviveEverywhere() throws IOException, PlanFileException {
        JsonNode tree = JSON.readTree(TestPlans.pierBytes());
        int added = addUnknown(tree, 0);
        assertThat(added).isGreaterThan(50);
        LoadedPlan loaded = PlanReader.read(JSON.writeValueAsBytes(tree));
        JsonNode back = JSON.readTree(PlanWriter.write(loaded));
        assertThat(countUnknown(back)).isEqualTo(added);
        LoadedPlan again = PlanReader.read(PlanWriter.write(loaded));
        assertThat(again.plan()).isEqualTo(loaded.plan());
        assertThat(again.unknown().fields()).hasSameSizeAs(loaded.unknown().fields());
    }

    /** Puts a field that nobody knows into every object whose fields are not names themselves. */
    private static int addUnknown(JsonNode node, int soFar) {
        int count = soFar;
        List<JsonNode> children = new ArrayList<>();
        node.properties().stream()
                .filter(e -> !List.of("bindings", "screenFirst").contains(e.getKey()))
                .forEach(e -> children.add(e.getValue()));
        if (node instanceof ArrayNode array) {
            array.forEach(children::add);
        }
        if (node instanceof ObjectNode object && !object.has("artnet") && !object.has("sacn")) {
            object.put("x-later", count++);
        }
        for (JsonNode child : children) {
            count = addUnknown(child, count);
        }
        return count;
    }

    private static int countUnknown(JsonNode node) {
        int count = node.has("x-later") ? 1 : 0;
        for (JsonNode child : node) {
            count += countUnknown(child);
        }
        return count;
    }

    @Test
    void anUnknownFieldGoesWithTheThingThatHadIt() throws PlanFileException {
        String json =
                "{\"zentrel-plan\":1,\"x-top\":[1,2],\"hosts\":[{\"id\":\"a\",\"x-colour\":\"red\"},{\"id\":\"b\"}]}";
        LoadedPlan loaded = PlanReader.read(bytes(json));
        Plan renamed = loaded.plan().with(Kind.HOST.id("a"), h -> h.withName("Alpha"));
        assertThat(text(PlanWriter.write(new LoadedPlan(renamed, loaded.unknown()))))
                .contains("x-colour", "Alpha", "x-top");
        Plan without = loaded.plan().with(Kind.HOST, loaded.plan().hosts().subList(1, 2));
        assertThat(text(PlanWriter.write(new LoadedPlan(without, loaded.unknown()))))
                .doesNotContain("x-colour")
                .contains("x-top");
    }

    @Test
    void aNewerFormatIsReadAndItsNumberKept() throws PlanFileException {
        LoadedPlan loaded = PlanReader.read(bytes("{\"zentrel-plan\":7,\"name\":\"Later\",\"moods\":[\"calm\"]}"));
        assertThat(loaded.plan().name()).isEqualTo("Later");
        assertThat(text(PlanWriter.write(loaded))).contains("\"zentrel-plan\": 7", "moods");
    }

    // --- bad files: a sentence that says what and where ---

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | empty",
                "'   ' | empty",
                "[] | object",
                "null | object",
                "{\"name\":\"x\"} | zentrel-plan",
                "{\"zentrel-plan\":\"1\"} | zentrel-plan",
                "{\"zentrel-plan\":1,} | line 1",
                "{\"zentrel-plan\":1}{} | line 1",
                "{\"zentrel-plan\":1,\"name\":\"a\",\"name\":\"b\"} | Duplicate field",
                "{\"zentrel-plan\":1,\"hosts\":{}} | hosts",
                "{\"zentrel-plan\":1,\"hosts\":[{\"name\":\"x\"}]} | hosts[0]",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"\"}]} | hosts[0].id",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a b\"}]} | hosts[0].id",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\"},{\"id\":\"a\"}]} | already used at hosts[0].id",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"kind\":\"toaster\"}]} | console, computer, node",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"adapters\":[{\"id\":\"b\",\"addresses\":[\"10.1.1.256/8\"]}]}]} | hosts[0].adapters[0].addresses[0]",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"adapters\":[{\"id\":\"b\",\"addresses\":[\"10.1.1.1\"]}]}]} | mask is missing",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"adapters\":[{\"id\":\"b\",\"segment\":\"c\"}]}]} | no segment \"c\"",
                "{\"zentrel-plan\":1,\"segments\":[{\"id\":\"s\",\"subnet\":\"10.1.1.1/8\"}]} | 10.0.0.0/8",
                "{\"zentrel-plan\":1,\"applications\":[{\"id\":\"a\",\"host\":\"h\"}]} | no host \"h\"",
                "{\"zentrel-plan\":1,\"universes\":[{\"id\":\"u\",\"number\":1.5}]} | whole number",
                "{\"zentrel-plan\":1,\"universes\":[{\"id\":\"u\",\"number\":99999999999}]} | whole number",
                "{\"zentrel-plan\":1,\"universes\":[{\"id\":\"u\",\"number\":1}],\"fixtures\":[{\"id\":\"f\",\"breaks\":[]}]} | at least one break",
                "{\"zentrel-plan\":1,\"universes\":[{\"id\":\"u\",\"number\":1}],\"fixtures\":[{\"id\":\"f\",\"breaks\":[{\"universe\":\"u\",\"start\":0}]}]} | breaks[0].start",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\"}],\"cables\":[{\"id\":\"c\",\"from\":\"a\",\"to\":\"b\"}]} | a cable ends at a host",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\"}],\"cables\":[{\"id\":\"c\",\"from\":\"a\",\"to\":\"a\"}]} | two different ends",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\"}],\"cables\":[{\"id\":\"c\",\"kind\":\"rope\",\"from\":\"a\",\"to\":\"a\"}]} | network, dmx, power",
                "{\"zentrel-plan\":1,\"profiles\":[{\"id\":\"p\"},{\"id\":\"p\"}]} | already described at profiles[0]",
                "{\"zentrel-plan\":1,\"profiles\":[{\"id\":\"p\",\"steps\":[{\"of\":[\"colour\"],\"does\":\"x\"}]}]} | profiles[0].steps[0]",
                "{\"zentrel-plan\":1,\"profiles\":[{\"id\":\"p q\"}]} | may not contain blanks",
                "{\"zentrel-plan\":1,\"profiles\":[{\"id\":\"p\",\"menus\":{\"colour\":\"x\"}}]} | nothing that is set",
                "{\"zentrel-plan\":1,\"profiles\":[{\"id\":\"p\",\"supplies\":[{\"name\":\"a\",\"watts\":-2}]}]} | from 0.0 to 100000.0",
                "{\"zentrel-plan\":1,\"copies\":[{\"id\":\"c\",\"owner\":\"a\",\"of\":\"b\",\"value\":\"x\"}]} | copies[0].owner",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"adapters\":[{\"id\":\"n\"}]}],\"copies\":[{\"id\":\"c\",\"owner\":\"a\",\"of\":\"n\",\"value\":\"10.1.1\"}]} | copies[0] (line 1): \"10.1.1\" is not an address",
                "{\"zentrel-plan\":1,\"universes\":[{\"id\":\"u\",\"number\":1}],\"copies\":[{\"id\":\"c\",\"owner\":\"u\",\"of\":\"u\",\"value\":\"1\"}]} | printed on a host",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"h\"}],\"applications\":[{\"id\":\"a\",\"host\":\"h\"}],\"universes\":[{\"id\":\"u\",\"number\":1}],\"streams\":[{\"id\":\"s\",\"application\":\"a\",\"universe\":\"u\",\"protocol\":\"sacn\",\"delivery\":\"direct\"}]} | direct",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"h\"}],\"applications\":[{\"id\":\"a\",\"host\":\"h\",\"osc\":{\"port\":24510,\"targets\":[\"/lights/next\",\"cue\"]}}]} | applications[0].osc.targets[1]",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"h\",\"power\":{\"on\":\"yes\"}}]} | hosts[0].power.on",
                "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"h\"}],\"applications\":[{\"id\":\"a\",\"host\":\"h\"}],\"receivers\":[{\"id\":\"r\",\"application\":\"a\",\"ports\":[{\"id\":\"p\",\"protocol\":\"dmx\"}]}],\"lines\":[{\"id\":\"x\",\"port\":\"p\",\"via\":{\"device\":\"h\",\"from\":\"y\"}},{\"id\":\"y\",\"port\":\"p\",\"via\":{\"device\":\"h\",\"from\":\"x\"}}]} | passed on in a ring"
            })
    void aBadPlanGivesASentenceThatNamesThePlace(String json, String expected) {
        assertThatThrownBy(() -> PlanReader.read(bytes(json == null ? "" : json)))
                .isInstanceOf(PlanFileException.class)
                .hasMessageContaining(expected);
    }

    @Test
    void theLineOfAMistakeIsNamed() {
        String json = text(TestPlans.pierBytes()).replace("\"wire\": 19", "\"wire\": \"nineteen\"");
        int line = json.substring(0, json.indexOf("nineteen")).split("\n", -1).length;
        assertThatThrownBy(() -> PlanReader.read(bytes(json)))
                .hasMessage("In the plan file at receivers[1].ports[0].wire (line " + line
                        + "): a whole number belongs here, not \"nineteen\".");
    }

    @Test
    void deepNestingAndWrongBytesAreRefused() {
        assertThatThrownBy(() -> PlanReader.read(bytes("[".repeat(100_000)))).isInstanceOf(PlanFileException.class);
        assertThatThrownBy(() -> PlanReader.read(new byte[] {(byte) 0xFF, (byte) 0xFE, 0, 1}))
                .hasMessageContaining("UTF-8");
        assertThatThrownBy(() -> PlanReader.read(bytes("{\"zentrel-plan\":1,\"n\":" + "9".repeat(500) + "}")))
                .isInstanceOf(PlanFileException.class);
    }

    @Test
    void aByteOrderMarkIsNoMistake() throws PlanFileException {
        assertThat(PlanReader.read(bytes("\uFEFF{\"zentrel-plan\":1}")).plan()).isEqualTo(PlanReaderPlans.untitled());
    }

    /** A plan without a name, as the reader makes it. */
    private static final class PlanReaderPlans {
        static Plan untitled() {
            return Plan.EMPTY;
        }
    }

    @Test
    void damagedFilesByTheHundredGiveASentenceEach() {
        byte[] whole = TestPlans.pierBytes();
        Random random = new Random(99);
        int refused = 0;
        for (int i = 0; i < 1500; i++) {
            byte[] damaged = damage(whole, random);
            Throwable thrown = catchThrowable(() -> PlanReader.read(damaged));
            if (thrown != null) {
                refused++;
                assertThat(thrown).as("damage " + i).isInstanceOf(PlanFileException.class);
                assertThat(thrown.getMessage()).hasSizeBetween(15, 700).doesNotContain("Exception", "[Source");
            }
        }
        assertThat(refused).isGreaterThan(600);
        assertThatThrownBy(() -> PlanReader.read("{\"hosts\": [ {".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("The plan file is not readable JSON at line 1, column 14: it ends before it is whole.");
    }

    private static byte[] damage(byte[] whole, Random random) {
        byte[] copy = whole.clone();
        switch (random.nextInt(4)) {
            case 0 -> {
                return java.util.Arrays.copyOf(copy, random.nextInt(copy.length));
            }
            case 1 -> {
                for (int i = 0; i < 1 + random.nextInt(6); i++) {
                    copy[random.nextInt(copy.length)] = (byte) random.nextInt(256);
                }
                return copy;
            }
            case 2 -> {
                int from = random.nextInt(copy.length);
                int length = Math.min(copy.length - from, 1 + random.nextInt(300));
                byte[] cut = new byte[copy.length - length];
                System.arraycopy(copy, 0, cut, 0, from);
                System.arraycopy(copy, from + length, cut, from, copy.length - from - length);
                return cut;
            }
            default -> {
                String[] words = {"\"id\"", "\"10.77", "[", "{", "1", "\"sacn\"", "true", "\"light\""};
                String[] others = {"\"name\"", "\"x", "{", "[", "-1", "\"foo\"", "null", "\"dark\""};
                int which = random.nextInt(words.length);
                String text = new String(copy, StandardCharsets.UTF_8);
                int at = text.indexOf(words[which], random.nextInt(text.length()));
                return at < 0
                        ? copy
                        : (text.substring(0, at) + others[which] + text.substring(at + words[which].length()))
                                .getBytes(StandardCharsets.UTF_8);
            }
        }
    }

    // --- opening and saving ---

    @Test
    void savingReplacesTheFileWholeAndKeepsALinkALink() throws Exception {
        Path file = folder.resolve("plan.zentrel.json");
        Files.writeString(file, "old");
        Path link = Files.createSymbolicLink(folder.resolve("link.json"), file);
        PlanFile.save(LoadedPlan.of(TestPlans.pier()), link);
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(PlanFile.open(file).plan()).isEqualTo(TestPlans.pier());
        try (var files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString()))
                    .containsExactlyInAnyOrder("plan.zentrel.json", "link.json");
        }
    }

    @Test
    void whatCannotBeOpenedOrSavedIsSaidInASentence() throws IOException {
        assertThatThrownBy(() -> PlanFile.open(folder.resolve("none.json"))).hasMessageContaining("There is no file");
        assertThatThrownBy(() -> PlanFile.open(folder)).hasMessageContaining("is a folder");
        assertThatThrownBy(() -> PlanFile.save(LoadedPlan.of(Plan.EMPTY), folder.resolve("no/where.json")))
                .hasMessageContaining("There is no folder");
        Path huge = folder.resolve("huge.json");
        try (var channel = java.nio.channels.FileChannel.open(
                huge, java.nio.file.StandardOpenOption.CREATE, java.nio.file.StandardOpenOption.WRITE)) {
            channel.write(java.nio.ByteBuffer.wrap(new byte[] {'{'}), PlanFile.LARGEST_BYTES + 10);
        }
        assertThatThrownBy(() -> PlanFile.open(huge)).hasMessageContaining("larger than");
    }

    @Test
    void theJournalBringsBackWhatARunThatWasKilledLeft() throws Exception {
        Path journals = folder.resolve("journal");
        Plan changed = TestPlans.pier().withName("Changed");
        Path file = folder.resolve("pier.json");
        // A killed process leaves the journal and lets go of the lock; here it is copied to a name that nobody holds.
        try (Journal journal = Journal.start(journals)) {
            journal.keep(LoadedPlan.of(changed), Optional.of(file));
            assertThat(Journal.left(journals).left())
                    .as("a journal in use is nobody else's")
                    .isEmpty();
            try (var files = Files.list(journals)) {
                Path kept = files.filter(f -> f.toString().endsWith(".journal.json"))
                        .findFirst()
                        .orElseThrow();
                Files.copy(kept, journals.resolve("killed.journal.json"));
            }
        }
        List<Journal.Left> left = Journal.left(journals).left();
        assertThat(left).singleElement().satisfies(l -> {
            assertThat(l.plan().plan()).isEqualTo(changed);
            assertThat(l.file()).contains(file.toAbsolutePath());
        });
        Journal.discard(left.get(0));
        assertThat(Journal.left(journals).left()).isEmpty();
    }
}
