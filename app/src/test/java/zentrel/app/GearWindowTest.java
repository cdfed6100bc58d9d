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
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.gear.GearPage;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.ipv4.HostAddress;
import zentrel.path.Verdict;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;

/** The real window, from an empty plan: gear by keyboard, by mouse, from a spreadsheet, from a colleague. */
class GearWindowTest extends OpenWindow {
    private int keys;

    @Override
    Plan opening() {
        return Plan.EMPTY;
    }

    private static void tick(FxRobot robot, String id) {
        fx(() -> {
            robot.lookup(id).queryAs(javafx.scene.control.CheckBox.class).fire();
            return true;
        });
    }

    /** How packets go, typed into the form: what was wrong is found by it, and what is no number is said. */
    @Test
    void switchesSocketsAndStreamsAreFieldsOfTheForm(FxRobot robot) {
        show(FernlightTrail.ready());
        open(robot, "hut-switch");
        tick(robot, "#form-querier");
        type(robot, "#form-hut-switch.management-vlan", "forty");
        fire(robot, "#form-keep");
        settled(() -> document.noticeProperty().get().text().contains("\"forty\" is no VLAN"));
        type(robot, "#form-hut-switch.management-vlan", "40");
        fire(robot, "#form-keep");
        settled(() -> !document.plan()
                .index()
                .host(Kind.HOST.id("hut-switch"))
                .switching()
                .querier()
                .inForce());
        assertThat(plan().index()
                        .adapter(Kind.ADAPTER.id("hut-switch.management"))
                        .plug()
                        .vlan()
                        .orElseThrow()
                        .inForce())
                .isEqualTo(40);
        open(robot, "jetty-node");
        type(robot, "#form-jetty-node-rx-takes-artnet", "0-3");
        type(robot, "#form-jetty-node-rx-sources", "1");
        type(robot, "#form-jetty-node.network-speed", "10");
        fire(robot, "#form-keep");
        settled(() -> document.plan()
                .index()
                .adapter(Kind.ADAPTER.id("jetty-node.network"))
                .plug()
                .megabits()
                .isPresent());
        assertThat(report().findings()).extracting(f -> f.rule()).contains("network.slow-port", "universe.not-enabled");
        open(robot, "hut-console");
        type(robot, "#form-hut-desk-sync", "7000");
        type(robot, "#form-hut-desk-cid", "5d1f0a52");
        fire(robot, "#form-keep");
        settled(() -> document.plan().streams().stream().anyMatch(s -> s.sync().isPresent()));
        assertThat(report().findings()).extracting(f -> f.rule()).contains("universe.sync");
    }

