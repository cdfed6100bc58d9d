package zentrel.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.check.RandomPlans;
import zentrel.plan.Plan;

/** What a plan file says of packets on their way: each field outside its range is one sentence with its place. */
class TrafficFieldsFileTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"n"}],
             "hosts":[{"id":"h","kind":"switch","adapters":[{"id":"a","segment":"n"%s}]%s}],
             "applications":[{"id":"app","host":"h","kind":"console"%s},{"id":"other","host":"h"}],
             "universes":[{"id":"u","number":1}],
             "streams":[{"id":"s","application":"app","universe":"u","protocol":"sacn"%s}],
             "receivers":[{"id":"r","application":"app"%s,"ports":[{"id":"p","protocol":"sacn"}]}]%s}
            """;

    private static byte[] rig(String where, String field) {
        String[] at = {"", "", "", "", "", ""};
        at["adapter host application stream receiver plan".indexOf(where) < 0 ? 5 : index(where)] = "," + field;
        return RIG.formatted((Object[]) at).getBytes(StandardCharsets.UTF_8);
    }

    private static int index(String where) {
        return java.util.List.of("adapter", "host", "application", "stream", "receiver", "plan")
                .indexOf(where);
    }

    @ParameterizedTest(name = "{0} {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "adapter | '\"speed\":0' | hosts[0].adapters[0].speed",
                "adapter | '\"speed\":400001' | hosts[0].adapters[0].speed",
                "adapter | '\"speed\":\"fast\"' | hosts[0].adapters[0].speed",
                "adapter | '\"vlan\":0' | hosts[0].adapters[0].vlan",
                "adapter | '\"vlan\":4095' | hosts[0].adapters[0].vlan",
                "adapter | '\"vlan\":{\"planned\":4095,\"inForce\":1}' | hosts[0].adapters[0].vlan",
                "adapter | '\"halfDuplex\":1' | hosts[0].adapters[0].halfDuplex",
                "host | '\"switching\":true' | hosts[0].switching",
                "host | '\"switching\":{\"snooping\":\"yes\"}' | hosts[0].switching.snooping",
                "application | '\"outputs\":{\"sacn\":{\"syncOn\":64000}}' | applications[0].outputs.sacn.syncOn",
                "application | '\"outputs\":{\"sacn\":{\"syncOn\":0}}' | applications[0].outputs.sacn.syncOn",
                "application | '\"cid\":7' | applications[0].cid",
                "application | '\"screens\":{\"artnet\":[]}' | applications[0].screens.artnet",
                "application | '\"screens\":{\"artnet\":[{},{}]}' | applications[0].screens.artnet",
                "application | '\"screens\":{\"artnet\":[{\"radix\":12}]}' | applications[0].screens.artnet",
                "application | '\"screens\":{\"artnet\":[{\"first\":2}]}' | applications[0].screens.artnet",
                "application | '\"screens\":{\"moon\":[{}]}' | applications[0].screens.moon",
                "stream | '\"sync\":0' | streams[0].sync",
                "stream | '\"sync\":63999.5' | streams[0].sync",
                "receiver | '\"takes\":{\"sacn\":[{\"first\":9,\"last\":1}]}' | receivers[0].takes.sacn[0]",
                "receiver | '\"takes\":{\"sacn\":[{\"first\":9}]}' | receivers[0].takes.sacn[0]",
                "receiver | '\"takes\":{\"moon\":[]}' | receivers[0].takes.moon",
                "receiver | '\"sourcesAtMost\":0' | receivers[0].sourcesAtMost",
                "receiver | '\"loss\":\"moon\"' | receivers[0].loss",
                "plan | '\"attachments\":[{\"id\":\"x\",\"from\":\"app\"}]' | attachments[0]",
                "plan | '\"attachments\":[{\"id\":\"x\",\"from\":\"app\",\"to\":\"h\"}]' | attachments[0].to",
                "plan | '\"attachments\":[{\"id\":\"s\",\"from\":\"app\",\"to\":\"other\"}]' | attachments[0].id",
                "plan | '\"attachments\":[{\"id\":\"x\",\"from\":\"app\",\"to\":\"other\",\"destination\":\"1.2.3\"}]' | attachments[0].destination",
                "plan | '\"attachments\":[{\"id\":\"x\",\"from\":\"app\",\"to\":\"other\",\"versions\":\"alike\"}]' | attachments[0].versions",
                "plan | '\"sightings\":[{\"signal\":\"moon\",\"receiver\":\"p\",\"hop\":1,\"answer\":\"yes\",\"at\":\"2026-11-26T08:00:00Z\"}]' | sightings[0].signal",
                "plan | '\"sightings\":[{\"signal\":\"s\",\"receiver\":\"u\",\"hop\":1,\"answer\":\"yes\",\"at\":\"2026-11-26T08:00:00Z\"}]' | sightings[0].receiver",
                "plan | '\"sightings\":[{\"signal\":\"s\",\"receiver\":\"p\",\"hop\":0,\"answer\":\"yes\",\"at\":\"2026-11-26T08:00:00Z\"}]' | sightings[0].hop",
                "plan | '\"sightings\":[{\"signal\":\"s\",\"receiver\":\"p\",\"hop\":1,\"answer\":\"maybe\",\"at\":\"2026-11-26T08:00:00Z\"}]' | sightings[0].answer",
                "plan | '\"sightings\":[{\"signal\":\"s\",\"receiver\":\"p\",\"hop\":1,\"answer\":\"yes\",\"at\":\"yesterday\"}]' | sightings[0].at"
            })
    void whatIsOutOfRangeIsOneSentenceWithItsPlace(String where, String field, String place) {
        assertThatThrownBy(() -> PlanReader.read(rig(where, field)))
                .isInstanceOf(PlanFileException.class)
                .message()
                .startsWith("In the plan file at " + place)
                .contains("(line ")
                .endsWith(".")
                .doesNotContain("null");
    }

    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1, 60);
    }

    /** Rigs with two mistakes each, which use all of these fields: written, read and written again, and by the published schema. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void writtenReadAndWrittenIsTheSame(long seed) throws Exception {
        Random random = new Random(seed);
        Plan plan = RandomPlans.mistake(RandomPlans.mistake(RandomPlans.healthy(seed), random), random);
        byte[] once = PlanWriter.write(LoadedPlan.of(plan));
        LoadedPlan read = PlanReader.read(once);
        assertThat(read.plan()).isEqualTo(plan);
        assertThat(read.unknown().fields()).isEmpty();
        assertThat(PlanWriter.write(read)).isEqualTo(once);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("..", "docs", "plan.schema.json")));
        assertThat(schema.validate(new String(once, StandardCharsets.UTF_8), InputFormat.JSON))
                .isEmpty();
    }
}
