package zentrel.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Plan;

/** Files that harm: texts that act, damaged journals, and places where saving would replace what it should not. */
class HostileFilesTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    Path folder;

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    // --- texts ---

    private interface Replacing {
        void with(JsonNode value);
    }

    private static void texts(JsonNode node, List<Replacing> into) {
        if (node instanceof ObjectNode object) {
            object.fieldNames().forEachRemaining(name -> {
                if (object.get(name).isTextual()) {
                    into.add(value -> object.set(name, value));
                }
                texts(object.get(name), into);
            });
        } else if (node instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                int at = i;
                if (array.get(i).isTextual()) {
                    into.add(value -> array.set(at, value));
                }
                texts(array.get(i), into);
            }
        }
    }

    /** Each text of a whole plan with a line break in it, one at a time: the file is refused, with the place. */
    @Test
    void noTextOfAPlanFileMayHoldALineBreak() throws IOException {
        byte[] whole = PlanWriter.write(LoadedPlan.of(FernlightTrail.ready()));
        List<Replacing> counted = new ArrayList<>();
        texts(JSON.readTree(whole), counted);
        int step = Math.max(1, counted.size() / 300);
        for (int i = 0; i < counted.size(); i += step) {
            JsonNode tree = JSON.readTree(whole);
            List<Replacing> places = new ArrayList<>();
            texts(tree, places);
            places.get(i).with(TextNode.valueOf("a\ntouch gone"));
            byte[] hostile = JSON.writeValueAsBytes(tree);
            assertThatThrownBy(() -> PlanReader.read(hostile))
                    .isInstanceOf(PlanFileException.class)
                    .hasMessageMatching("(?s)In the plan file at \\S+ \\(line \\d+\\): .*")
                    .hasMessageNotContaining("\n");
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"zentrel-plan\":1,\"name\":\"a\\ud800b\"}|half of a character (U+D800)",
                "{\"zentrel-plan\":1,\"other\":\"\\udc00\"}|half of a character (U+DC00)",
                "{\"zentrel-plan\":1,\"\\udc00\":1}|low surrogate",
                "{\"zentrel-plan\":1,\"x\":1234567890123456789012345678901234567890123}|more than 40 digits"
            })
    void whatCouldNotBeWrittenAgainIsRefused(String json, String expected) {
        assertThatThrownBy(() -> PlanReader.read(bytes(json)))
                .isInstanceOf(PlanFileException.class)
                .hasMessageContaining(expected);
        assertThatThrownBy(() -> PlanReader.read(bytes("[".repeat(100))))
                .hasMessageContaining("nested more than 64 deep")
                .hasMessageContaining("line 1");
        assertThatThrownBy(() -> PlanReader.read(bytes("{\"" + "n".repeat(2000) + "\":1}")))
                .hasMessageContaining("name of a field has more than 1000");
    }

    // --- saving ---

    @Test
    void aSharedPlanStaysSharedAndAPrivateOnePrivate() throws Exception {
        assumeTrue(
                Files.getFileStore(folder).supportsFileAttributeView(PosixFileAttributeView.class), "no POSIX rights");
        for (String rights : List.of("rw-rw-r--", "rw-------", "rw-r-----")) {
            Path file = Files.writeString(folder.resolve("plan " + rights), "old");
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString(rights));
            PlanFile.save(LoadedPlan.of(TestPlans.pier()), file);
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                    .isEqualTo(rights);
        }
        Path ordinary = Files.writeString(folder.resolve("ordinary"), "made by the system");
        Path fresh = folder.resolve("fresh");
        PlanFile.save(LoadedPlan.of(TestPlans.pier()), fresh);
        assertThat(Files.getPosixFilePermissions(fresh)).isEqualTo(Files.getPosixFilePermissions(ordinary));
    }

    @Test
    void aLinkIsFollowedAlsoWhereItLeadsToNothingYet() throws Exception {
        Path link = Files.createSymbolicLink(folder.resolve("link"), Path.of("target"));
        PlanFile.save(LoadedPlan.of(TestPlans.pier()), link);
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(PlanFile.open(folder.resolve("target")).plan()).isEqualTo(TestPlans.pier());
        Path loop = Files.createSymbolicLink(folder.resolve("loop"), Path.of("loop"));
        assertThatThrownBy(() -> PlanFile.save(LoadedPlan.of(Plan.EMPTY), loop))
                .hasMessageContaining("leads back to itself");
    }

    @Test
    void whatIsNoOrdinaryFileStays() throws Exception {
        assertThatThrownBy(() -> PlanFile.save(LoadedPlan.of(Plan.EMPTY), folder))
                .hasMessage(folder + " is a folder, so nothing was saved there.");
        Path device = Path.of("/dev/null");
        assumeTrue(Files.exists(device), "no such device here");
        assertThatThrownBy(() -> PlanFile.save(LoadedPlan.of(Plan.EMPTY), device))
                .hasMessageContaining("/dev/null is not an ordinary file");
        assertThat(Files.isRegularFile(device, LinkOption.NOFOLLOW_LINKS)).isFalse();
    }

    @Test
    void leftoversOfAKilledRunAreRemovedAndTheUsersFileIsNamed() throws Exception {
        Path file = folder.resolve("plan.json");
        Path leftover = Files.writeString(folder.resolve(".plan.json.4f.zentrel-part"), "half");
        Path foreign = Files.writeString(folder.resolve(".other.json.4f.zentrel-part"), "of another plan");
        Files.setLastModifiedTime(leftover, FileTime.fromMillis(0));
        Files.setLastModifiedTime(foreign, FileTime.fromMillis(0));
        PlanFile.save(LoadedPlan.of(TestPlans.pier()), file);
        assertThat(leftover).doesNotExist();
        assertThat(foreign).exists();
        Path full = Path.of("/proc/plan.json");
        assumeTrue(Files.isDirectory(Path.of("/proc")), "no folder here in which nobody can write");
        assertThatThrownBy(() -> PlanFile.save(LoadedPlan.of(Plan.EMPTY), full))
                .hasMessageContaining("/proc")
                .hasMessageNotContaining("zentrel-part");
    }

    // --- journals ---

    /** Every kind of damage beside one good journal: the good one is offered, each bad one is named. */
    @Test
    void aDamagedJournalHidesNoOther() throws Exception {
        Path journals = Files.createDirectories(folder.resolve("journal"));
        byte[] plan = PlanWriter.write(LoadedPlan.of(TestPlans.pier()));
        String text = new String(plan, StandardCharsets.UTF_8);
        String good = "{\"file\":\"/tmp/pier.json\",\"plan\":" + text + "}";
        List<String> bad = List.of(
                "",
                "{",
                good.substring(0, good.length() / 2),
                "[]",
                "{\"plan\":7}",
                "{\"plan\":{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a b\"}]}}",
                "\0\0\0\0");
        for (int i = 0; i < bad.size(); i++) {
            Files.writeString(journals.resolve("bad" + i + ".journal.json"), bad.get(i));
        }
        Files.createDirectory(journals.resolve("folder.journal.json"));
        Files.createDirectory(journals.resolve("locked.lock"));
        Files.writeString(journals.resolve("locked.journal.json"), good);
        Files.writeString(journals.resolve(".journal.json"), good.replace("/tmp/pier.json", "a\\u0000b"));
        Files.writeString(
                journals.resolve("newer.journal.json"),
                good.replace("\"zentrel-plan\" : 1", "\"zentrel-plan\" : 99")
                        .replace("{\"file\"", "{\"later\":[],\"file\""));
        Files.writeString(journals.resolve("good.journal.json"), good);

        Journal.Found found = Journal.left(journals);
        assertThat(found.left())
                .hasSize(3)
                .allSatisfy(l -> assertThat(l.plan().plan()).isEqualTo(TestPlans.pier()));
        assertThat(found.left()).extracting(Journal.Left::file).containsOnlyOnce(Optional.empty());
        assertThat(found.problems())
                .hasSize(bad.size() + 2)
                .allSatisfy(p -> assertThat(p).matches("(The journal|It is not known|\\S+ is a folder).*\\."));
        for (Journal.Left left : found.left()) {
            Journal.discard(left);
        }
        assertThat(Journal.left(journals).left()).isEmpty();
    }

    @Test
    void aLockThatNobodyHoldsGoes() throws Exception {
        Path journals = folder.resolve("journal");
        Path lock;
        try (Journal journal = Journal.start(journals)) {
            journal.keep(LoadedPlan.of(Plan.EMPTY), Optional.empty());
            lock = Files.writeString(journals.resolve("killed.lock"), "");
            Files.setLastModifiedTime(lock, FileTime.fromMillis(0));
            assertThat(Journal.left(journals).left()).isEmpty();
            try (Stream<Path> files = Files.list(journals)) {
                assertThat(files).as("the journal in use and its lock").hasSize(2);
            }
        }
        assertThat(lock).doesNotExist();
    }
}