    private void open(FxRobot robot, String host) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT1);
        settled(() -> there(robot, "#gear-list"));
        fx(() -> {
            robot.lookup("#gear-list").query().requestFocus();
            document.select(Kind.HOST.id(host));
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> there(robot, "#form-keep"));
    }

    private void show(Plan plan) {
        fx(() -> {
            document.show(LoadedPlan.of(plan));
            window.showPage(0);
            return true;
        });
        report();
    }

    private void press(FxRobot robot, KeyCode... together) {
        robot.push(together);
        keys += together.length;
    }

    /** Types a line into whatever has the keyboard, key by key, and Enter; then waits for what it does. */
    private void say(FxRobot robot, String line) {
        Plan before = plan();
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            press(robot, c == ' ' ? KeyCode.SPACE : KeyCode.getKeyCode(String.valueOf(Character.toUpperCase(c))));
        }
        press(robot, KeyCode.ENTER);
        settled(() -> !document.plan().equals(before));
    }

    @Test
    void fromAnEmptyPlanToALitFixtureInFortyKeys(FxRobot robot) {
        report();
        press(robot, KeyCode.CONTROL, KeyCode.DIGIT1);
        settled(() -> window.shownPage() == 0);
        settled(() ->
                robot.lookup("#gear-words").query().getScene().getFocusOwner().getId() != null
                        && robot.lookup("#gear-words")
                                .query()
                                .getScene()
                                .getFocusOwner()
                                .getId()
                                .equals("gear-words"));
        say(robot, "compact");
        say(robot, "node 4");
        say(robot, "route");
        say(robot, "patch");
        assertThat(keys).isLessThanOrEqualTo(40);
        Plan plan = plan();
        assertThat(plan.fixtures()).hasSize(1);
        assertThat(report().signalPaths().ofFixture(plan.fixtures().get(0).id()).verdict())
                .isEqualTo(Verdict.PASSES);
        assertThat(report().findings()).isEmpty();
        for (int i = 0; i < 4; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        settled(() -> document.plan().hosts().isEmpty());
    }

    @Test
    void aLineThatWillNotDoComesBackWithItsSentenceBelow(FxRobot robot) {
        show(Plan.EMPTY);
        String line = "2 node 4 called Weir node at 10.58.300.1";
        fx(() -> {
            window.view(GearPage.class).say();
            robot.lookup("#gear-words").queryAs(TextInputControl.class).setText(line);
            return true;
        });
        settled(() -> !robot.lookup(".worded .offer").queryAll().isEmpty());
        robot.push(KeyCode.ENTER);
        settled(() -> robot.lookup("#words-refused").queryAll().stream()
                .anyMatch(n -> ((javafx.scene.control.Label) n)
                        .getText()
                        .equals("\"10.58.300.1\" is not an address: 300 is above 255.")));
        settled(() -> robot.lookup("#gear-words")
                .queryAs(TextInputControl.class)
                .getText()
                .equals(line));
        assertThat(plan().hosts()).isEmpty();
        fx(() -> {
            robot.lookup("#gear-words").queryAs(TextInputControl.class).setText(line.replace("300", "30"));
            return true;
        });
        settled(() -> !robot.lookup(".worded .offer").queryAll().isEmpty());
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().hosts().size() == 2);
        settled(() -> robot.lookup("#words-refused").queryAll().isEmpty());
    }

    @Test
    void theBoxAtTheTopTakesWordsOnAnyStage(FxRobot robot) {
        report();
        press(robot, KeyCode.CONTROL, KeyCode.K);
        robot.write("3 node 4 in pier", 0); // faster than the library is read
        settled(() -> !robot.lookup(".offers .offer").queryAll().isEmpty());
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().hosts().size() == 3);
        assertThat(plan().hosts()).allMatch(h -> h.place().equals("pier"));
        press(robot, KeyCode.CONTROL, KeyCode.K);
        robot.write("route moon to pier", 0); // Enter would do nothing, and says why before
        settled(() -> !robot.lookup(".offers .no-offer").queryAll().isEmpty());
        robot.push(KeyCode.ENTER).push(KeyCode.ESCAPE);
        settled(() -> robot.lookup(".offers .no-offer").queryAll().isEmpty());
        assertThat(plan().hosts()).hasSize(3);
    }

    @Test
    void aRigFromAPatternByMouseAlone(FxRobot robot) {
        fx(() -> {
            window.showPage(0);
            return true;
        });
        click(robot, "#gear-pattern").clickOn("#pattern-backup").clickOn("#pattern-build");
        settled(() -> document.plan().hosts().size() == 4);
        assertThat(report().findings()).isEmpty();
        assertThat(plan().sessions()).hasSize(1);
    }

    @Test
    void aBadAnswerIsToldAndNothingIsLost(FxRobot robot) {
        show(FernlightTrail.ready());
        click(robot, "#gear-pattern");
        fx(() -> {
            ((TextInputControl) robot.lookup("#answer-nodes").query()).setText("many");
            return true;
        });
        click(robot, "#pattern-build");
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text()))
                .isEqualTo("How many nodes? Answer a number from 1 to 40, not \"many\".");
        assertThat(plan()).isEqualTo(FernlightTrail.ready());
    }

    @Test
    void rowsFromASpreadsheetAreAddedAndTheBadOnesNamed(FxRobot robot) {
        show(Plan.EMPTY);
        fx(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putString("name\ttype\taddress\nWest\tnode 4\t10.58.3.1/16\nEast\tnode 4\t10.58.3.256/16\n");
            Clipboard.getSystemClipboard().setContent(content);
            return true;
        });
        click(robot, "#gear-paste");
        settled(() ->
                document.plan().hosts().size() == 1 && document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text()))
                .startsWith("Pasted 1 device (column 1: name, column 2: type, column 3: address). Left out 1: Row 3: ");
    }

    @Test
    void boxesAreDuplicatedRemovedAndBroughtBackByKeyboard(FxRobot robot) {
        show(FernlightTrail.ready());
        int boxes = plan().hosts().size();
        fx(() -> {
            document.select(Kind.HOST.id("boathouse-node"));
            return true;
        });
        click(robot, "#gear-list");
        fx(() -> {
            document.select(Kind.HOST.id("boathouse-node"));
            return true;
        });
        robot.push(KeyCode.CONTROL, KeyCode.D);
        settled(() -> document.plan().hosts().size() == boxes + 1);
        assertThat(plan().hosts().get(boxes).name()).isEqualTo("Boathouse node 2");
        assertThat(report().isBroken()).isFalse();
        settled(() -> document.plan()
                .hosts()
                .get(boxes)
                .id()
                .equals(document.selectionProperty().get()));
        robot.push(KeyCode.DELETE);
        settled(() -> document.plan().hosts().size() == boxes);
        assertThat(fx(() -> document.noticeProperty().get().text())).startsWith("Removed Boathouse node 2 with ");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().hosts().size() == boxes + 1);
    }

    @Test
    void aPlannedAddressIsTickedOffAndTheRestartDone(FxRobot robot) {
        Id<Adapter> adapter = Kind.ADAPTER.id("pergola-controller.network");
        Plan planned = FernlightTrail.ready()
                .with(
                        adapter,
                        a -> a.withAddresses(List.of(new AdapterAddress(
                                a.addresses().get(0).address().planning(HostAddress.parse("10.41.30.9/16")),
                                AddressOrigin.MANUAL))));
        show(planned);
        fx(() -> {
            document.select(adapter);
            return true;
        });
        settled(() -> !robot.lookup(".margin-pane .check-box").queryAll().isEmpty());
        click(robot, ".margin-pane .check-box");
        settled(() -> !robot.lookup("#in-force").queryAll().isEmpty());
        assertThat(plan().index().adapter(adapter).addresses().get(0).inForce().toString())
                .isEqualTo("10.41.30.1/16");
        click(robot, "#in-force");
        settled(() -> document.plan()
                .index()
                .adapter(adapter)
                .addresses()
                .get(0)
                .inForce()
                .toString()
                .equals("10.41.30.9/16"));
    }

    @Test
    void aBoxIsChangedAsAForm(FxRobot robot) {
        show(FernlightTrail.ready());
        click(robot, "#gear-list");
        fx(() -> {
            document.select(Kind.HOST.id("boathouse-node"));
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> !robot.lookup("#form-place").queryAll().isEmpty());
        fx(() -> {
            ((TextInputControl) robot.lookup("#form-place").query()).setText("Jetty");
            ((javafx.scene.control.CheckBox) robot.lookup("#form-on").query()).setSelected(false);
            return true;
        });
        click(robot, "#form-keep");
        settled(() -> document.plan()
                .index()
                .host(Kind.HOST.id("boathouse-node"))
                .place()
                .equals("Jetty"));
        assertThat(report().findings()).extracting(zentrel.check.Finding::rule).contains("power.off");
        fx(() -> {
            document.undo();
            return true;
        });
        assertThat(plan()).isEqualTo(FernlightTrail.ready());
        fx(() -> {
            window.view(GearPage.class).form();
            return true;
        });
        settled(() -> !robot.lookup("#form-later").queryAll().isEmpty());
        fx(() -> {
            robot.lookup((javafx.scene.Node n) -> "Port 1, output or input".equals(n.getAccessibleText()))
                    .queryComboBox()
                    .getSelectionModel()
                    .select(1);
            robot.lookup("#form-later").queryButton().fire();
            return true;
        });
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        settled(() -> document.plan().index().port(port).direction().isPending());
        assertThat(report().isBroken())
                .as("what is only planned breaks nothing")
                .isFalse();
    }

    @Test
    void aColleaguesVersionIsComparedAndTakenOver(FxRobot robot) throws Exception {
        Plan theirs = FernlightTrail.ready().with(Kind.PORT.id("boathouse-node.p1"), p -> p.withWire(7));
        Path file = Files.createTempDirectory(home, "theirs").resolve("theirs.json");
        PlanFile.save(LoadedPlan.of(theirs), file);
        show(FernlightTrail.ready());
        fx(() -> {
            window.show(GearPage.class).compareWith(file);
            return true;
        });
        settled(() -> !robot.lookup("#compare-list .check-box").queryAll().isEmpty());
        click(robot, "#compare-list .check-box").clickOn("#compare-take");
        settled(() -> document.plan().equals(theirs));
    }

    @Test
    void aProfileIsEditedAndKeptAsOnesOwn(FxRobot robot) {
        show(Plan.EMPTY);
        click(robot, "#gear-profiles");
        click(robot, "#profile-other"); // as its file
        settled(() -> !((TextInputControl) robot.lookup("#profile-text").query())
                .getText()
                .isEmpty());
        fx(() -> {
            ((TextInputControl) robot.lookup("#profile-text").query())
                    .setText(
                            "{\"zentrel-profile\": 1, \"id\": \"ours/lamp\", \"name\": \"Lamp box\", \"adapters\": [{\"name\": 3}]}");
            return true;
        });
        assertThat(fx(() -> robot.lookup("#profile-keep").query().isDisabled()))
                .as("a profile with a mistake is not kept")
                .isTrue();
        fx(() -> {
            ((TextInputControl) robot.lookup("#profile-text").query())
                    .setText("{\"zentrel-profile\": 1, \"id\": \"ours/lamp\", \"name\": \"Lamp box\"}");
            return true;
        });
        click(robot, "#profile-keep");
        Path kept = document.folders().profiles().resolve("ours-lamp.json");
        await().atMost(20, SECONDS).until(() -> Files.exists(kept));
        click(robot, "#profile-add");
        settled(() -> document.plan().hosts().stream().map(Host::name).anyMatch("Lamp box"::equals));
    }

    /** A node that is none of the profiles that ship, made field by field; what is wrong is said at its field. */
    @Test
    void aProfileIsMadeAsAForm(FxRobot robot) {
        show(Plan.EMPTY);
        click(robot, "#gear-profiles");
        settled(() -> robot.lookup("#profile-id").tryQuery().isPresent());
        click(robot, "#profile-new");
        settled(() -> field(robot, "#profile-id").getText().equals("own/device"));
        enter(robot, "#profile-name", "Six-port node");
        enter(robot, "#profile-sockets", "many");
        settled(() -> robot.lookup("#profile-sockets-wrong")
                .queryAs(javafx.scene.control.Label.class)
                .getText()
                .equals("Network sockets is a whole number from 0 to 1000, not \"many\"."));
        enter(robot, "#profile-sockets", "1");
        fire(robot, "#profile-add-adapters");
        settled(() -> robot.lookup("#profile-adapters-0-name").tryQuery().isPresent());
        enter(robot, "#profile-adapters-0-name", "Network");
        enter(robot, "#profile-adapters-0-factory", "2.300.1.1/8");
        settled(() -> robot.lookup("#profile-adapters-0-factory-wrong")
                .queryAs(javafx.scene.control.Label.class)
                .getText()
                .contains("300 is above 255"));
        assertThat(fx(() -> robot.lookup("#profile-keep").query().isDisabled())).isTrue();
        enter(robot, "#profile-adapters-0-factory", "2.30.1.1/8");
        fire(robot, "#profile-add-applications");
        fire(robot, "#profile-add-applications-0-ports");
        enter(robot, "#profile-applications-0-takes", "artnet, sacn");
        enter(robot, "#profile-applications-0-ports-0-count", "6");
        settled(() -> !robot.lookup("#profile-keep").query().isDisabled());
        click(robot, "#profile-add");
        settled(() -> document.plan().hosts().stream().map(Host::name).anyMatch("Six-port node"::equals));
        assertThat(plan().receivers().get(0).ports()).hasSize(6);
    }

    private static TextInputControl field(FxRobot robot, String id) {
        return (TextInputControl) robot.lookup(id).query();
    }

    private static void enter(FxRobot robot, String id, String text) {
        settled(() -> robot.lookup(id).tryQuery().isPresent());
        fx(() -> {
            field(robot, id).setText(text);
            ((javafx.scene.control.TextField) field(robot, id)).getOnAction().handle(new javafx.event.ActionEvent());
            return true;
        });
    }
}
