package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;

/** The real window: a dark port looked into, load and contests read, numbers moved and routes taken over. */
class UniversesWindowTest extends OpenWindow {
    private void shown(FxRobot robot) {
        settled(() -> document.reportProperty().get() != null);
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT4);
        settled(() -> robot.lookup("#universes-load").tryQuery().isPresent());
    }

    /** The plan says that all is well and the port is dark: asked at most four times, the hop is found, with time and person. */
    @Test
    void whereADarkPortDiesIsFoundByLooking(FxRobot robot) {
        settled(() -> document.reportProperty().get() != null);
        fx(() -> {
            document.select(Kind.PORT.id("boathouse-node.p1"));
            return true;
        });
        settled(() -> robot.lookup("#look-next").tryQuery().isPresent());
        fire(robot, "#look-next");
        int fault = 8; // whoever looks sees the signal up to hop 7
        int looks = 0;
        while (robot.lookup("#look-yes").tryQuery().isPresent()) {
            int asked = Integer.parseInt(text(robot, "#look-text").split(" ", 2)[0]);
            assertThat(text(robot, "#look-text")).endsWith("?");
            fire(robot, asked < fault ? "#look-yes" : "#look-no");
            looks++;
            int kept = looks;
            settled(() -> document.plan().sightings().size() == kept);
            plan();
            assertThat(looks).isLessThanOrEqualTo(4);
        }
        assertThat(text(robot, "#look-text"))
                .startsWith("It fails at hop 8 (numbers agree). The plan says that it passes");
        assertThat(robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().startsWith("seen "))
                        .queryAll())
                .as("what was answered stands at its hop")
                .isNotEmpty();
    }

    /** By keys alone: three universes are chosen and switched off, and one undo brings them back. */
    @Test
    void severalUniversesAreSwitchedByKeys(FxRobot robot) {
        shown(robot);
        plan();
        fx(() -> {
            ListView<?> list = robot.lookup("#universe-list").queryListView();
            list.getSelectionModel().clearAndSelect(1);
            list.getFocusModel().focus(1);
            list.requestFocus();
            return true;
        });
        robot.push(KeyCode.SHIFT, KeyCode.DOWN).push(KeyCode.SHIFT, KeyCode.DOWN);
        settled(() -> robot.lookup("#universe-list")
                        .queryListView()
                        .getSelectionModel()
                        .getSelectedItems()
                        .size()
                == 3);
        MenuButton menu = robot.lookup("#universes-switch").queryAs(MenuButton.class);
        settled(() -> !menu.getItems().isEmpty());
        String first = fx(() -> menu.getItems().get(0).getText());
        assertThat(first).isEqualTo("3 universes of Hut desk by Art-Net: off");
        Fx.menu(robot, "#universes-switch", "universes-switch-0");
        settled(() -> off(document.plan()) == 3);
        assertThat(fx(() -> document.undoText())).contains("Switch 3 universes of Hut desk off");
        settled(() -> menu.getItems().get(0).getText().endsWith(": on"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> off(document.plan()) == 0);
    }

    private static long off(Plan plan) {
        return plan.streams().stream().filter(s -> !s.enabled().inForce()).count();
    }

    @Test
    void loadAndContestsAreRead(FxRobot robot) {
        shown(robot);
        fire(robot, "#universes-load");
        settled(() -> robot.lookup("#load-table").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#load-pixels").queryAs(TextInputControl.class).setText("64000");
            robot.lookup("#load-pixels")
                    .queryAs(javafx.scene.control.TextField.class)
                    .fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        settled(() -> robot.lookup("#load-universes")
                .queryAs(TextInputControl.class)
                .getText()
                .equals("377"));
        settled(() -> robot.lookup("There is no room below 70 %.").tryQuery().isPresent()
                || robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().contains("There is no room below 70 %."))
                        .tryQuery()
                        .isPresent());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#universes-wins").tryQuery().isPresent());
        fire(robot, "#universes-wins");
        settled(() ->
                !robot.lookup("#wins-list").queryAs(ListView.class).getItems().isEmpty());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#universe-list").tryQuery().isPresent());
    }

    @Test
    void numbersMoveEverywhereAndRoutesAreTakenOver(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        Id<Port> output = Kind.PORT.id("pergola.o1");
        assertThat(ready.index().find(output)).isPresent();
        fire(robot, "#universes-numbers");
        settled(() -> robot.lookup("#numbers-show").tryQuery().isPresent());
        fire(robot, "#numbers-show");
        settled(() -> !robot.lookup("#numbers-set").query().isDisabled());
        assertThat(fx(document::plan)).as("nothing is changed by looking").isEqualTo(ready);
        fire(robot, "#numbers-set");
        settled(() -> document.plan().index().port(output).wire().orElseThrow().inForce() == 111);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
        settled(() -> robot.lookup("#universes-more").tryQuery().isPresent());
        Fx.menu(robot, "#universes-more", "universes-import");
        settled(() -> robot.lookup("#routes-text").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#routes-text")
                    .queryAs(TextInputControl.class)
                    .setText("Receiver;Port;Number\nPergola controller;Output 1;311\nMoon;Output 1;3\n");
            return true;
        });
        settled(() -> !robot.lookup("#routes-set").query().isDisabled());
        assertThat(robot.lookup("Row 3: the plan has no port \"Output 1\" at \"Moon\"")
                        .tryQuery())
                .isPresent();
        fire(robot, "#routes-set");
        settled(() -> document.plan().index().port(output).wire().orElseThrow().inForce() == 311);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
    }

    /** Both protocols side by side; a move is shown with what it breaks, made, and undone. */
    /** An answer is part of the plan: it is undone and done again, and a file has it. */
    @Test
    void whatWasSeenIsKeptWithThePlan(FxRobot robot) throws Exception {
        choose(Kind.PORT.id("boathouse-node.p1"));
        fx(() -> {
            window.strip().look();
            return true;
        });
        settled(() -> there(robot, "#look-yes"));
        fire(robot, "#look-yes");
        settled(() -> document.plan().sightings().size() == 1 && there(robot, "#look-anew"));
        Sighting kept = fx(() -> document.plan().sightings().get(0));
        assertThat(kept.receiver()).isEqualTo(Kind.PORT.id("boathouse-node.p1"));
        assertThat(kept.answer()).isEqualTo(Answer.YES);
        byte[] file = zentrel.file.PlanWriter.write(LoadedPlan.of(plan()));
        assertThat(zentrel.file.PlanReader.read(file).plan().sightings()).containsExactly(kept);
        fx(() -> {
            document.undo();
            return true;
        });
        settled(() -> document.plan().sightings().isEmpty());
        fx(() -> {
            document.redo();
            return true;
        });
        settled(() -> document.plan().sightings().size() == 1);
        settled(() -> there(robot, "#look-anew"));
        fire(robot, "#look-anew");
        settled(() -> document.plan().sightings().isEmpty());
    }

    @Test
    void aPathThatWorksStandsBesideTheOneThatDoesNot(FxRobot robot) {
        fx(() -> {
            document.show(LoadedPlan.of(FernlightTrail.draft()));
            return true;
        });
        choose(Kind.PORT.id("boathouse-node.p1"));
        settled(() -> there(robot, "#beside"));
        fire(robot, "#beside");
        settled(() -> there(robot, "#beside-says"));
        assertThat(text(robot, "#beside-says")).contains("works; the two part at hop 4 (addressed to)");
        assertThat(fx(() -> robot.lookup(".differs").queryAll().size())).isEqualTo(3);
        settled(() -> there(robot, "#strip-fix"));
        assertThat(fx(() -> robot.lookup("#strip-fix").queryButton().getText()))
                .isEqualTo("Set Port 1 of Boathouse node to 4");
        fire(robot, "#strip-fix");
        settled(() -> document.plan()
                .index()
                .port(Kind.PORT.id("boathouse-node.p1"))
                .wire()
                .filter(w -> w.inForce() == 4)
                .isPresent());
    }

    /** One choice settles who is meant to win, with what comes of it said before. */
    @Test
    void whoIsMeantToWinIsOneChoice(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new Edit("fight", p -> {
                Plan next = p;
                for (Stream s : p.streams()) {
                    next = next.with(s.id(), x -> x.withPriority(100).withStandby(false));
                }
                return next;
            }));
            return true;
        });
        assertThat(report().findings()).anyMatch(f -> f.rule().equals("universe.two-sources"));
        shown(robot);
        fire(robot, "#universes-wins");
        settled(() -> !robot.lookup("#wins-list").queryListView().getItems().isEmpty());
        fx(() -> {
            robot.lookup("#wins-list").queryListView().getSelectionModel().select(0);
            return true;
        });
        settled(() -> !robot.lookup("#wins-meant").queryComboBox().getItems().isEmpty());
        fx(() -> {
            robot.lookup("#wins-meant").queryComboBox().getSelectionModel().select(0);
            return true;
        });
        fire(robot, "#wins-everywhere");
        assertThat(plan().streams()).anyMatch(Stream::standby);
        assertThat(report().findings())
                .noneMatch(
                        f -> f.rule().equals("universe.two-sources") && f.text().contains("Art-Net"));
    }

    /** What groups do on the cables when the querier fails, and what is on the air. */
    @Test
    void theQuerierDiesOnThePageOfLoad(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new Edit(
                    "snoop",
                    p -> p.with(
                            Kind.ADAPTER.id("hut-switch.management"), a -> a.withSegment(Kind.SEGMENT.id("stream")))));
            return true;
        });
        shown(robot);
        fire(robot, "#universes-load");
        settled(() -> there(robot, "#load-table"));
        assertThat(said(robot)).contains("Multicast on Stream go to their members only");
        fx(() -> {
            robot.lookup("#load-querier")
                    .queryAs(javafx.scene.control.CheckBox.class)
                    .fire();
            return true;
        });
        settled(() -> said(robot).contains("Multicast on Stream stop 260 s after the querier failed"));
    }

    /** Every sentence on the page. */
    private static String said(FxRobot robot) {
        StringBuilder all = new StringBuilder();
        robot.lookup((javafx.scene.control.Label l) -> l.getText() != null)
                .<javafx.scene.control.Label>queryAll()
                .forEach(l -> all.append(l.getText()).append('\n'));
        return all.toString();
    }

    /** A console's own stream is attached by words, chosen, and its path names the sign to look for. */
    @Test
    void aConsolesOwnStreamIsAttachedByWords(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("attach hut to office");
        settled(() -> robot.lookup(".offer").queryAll().size() > 0);
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().attachments().size() == 1);
        choose(document.plan().attachments().get(0).id());
        settled(() -> said(robot).contains("Hut desk into Office previs"));
        assertThat(said(robot)).contains("its own stream · ");
        assertThat(report().findings())
                .as("the office computer lets Art-Net and sACN in, and nothing of the console's own")
                .anyMatch(f -> f.id().equals("host.firewall@office-computer"));
        settled(() -> there(robot, "#fix"));
        fire(robot, "#fix");
        settled(() -> document.plan()
                .index()
                .host(Kind.HOST.id("office-computer"))
                .firewall()
                .allows()
                .contains(Traffic.OWN));
        assertThat(report().isBroken()).isFalse();
    }

    /** Four universes dragged onto the first of four ports. */
    @Test
    void aRunIsDraggedOntoItsFirstPort(FxRobot robot) {
        shown(robot);
        fx(() -> {
            ((javafx.scene.control.MenuButton) robot.lookup("#universes-more").query())
                    .getItems().stream()
                            .filter(i -> "universes-range".equals(i.getId()))
                            .forEach(javafx.scene.control.MenuItem::fire);
            return true;
        });
        settled(() -> there(robot, "#range-universes"));
        fx(() -> {
            robot.lookup("#range-universes").queryListView().getSelectionModel().selectRange(0, 4);
            return true;
        });
        Node lane = robot.from(robot.lookup("#range-universes").queryAs(ListView.class))
                .lookup((javafx.scene.control.ListCell<?> c) ->
                        String.valueOf(c.getText()).startsWith("U2"))
                .query();
        Node port = robot.from(robot.lookup("#range-ports").queryAs(ListView.class))
                .lookup((javafx.scene.control.ListCell<?> c) ->
                        String.valueOf(c.getText()).startsWith("Port 1 of Paths node"))
                .query();
        robot.drag(lane).dropTo(port);
        settled(() -> !robot.lookup("#range-set").queryButton().isDisabled());
        fire(robot, "#range-set");
        PlanIndex index = plan().index();
        for (int i = 0; i < 4; i++) {
            assertThat(index.universesOf(Kind.PORT.id("paths-node.p" + (i + 1))))
                    .containsExactly(plan().universes().get(i).id());
        }
    }

    @Test
    void aSourceIsMovedToTheOtherProtocol(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        fire(robot, "#universes-protocol");
        settled(() -> there(robot, "#protocol-sacn-hut-desk"));
        fire(robot, "#protocol-artnet-hut-desk");
        settled(() -> there(robot, "#protocol-set"));
        assertThat(robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().startsWith("It breaks "))
                        .tryQuery())
                .as("two sources without priorities")
                .isPresent();
        fire(robot, "#protocol-sacn-hut-desk");
        settled(() -> robot.lookup((javafx.scene.Node n) ->
                        n instanceof javafx.scene.control.Label l && l.getText().startsWith("It breaks nothing"))
                .tryQuery()
                .isPresent());
        assertThat(fx(document::plan)).as("nothing is changed by looking").isEqualTo(ready);
        fire(robot, "#protocol-set");
        settled(() -> document.plan().index().streamsFrom(Kind.APPLICATION.id("hut-desk")).stream()
                .allMatch(s -> s.protocol() == Protocol.SACN));
        plan();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
    }
}
