package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.contest.Contest;
import zentrel.contest.SourcePrecedence;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanWriter;
import zentrel.path.PathReport;
import zentrel.path.fix.PathFixes;
import zentrel.path.words.PathWords;
import zentrel.plan.Fixture;
import zentrel.plan.Plan;

/** Programs, inputs, ports, lines, links without a name of their own: nothing that is said calls one by its id. */
class UnnamedThingsTest {
    private static final ObjectMapper MAPPER = new ObjectMapper();
    private static final List<String> KINDS =
            List.of("applications", "receivers", "ports", "lines", "links", "attachments");
    private static final String MARK = "qx-";

    static LongStream seeds() {
        return LongStream.range(0, 40);
    }

    @Test
    void noIdIsShownInTheDemo() throws Exception {
        requireNoId(unnamed(FernlightTrail.draft()));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noIdIsShownInRandomRigs(long seed) throws Exception {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        for (int i = 0; i < 6; i++) {
            plan = RandomPlans.mistake(plan, random);
        }
        requireNoId(unnamed(plan));
    }

    /** The same plan, with ids that are easily found and without the names. */
    private static Plan unnamed(Plan plan) throws Exception {
        JsonNode root = MAPPER.readTree(PlanWriter.write(LoadedPlan.of(plan)));
        List<String> ids = new ArrayList<>();
        strip(root, ids);
        String text = MAPPER.writeValueAsString(root);
        for (int i = 0; i < ids.size(); i++) {
            text = text.replace(MAPPER.writeValueAsString(ids.get(i)), "\"" + MARK + i + "\"");
        }
        return TestPlans.read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static void strip(JsonNode at, List<String> ids) {
        at.properties().forEach(field -> {
            if (KINDS.contains(field.getKey())) {
                for (JsonNode each : field.getValue()) {
                    if (each instanceof ObjectNode thing && thing.has("id")) {
                        thing.remove("name");
                        ids.add(thing.get("id").textValue());
                    }
                }
            }
        });
        at.forEach(child -> strip(child, ids));
    }

    private static void requireNoId(Plan plan) {
        Report report = Check.run(plan);
        List<String> said = new ArrayList<>();
        for (Finding f : report.findings()) {
            said.add(f.text());
            f.fixes().forEach(x -> said.add(x.edit().text()));
        }
        PathWords words = PathWords.of(report.signalPaths());
        PathFixes fixes = new PathFixes(report.signalPaths());
        List<PathReport> paths = new ArrayList<>();
        plan.fixtures().stream()
                .map(Fixture::id)
                .forEach(f -> paths.add(report.signalPaths().of(f)));
        plan.applications().forEach(a -> paths.add(report.signalPaths().of(a.id())));
        paths.stream().flatMap(p -> p.paths().stream()).flatMap(p -> p.hops()).forEach(h -> {
            said.add(words.brief(h));
            said.add(words.text(h));
            h.issues().forEach(i -> {
                said.add(words.text(i));
                fixes.of(i).forEach(e -> said.add(e.text()));
            });
        });
        for (Contest contest : Contest.all(report.signalPaths())) {
            contest.failures().forEach(x -> said.add(x.text()));
            contest.fight(plan.index()).ifPresent(said::add);
            SourcePrecedence.of(report.signalPaths(), contest).forEach(x -> {
                said.add(x.text());
                said.addAll(x.outcome());
            });
        }
        assertThat(said).isNotEmpty();
        assertThat(said.stream().filter(text -> text.contains(MARK)).distinct()).isEmpty();
    }
}
