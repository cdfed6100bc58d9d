package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.app.document.OpenDocument;
import zentrel.check.Severity;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.UserFolders;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The real window under a real display: the whole journey of somebody who opens the demo. */
class WindowTest extends OpenWindow {
    private static final int PAGES = 10;

    @Override
    Plan opening() {
        return FernlightTrail.draft();
    }

    @Test
    void openSelectSeeThePathFixUndoRedo(FxRobot robot) {
        plan();
        long broken = report().count(Severity.BROKEN);
        assertThat(broken).isGreaterThan(7);
        waitFor("15 broken");
        click(robot, "#card-boathouse-node-rx");
        waitFor("Hut desk → Port 1 of Boathouse node");
        waitFor("broken at 4 of 10: none asked for 4");
        waitFor("Universe numbers differ by one");
        await().atMost(20, SECONDS).until(() -> robot.lookup("#fix").tryQuery().isPresent());
        Button fix = robot.lookup("#fix").queryButton();
        assertThat(fix.getText()).isEqualTo("Set Port 1 of Boathouse node to 4");
        robot.clickOn(fix);
        settled(() -> document.reportProperty()
                .get()
                .finding("universe.off-by-one@boathouse-node.p1")
                .isEmpty());
        assertThat(fx(() -> document.unsavedProperty().get())).isTrue();
        assertThat(report().count(Severity.BROKEN)).isEqualTo(broken - 1);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.reportProperty()
                .get()
                .finding("universe.off-by-one@boathouse-node.p1")
                .isPresent());
        assertThat(fx(() -> document.unsavedProperty().get())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        settled(() -> document.reportProperty()
                .get()
                .finding("universe.off-by-one@boathouse-node.p1")
                .isEmpty());
    }

