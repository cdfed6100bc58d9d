package zentrel.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.check.RuleBook;
import zentrel.gear.Library;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** What the documents show is true: their examples open, and their counts are the program's. */
class DocumentsTest {
    private static final Path DOCS = Path.of("..", "docs");

    private static List<String> examples(String document) throws IOException {
        Matcher block =
                Pattern.compile("```json\\n(.*?)```", Pattern.DOTALL).matcher(Files.readString(DOCS.resolve(document)));
        List<String> found = new ArrayList<>();
        while (block.find()) {
            found.add(block.group(1));
        }
        assertThat(found).as(document).isNotEmpty();
        return found;
    }

    @Test
    void theSmallestWholeRigChecksCleanAndPasses() throws IOException, PlanFileException {
        for (String example : examples("plan-format.md")) {
            Plan plan =
                    PlanReader.read(example.getBytes(StandardCharsets.UTF_8)).plan();
            assertThat(Check.run(plan).findings()).isEmpty();
            assertThat(new SignalPaths(plan).ofFixture(Kind.FIXTURE.id("f101")).verdict())
                    .isEqualTo(Verdict.PASSES);
        }
    }

    @Test
    void theProfileShownIsAGoodOne() throws IOException, PlanFileException {
        for (String example : examples("profiles.md")) {
            assertThat(ProfileFile.read(example.getBytes(StandardCharsets.UTF_8))
                            .portCount())
                    .isEqualTo(2);
        }
    }

    @Test
    void theReadmeCountsRight() throws IOException {
        String readme = Files.readString(Path.of("..", "README.md"));
        assertThat(readme).contains("**" + RuleBook.rules().size() + " rules**");
        assertThat(Library.shipped().profiles()).as("thirty-nine profiles").hasSize(39);
        assertThat(readme).contains("thirty-nine profiles");
    }
}
