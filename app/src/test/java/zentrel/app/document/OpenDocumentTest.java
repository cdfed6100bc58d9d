package zentrel.app.document;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanWriter;
import zentrel.file.UserFolders;
import zentrel.gear.DeviceFactory;
import zentrel.gear.GearEdit;
import zentrel.gear.Library;
import zentrel.plan.Edit;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The open document without a window: one place that changes, and what it tells. */
@ExtendWith(ApplicationExtension.class)
@SuppressWarnings("NullAway.Init")
class OpenDocumentTest {
    @TempDir
    Path folder;

    private OpenDocument document;

    @BeforeEach
    void open() {
        document = fx(() -> new OpenDocument(UserFolders.in(folder.resolve("home"))));
    }

    @AfterEach
    void close() {
        fx(() -> {
            document.close();
            return true;
        });
    }

    private void run(Runnable work) {
        fx(() -> {
            work.run();
            return true;
        });
    }

    private void checked() {
        settled(() -> document.reportProperty().get() != null
                && document.reportProperty().get().plan().equals(document.plan()));
    }

    private static Edit wrongPort() {
        return new Edit("Set port 1 to 5", p -> p.with(Kind.PORT.id("boathouse-node.p1"), x -> x.withWire(5)));
    }

    @Test
    void anEditIsCheckedToldUndoneAndRedone() {
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        checked();
        assertThat(fx(() -> document.unsavedProperty().get())).isFalse();
        run(() -> document.apply(wrongPort()));
        checked();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isTrue();
        assertThat(fx(() -> document.unsavedProperty().get())).isTrue();
        assertThat(fx(() -> document.undoText())).contains("Set port 1 to 5");
        run(document::undo);
        checked();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        assertThat(fx(() -> document.unsavedProperty().get())).isFalse();
        run(document::redo);
        checked();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isTrue();
    }

    @Test
    void aPlanThatWasCheckedAlreadyIsNotCheckedAgain() {
        Plan ready = FernlightTrail.ready();
        var report = Check.run(ready);
        run(() -> document.show(LoadedPlan.of(ready), report, Optional.empty()));
        assertThat(fx(() -> document.reportProperty().get())).isSameAs(report);
        assertThat(fx(() -> document.unsavedProperty().get())).isFalse();
    }