    @Test
    void everythingByKeyboard(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("501 boat");
        robot.push(KeyCode.ENTER);
        settled(() ->
                Kind.FIXTURE.id("f501").equals(document.selectionProperty().get()));
        waitFor("Hut desk → Port 1 of Boathouse node");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT4);
        assertThat(fx(() -> window.shownPage())).isEqualTo(3);
        waitFor("239.255.0.10");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        waitFor("10.41.20.1");
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).push(KeyCode.DIGIT1).release(KeyCode.SHIFT, KeyCode.CONTROL);
        waitFor("Who is there");
        robot.push(KeyCode.ESCAPE);
        settled(() -> document.selectionProperty().get() == null);
        // Tab reaches something everywhere, and what has the focus can be named.
        Set<String> reached = new java.util.LinkedHashSet<>();
        for (int page = 0; page < PAGES; page++) {
            int number = page;
            fx(() -> {
                window.showPage(number);
                return true;
            });
            for (int i = 0; i < 12; i++) {
                robot.push(KeyCode.TAB);
                reached.add(fx(() -> {
                    Node owner = stage.getScene().getFocusOwner();
                    return owner == null ? "nothing" : nameOf(owner);
                }));
            }
        }
        assertThat(reached).hasSizeGreaterThan(12).doesNotContain("", "nothing");
    }

    private static String nameOf(Node node) {
        String accessible = node.getAccessibleText();
        if (accessible != null && !accessible.isBlank()) {
            return accessible;
        }
        if (node instanceof Labeled l && l.getText() != null) {
            return l.getText();
        }
        return node instanceof TextInputControl t && t.getPromptText() != null ? t.getPromptText() : "";
    }

    @Test
    void everyControlHasAName() {
        plan();
        fx(() -> {
            document.select(Kind.RECEIVER.id("boathouse-node-rx"));
            return true;
        });
        for (int i = 0; i < PAGES; i++) {
            int number = i;
            List<String> nameless = fx(() -> {
                window.showPage(number);
                stage.getScene().getRoot().applyCss();
                stage.getScene().getRoot().layout();
                return all(stage.getScene().getRoot()).stream()
                        .filter(Node::isFocusTraversable)
                        .filter(n -> nameOf(n).isBlank())
                        .map(Node::toString)
                        .toList();
            });
            assertThat(nameless).as("stage %d", i).isEmpty();
        }
    }

    @Test
    void aLevelRaisedAtTheConsoleLightsTheFixture(FxRobot robot) {
        plan();
        fx(() -> {
            window.show(BenchPage.class);
            document.select(Kind.FIXTURE.id("f104"));
            return true;
        });
        click(robot, "#bench-signal");
        click(robot, "#bench-start");
        waitFor("stand-ins run on loopback");
        assertThat(fx(() -> window.output().isArmed())).isFalse();
        click(robot, "#bench-raise");
        waitFor("Output is not armed");
        click(robot, "#bench-arm");
        waitFor("ARMED");
        click(robot, "#bench-raise");
        waitFor("slot 55 = 255");
        waitFor("seen 1 of 18 lit");
        fx(() -> {
            document.select(Kind.FIXTURE.id("f103")); // on the same line, and nothing of it was raised
            return true;
        });
        waitFor("not seen any of 18");
        fx(() -> {
            document.select(Kind.UNIVERSE.id("u1"));
            return true;
        });
        waitFor("seen 1 slot lit");
        fx(() -> {
            document.select(zentrel.plan.Kind.LINK.id("go-link"));
            return true;
        });
        click(robot, "#bench-cue");
        waitFor("did not arrive"); // the draft's mistake: it goes to a port where nobody listens
        robot.push(KeyCode.F12);
        settled(() -> !window.output().isArmed());
    }

    @Test
    void saveReopenAndBadFilesLeaveThePlanOpen(FxRobot robot) throws Exception {
        plan();
        Path file = home.resolve("trail.zentrel.json");
        fx(() -> {
            document.apply(new zentrel.plan.Edit("Call it Night", p -> p.withName("Night")));
            document.save(file);
            return true;
        });
        settled(() -> document.file().isPresent() && !document.unsavedProperty().get());
        assertThat(PlanFile.open(file).plan().name()).isEqualTo("Night");
        Path bad = Files.writeString(
                home.resolve("bad.json"), "{\"zentrel-plan\":1,\"hosts\":[{\"id\":\"a\",\"kind\":\"toaster\"}]}");
        fx(() -> {
            window.files().open(bad);
            return true;
        });
        waitFor("hosts[0].kind (line 1)");
        assertThat(fx(() -> document.plan().name())).isEqualTo("Night");
        Path small = home.resolve("small.json");
        PlanFile.save(LoadedPlan.of(Plan.EMPTY.withName("Small")), small);
        fx(() -> {
            window.files().open(small);
            return true;
        });
        settled(() -> document.plan().name().equals("Small"));
        waitFor("This plan is empty");
    }

    @Test
    void anAddressIsEditedInPlace(FxRobot robot) {
        plan();
        fx(() -> {
            window.showPage(2);
            document.select(Kind.ADAPTER.id("jetty-node.network"));
            return true;
        });
        waitFor("Duplicate IP address");
        robot.interact(() -> robot.lookup("#address-list").queryListView().requestFocus());
        robot.push(KeyCode.F2);
        await().atMost(10, SECONDS)
                .until(() -> robot.lookup("#address-field").tryQuery().isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.write("10.41.22.999");
        robot.push(KeyCode.ENTER);
        waitFor("999 is above 255");
        robot.push(KeyCode.F2);
        await().atMost(10, SECONDS)
                .until(() -> robot.lookup("#address-field").tryQuery().isPresent());
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.write("10.41.22.77");
        robot.push(KeyCode.ENTER);
        settled(() -> document.reportProperty()
                .get()
                .finding("address.duplicate@jetty-node.network")
                .isEmpty());
        assertThat(fx(() -> document.plan()
                        .index()
                        .adapter(Kind.ADAPTER.id("jetty-node.network"))
                        .addresses()
                        .get(0)
                        .inForce()))
                .hasToString("10.41.22.77/16");
    }

    @Test
    void unsavedWorkComesBackAfterAKill(FxRobot robot) throws Exception {
        plan();
        Path folder = Files.createTempDirectory(home, "killed");
        // What a killed process leaves: a journal whose lock nobody holds.
        Path journal = Files.createDirectories(folder.resolve("journal")).resolve("dead.journal.json");
        OpenDocument other = fx(() -> new OpenDocument(UserFolders.in(folder)));
        Files.writeString(
                journal,
                "{\"plan\":"
                        + new String(
                                zentrel.file.PlanWriter.write(
                                        LoadedPlan.of(FernlightTrail.ready().withName("Rescued"))),
                                java.nio.charset.StandardCharsets.UTF_8)
                        + "}");
        fx(() -> {
            other.offerLeftWork();
            return true;
        });
        settled(() -> other.noticeProperty().get() != null);
        assertThat(fx(() -> other.noticeProperty().get().text())).contains("Recover unsaved changes to Rescued");
        fx(() -> {
            other.noticeProperty().get().onAction().run();
            return true;
        });
        settled(() ->
                other.plan().name().equals("Rescued") && other.unsavedProperty().get());
        await().atMost(10, SECONDS).until(() -> !Files.exists(journal));
        fx(() -> {
            other.close();
            return true;
        });
    }

    @Test
    void selectionIsSharedByAllStages() {
        plan();
        fx(() -> {
            window.showPage(3);
            document.select(Kind.UNIVERSE.id("u8"));
            return true;
        });
        waitFor("U8  Paths");
        waitFor("Source and receiver use different protocols");
        fx(() -> {
            document.select(Kind.PORT.id("paths-node.p1"));
            window.showPage(1);
            return true;
        });
        waitFor("Port 1 of Paths node");
        settled(() -> all(stage.getScene().getRoot()).stream()
                        .filter(n -> n.getStyleClass().contains("tick"))
                        .count()
                == 4);
        Label title = fx(() -> (Label) all(stage.getScene().getRoot()).stream()
                .filter(n -> n.getStyleClass().contains("title"))
                .findFirst()
                .orElseThrow());
        assertThat(title.getText()).isEqualTo("Port 1 of Paths node");
    }
}
