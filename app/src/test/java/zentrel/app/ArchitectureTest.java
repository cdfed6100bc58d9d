package zentrel.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** The arrows between modules and packages go one way. */
class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("zentrel");

    /**
     * What each package may need of the others, as a white list: a package that is not in it, or an arrow that is not, fails. The
     * arrows go from what people do (gear, address, routing) over what is judged (check, path) to what is described (plan).
     */
    private static final Map<String, String> MAY_NEED = Map.ofEntries(
            Map.entry("text", ""), // which characters may stand where
            Map.entry("ipv4", ""), // address arithmetic, shared by all that judges, sends or draws
            Map.entry("universe", "ipv4"), // number arithmetic
            Map.entry("source", ""), // where values come from
            Map.entry("index", ""), // layered lookups
            Map.entry("profile", "ipv4 source text"), // what kinds of devices can do
            Map.entry("control", "table"), // OSC messages and cue lists, shared by the plan, the path and the stand-ins
            Map.entry("plan", "control index ipv4 profile text"), // the plan knows nothing above it
            Map.entry("table", "ipv4 source text"),
            Map.entry("file", "ipv4 plan profile text universe"),
            Map.entry("path", "control index ipv4 plan profile source text"), // decides without rules, load or files
            Map.entry("load", "index plan profile source"),
            Map.entry("contest", "path plan profile source"),
            Map.entry("session", "check contest path plan profile table text"),
            Map.entry("look", "path plan profile"),
            Map.entry("routing", "plan profile table text universe"),
            Map.entry("check", "gear ipv4 load patch path pixel plan profile routing source text universe"),
            Map.entry("entry", "file ipv4 plan profile text"), // what can be entered
            Map.entry("command", "entry gear ipv4 plan profile routing text"), // lines of words
            Map.entry(
                    "gear", "control entry file index ipv4 lit patch pixel plan profile routing table text"), // shipped
            // profiles
            Map.entry("address", "gear ipv4 path plan profile source table text"),
            Map.entry("pattern", "gear ipv4 plan profile"),
            Map.entry("found", "ipv4 plan profile text"),
            Map.entry("compare", "gear ipv4 plan profile text"),
            Map.entry(
                    "machine",
                    "ipv4 load plan profile source table text universe"), // what a segment carries is on its sheet
            Map.entry("patch", "plan table text"), // lists of fixtures that must agree
            Map.entry("pixel", "plan profile source table text"), // pixels over universes, their rate and power
            Map.entry("lit", "path pixel plan profile text"), // the place, and the light that arrives in it
            Map.entry("mvr", "patch plan table text"), // scenes and fixture types of open standards
            Map.entry("demo", "gear ipv4 plan profile"));

    private static final Map<String, String> WIRE_MAY_NEED = Map.of(
            "packet", "control ipv4 universe", // codecs: bytes and values, no sockets
            "net", "ipv4 path source", // of path only the names of reasons: simulatedNetsJudgeForThemselves
            "rehearsal", "ipv4 net packet path plan profile source standin universe", // of path the same
            "standin", "control ipv4 net packet plan profile source text universe",
            "live", "compare control file found ipv4 net packet plan profile source standin text universe");

    private static final List<String> LIBRARIES = List.of(
            "java..",
            "org.jspecify..",
            "com.fasterxml.jackson..",
            "org.apache.commons..",
            "org.dhatim..",
            "javax.xml.stream..");

    private static void keep(Map<String, String> whiteList) {
        whiteList.forEach((name, needs) -> {
            List<String> may = new ArrayList<>(LIBRARIES);
            may.add("zentrel." + name + "..");
            may.add("zentrel.ipv4.."); // values that everything speaks of
            for (String other : needs.isEmpty() ? new String[0] : needs.split(" ", -1)) {
                may.add("zentrel." + other + "..");
            }
            classes()
                    .that()
                    .resideInAPackage("zentrel." + name + "..")
                    .should()
                    .onlyDependOnClassesThat()
                    .resideInAnyPackage(may.toArray(String[]::new))
                    .check(ALL);
        });
    }

    @Test
    void everyPackageNeedsOnlyWhatItMay() {
        keep(MAY_NEED);
        keep(WIRE_MAY_NEED);
        Set<String> named = new TreeSet<>(MAY_NEED.keySet());
        named.addAll(WIRE_MAY_NEED.keySet());
        named.add("app");
        Set<String> found = new TreeSet<>();
        ALL.forEach(c -> found.add(c.getPackageName().replaceFirst("^zentrel\\.([a-z0-9]+).*", "$1")));
        assertThat(found).as("packages of the product").isEqualTo(named);
    }

    /** What judges paths knows nothing of the words and the fixes that are made from it. */
    @Test
    void decisionsAreApartFromWords() {
        noClasses()
                .that()
                .resideInAPackage("zentrel.path")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("zentrel.path.words..", "zentrel.path.fix..")
                .orShould()
                .dependOnClassesThat()
                .haveNameMatching("zentrel\\.plan\\.Edit|zentrel\\.text\\.(Template|Phrases)")
                .check(ALL);
    }

    /** What is simulated is worked out anew: with the judging of paths it shares the names of the reasons and nothing else. */
    @Test
    void simulatedNetsJudgeForThemselves() {
        noClasses()
                .that()
                .resideInAPackage("zentrel.net..")
                .should()
                .dependOnClassesThat()
                .haveNameMatching("zentrel\\.(path\\.(?!Reason|HopKind).*|(plan|check|load|contest|routing)\\..*)")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("zentrel.rehearsal..")
                .should()
                .dependOnClassesThat()
                .haveNameMatching("zentrel\\.(path\\.(?!Reason|HopKind).*|(check|load|contest)\\..*)")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("zentrel.net")
                .or()
                .resideInAPackage("zentrel.net.sim..")
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "java\\.net\\..*|java\\.nio\\.channels\\..*|java\\.lang\\.Thread|java\\.util\\.concurrent\\..*Executor.*")
                .check(ALL);
    }

    /** Stand-ins and what listens live in the net's turn: no threads, no locks, no time of their own. */
    @Test
    void whatLivesOnANetHasNoThreads() {
        noClasses()
                .that()
                .resideInAnyPackage("zentrel.standin..", "zentrel.net.sim..")
                .should()
                .dependOnClassesThat()
                .haveNameMatching("java\\.lang\\.Thread|java\\.util\\.concurrent\\.(Exec|Sched|locks).*")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(ALL);
        noMethods()
                .that()
                .areDeclaredInClassesThat()
                .resideInAnyPackage("zentrel.standin..", "zentrel.net.sim..")
                .should()
                .haveModifier(JavaModifier.SYNCHRONIZED)
                .check(ALL);
    }

    @Test
    void coreAndCodecsOpenNoSockets() {
        for (String name : MAY_NEED.keySet()) {
            noSockets("zentrel." + name + "..");
        }
        noSockets("zentrel.packet..");
    }

    private static void noSockets(String name) {
        noClasses()
                .that()
                .resideInAPackage(name)
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "java\\.net\\..*(Socket|InetAddress|NetworkInterface).*|java\\.nio\\.channels\\.(Datagram|Socket|Server).*")
                .check(ALL);
    }

    @Test
    void noTwoPackagesNeedEachOther() {
        slices().matching("zentrel.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("zentrel.app.(*)..").should().beFreeOfCycles().check(ALL);
    }
}