    @Test
    void gearIsMadeInTheBackgroundAndWhatWillNotDoIsToldInASentence() {
        Library library = Library.shipped();
        run(() -> document.show(LoadedPlan.of(Plan.EMPTY)));
        List<GearEdit> made = new ArrayList<>();
        run(() -> document.make(
                () -> DeviceFactory.boxes(
                        document.plan(), library, library.find("house/node-4").orElseThrow(), 3, "", ""),
                made::add));
        settled(() -> made.size() == 1);
        assertThat(fx(() -> document.plan().hosts())).hasSize(3);
        run(() -> document.make(
                () -> DeviceFactory.boxes(
                        document.plan(), library, library.find("house/node-4").orElseThrow(), 0, "", ""),
                made::add));
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text())).isEqualTo("Add 1 to 2000 at a time, not 0.");
        assertThat(made).hasSize(1);
        assertThat(fx(() -> document.plan().hosts())).hasSize(3);
    }

    @Test
    void workThatComesTooLateChangesNothing() {
        Library library = Library.shipped();
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        Plan before = fx(() -> document.plan());
        GearEdit late = DeviceFactory.boxes(
                before, library, library.find("house/node-4").orElseThrow(), 1, "", "");
        run(() -> document.apply(wrongPort()));
        Plan after = fx(() -> document.plan());
        run(() -> document.apply(late.edit()));
        assertThat(fx(() -> document.plan())).isEqualTo(after);
        assertThat(fx(() -> document.noticeProperty().get().text())).contains("The plan has changed since");
    }

    @Test
    void aBadFileLeavesTheOpenPlanAndSaysWhy() throws Exception {
        Path bad = folder.resolve("bad.json");
        Files.writeString(bad, "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a b\"}]}");
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        run(() -> document.open(bad));
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text())).contains("hosts[0].id (line 1)");
        assertThat(fx(() -> document.plan())).isEqualTo(FernlightTrail.ready());
        List<LoadedPlan> read = new ArrayList<>();
        run(() -> document.work(() -> PlanFile.open(bad), read::add));
        run(() -> document.work(() -> PlanFile.open(folder.resolve("none.json")), read::add));
        settled(() -> document.noticeProperty().get().text().startsWith("There is no file"));
        assertThat(read).isEmpty();
    }

    @Test
    void savingMakesItSavedAndReadingAnotherLeavesItOpen() throws Exception {
        Path mine = folder.resolve("mine.json");
        Path theirs = folder.resolve("theirs.json");
        PlanFile.save(LoadedPlan.of(FernlightTrail.draft()), theirs);
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        run(() -> document.apply(wrongPort()));
        run(() -> document.save(mine));
        settled(() -> !document.unsavedProperty().get());
        assertThat(fx(() -> document.file())).contains(mine);
        assertThat(PlanFile.open(mine).plan()).isEqualTo(fx(() -> document.plan()));
        List<LoadedPlan> read = new ArrayList<>();
        run(() -> document.work(() -> PlanFile.open(theirs), read::add));
        settled(() -> read.size() == 1);
        assertThat(read.get(0).plan()).isEqualTo(FernlightTrail.draft());
        assertThat(fx(() -> document.file())).contains(mine);
        List<Path> recent = new ArrayList<>();
        run(() -> document.recent(recent::addAll));
        settled(() -> !recent.isEmpty());
        assertThat(recent).containsExactly(mine.toAbsolutePath());
    }

    @Test
    void whatIsSelectedGoesWithTheThing() {
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        run(() -> document.select(Kind.HOST.id("jetty-node")));
        run(() -> document.apply(zentrel.gear.PlanRemoval.of(document.plan(), List.of(Kind.HOST.id("jetty-node")))
                .edit()));
        assertThat(fx(() -> document.selectionProperty().get() == null)).isTrue();
    }

    @Test
    void fixesAreTriedBeforeTheyAreOffered() {
        run(() -> document.show(LoadedPlan.of(FernlightTrail.ready())));
        run(() -> document.apply(wrongPort()));
        checked();
        List<Finding> proven = new ArrayList<>();
        run(() -> document.withProvenFixes(
                document.reportProperty().get().findings().get(0), proven::add));
        settled(() -> proven.size() == 1);
        assertThat(proven.get(0).fixes()).isNotEmpty();
        run(() -> document.apply(proven.get(0).fixes().get(0).edit()));
        checked();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
    }

    @Test
    void theUsersProfilesAreKeptInTheFolderAndReadBack() {
        UserLibrary library = fx(() -> new UserLibrary(folder.resolve("profiles")));
        List<Library> read = new ArrayList<>();
        run(() -> library.use(read::add));
        settled(() -> read.size() == 1);
        var ours = new zentrel.profile.Profile(
                "ours/lamp",
                "Lamp box",
                "",
                List.of("lamp"),
                false,
                zentrel.profile.HostKind.OTHER,
                zentrel.profile.OperatingSystem.FIRMWARE,
                List.of(),
                List.of(),
                List.of(),
                0,
                false,
                false,
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                java.util.Map.of());
        List<String> failed = new ArrayList<>();
        run(() -> library.keep(ours, read::add, failed::add));
        settled(() -> read.size() == 2);
        assertThat(read.get(1).find("ours/lamp")).contains(ours);
        assertThat(failed).isEmpty();
    }

    /** The plan file itself may be damaged by what ended the window; the unsaved changes come back all the same. */
    @Test
    void unsavedWorkIsRecoveredWhereTheFileIsDamaged() throws Exception {
        Path file = Files.writeString(folder.resolve("damaged.json"), "{\"zentrel-plan\":1,");
        Path journals = Files.createDirectories(folder.resolve("home").resolve("journal"));
        Files.writeString(journals.resolve("empty.journal.json"), "");
        String plan = new String(PlanWriter.write(LoadedPlan.of(FernlightTrail.ready())), StandardCharsets.UTF_8);
        Path journal = Files.writeString(
                journals.resolve("killed.journal.json"), "{\"file\":\"" + file + "\",\"plan\":" + plan + "}");
        run(() -> document.offerLeftWork());
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text()))
                .contains("Recover unsaved changes to Fernlight Trail of damaged.json?")
                .contains("empty.journal.json cannot be recovered");
        run(() -> document.noticeProperty().get().onAction().run());
        settled(() -> document.plan().equals(FernlightTrail.ready()));
        settled(() -> document.noticeProperty().get().text().contains("itself cannot be read"));
        assertThat(fx(() -> document.unsavedProperty().get())).isTrue();
        settled(() -> !Files.exists(journal));
    }
}
