package zentrel.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The arrows between modules and packages go one way. */
class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("zentrel");

    private static final String[] CORE = {
        "zentrel.text..",
        "zentrel.plan..",
        "zentrel.ipv4..",
        "zentrel.universe..",
        "zentrel.control..",
        "zentrel.path..",
        "zentrel.check..",
        "zentrel.file..",
        "zentrel.gear..",
        "zentrel.pattern..",
        "zentrel.compare..",
        "zentrel.demo.."
    };
    private static final String[] WIRE = {"zentrel.packet..", "zentrel.wire..", "zentrel.standin..", "zentrel.live.."};

    @Test
    void coreKnowsNoInterfaceAndNoSockets() {
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "zentrel.app..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(WIRE)
                .check(ALL);
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .haveNameMatching("java\\.net\\..*(Socket|InetAddress|NetworkInterface).*")
                .check(ALL);
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .haveNameMatching("java\\.nio\\.channels\\.(Datagram|Socket|Server).*")
                .check(ALL);
    }

    @Test
    void wireKnowsNoInterfaceAndNeverSeesPathCheckOrFile() {
        noClasses()
                .that()
                .resideInAnyPackage(WIRE)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "zentrel.app..", "zentrel.path..", "zentrel.check..", "zentrel.file..")
                .check(ALL);
    }

    @Test
    void codecsKnowNoSockets() {
        noClasses()
                .that()
                .resideInAPackage("zentrel.packet..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.net..", "java.nio.channels..", "zentrel.wire..")
                .check(ALL);
    }

    @Test
    void thePlanKnowsNothingAboveIt() {
        classes()
                .that()
                .resideInAPackage("zentrel.ipv4..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage("java..", "zentrel.ipv4..", "org.jspecify..")
                .check(ALL);
        classes()
                .that()
                .resideInAPackage("zentrel.plan..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage("java..", "zentrel.plan..", "zentrel.ipv4..", "zentrel.text..", "org.jspecify..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("zentrel.path..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("zentrel.check..")
                .check(ALL);
    }

    @Test
    void noTwoPackagesNeedEachOther() {
        slices().matching("zentrel.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("zentrel.app.(*)..").should().beFreeOfCycles().check(ALL);
    }
}
