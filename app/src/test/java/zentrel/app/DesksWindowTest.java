package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.plan.Application;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.Session;
import zentrel.plan.VersionRule;
import zentrel.standin.DeskSpec;
import zentrel.standin.DeskStandin;
import zentrel.standin.StandinSite;

/** The desks of a session in a real window: what one lacks, mended by its fix; a key that differs; a session made from nothing. */
class DesksWindowTest extends OpenWindow {
    private static final Id<Application> BACKUP = Kind.APPLICATION.id("backup-desk");
    private static final Id<Application> HUT = Kind.APPLICATION.id("hut-desk");
    private static final Id<Session> EVENING = Kind.SESSION.id("evening-session");

    private Node desk(FxRobot robot, Id<Application> program) {
        settled(() -> robot.lookup(".desk").queryAll().stream().anyMatch(n -> program.equals(n.getUserData())));
        return fx(() -> robot.lookup(".desk").queryAll().stream()
                .filter(n -> program.equals(n.getUserData()))
                .findFirst()
                .orElseThrow());
    }

    @Test
    void whatADeskLacksIsSeenChosenByKeysAndMended(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new Edit("An older version", p -> p.with(BACKUP, a -> a.withVersion("3.5.4"))));
            return true;
        });
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT8);
        assertThat(fx(() -> window.shownPage())).isEqualTo(7);
        waitFor("Software versions of a session differ");
        waitFor("install version");
        Node backup = desk(robot, BACKUP);
        fx(() -> {
            backup.requestFocus();
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> BACKUP.equals(document.selectionProperty().get()));
        waitFor("Hut desk → Backup desk");
        waitFor("3.5.4");
        settled(() -> robot.lookup("#fix").tryQuery().isPresent());
        click(robot, "#fix");
        settled(() -> document.plan()
                .index()
                .application(BACKUP)
                .version()
                .orElseThrow()
                .inForce()
                .equals("3.6.2"));
        await().atMost(30, SECONDS).until(() -> !shows("Software versions of a session differ"));

        fx(() -> {
            document.apply(new Edit(
                    "Another key",
                    p -> p.with(
                            EVENING,
                            s -> s.withDesks(s.desks().stream()
                                    .map(d -> d.application().equals(BACKUP) ? d.withKey(Optional.of("marrow-8")) : d)
                                    .toList()))));
            return true;
        });
        waitFor("Keys of a session differ");
        waitFor("marrow-8");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        await().atMost(30, SECONDS).until(() -> !shows("Keys of a session differ"));
    }

    @Test
    void whatHappensWhenTheMainDeskStopsIsRehearsed(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT8);
        waitFor("If the main desk stops");
        click(robot, "#desks-rehearse");
        waitFor("Rehearsed: ");
        assertThat(shows("did not move within 12 s")).isTrue();
        fx(() -> {
            document.apply(new Edit(
                    "No backup", p -> p.with(EVENING, s -> s.withDesks(s.desks().subList(0, 1)))));
            return true;
        });
        await().atMost(30, SECONDS).until(() -> !shows("Rehearsed: "));
    }

    /** Two stand-ins on loopback; what they announce stands beside what is planned of their desks, and goes with them. */
    @Test
    void whatAnnouncesItselfIsSeenBesideWhatIsPlanned(FxRobot robot) throws Exception {
        plan();
        Plan plan = fx(() -> document.plan());
        String session = plan.index().name(EVENING);
        try (RealNet net = new RealNet();
                DeskStandin main = standin(net, "127.64.3.1", plan, session, HUT, Part.PRIMARY, "12");
                DeskStandin backup = standin(net, "127.64.3.2", plan, session, BACKUP, Part.BACKUP, "wrong")) {
            main.start();
            backup.start();
            fx(() -> {
                window.show(BenchPage.class);
                return true;
            });
            click(robot, "#live-listen");
            waitFor("Only group joins leave");
            robot.push(KeyCode.CONTROL, KeyCode.DIGIT8);
            waitFor("seen leads");
            waitFor("seen key not recognised");
            waitFor("not heard on this net");
        }
        waitFor("seen, silent since");
    }

    private static DeskStandin standin(
            RealNet net, String at, Plan plan, String session, Id<Application> as, Part part, String key)
            throws Exception {
        return new DeskStandin(
                new StandinSite(
                        new Guarded(net, OutputGuard.armed(RealNet.loopbackName())),
                        net.require(Ipv4Address.parse(at))),
                new DeskSpec(
                        session, plan.index().name(as), part, "3.6.2", key, VersionRule.EXACT, "Fernlight Trail", true),
                e -> {});
    }

    @Test
    void aSessionIsMadeByWordsAndItsDesksAreEnteredInAField(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new Edit("No session", p -> p.with(Kind.SESSION, List.of())));
            return true;
        });
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT8);
        waitFor("the plan has no session");
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("session Rehearsal with hut desk, backup desk as backup");
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().sessions().size() == 1);
        waitFor("Nothing is left to do");
        Session made = fx(() -> document.plan().sessions().get(0));
        assertThat(made.desks())
                .extracting(Session.Desk::part)
                .extracting(Enum::name)
                .containsExactly("PRIMARY", "BACKUP");
        choose(made.id());
        robot.push(KeyCode.CONTROL, KeyCode.E);
        settled(() -> robot.lookup("#entry-desks").tryQuery().isPresent());
        fx(() -> {
            TextInputControl box = robot.lookup("#entry-desks").queryAs(TextInputControl.class);
            assertThat(box.getText()).isEqualTo("Hut desk as main, Backup desk as backup");
            box.requestFocus();
            box.setText("Hut desk as main, Backup desk as conductor");
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> robot.lookup("#entry-desks-wrong")
                .queryAs(Label.class)
                .getText()
                .contains("conductor"));
        fx(() -> {
            TextInputControl box = robot.lookup("#entry-desks").queryAs(TextInputControl.class);
            box.setText("Hut desk as main, Backup desk as remote with key 12 not entered");
            box.requestFocus();
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().sessions().get(0).desks().get(1).part() == Part.REMOTE);
        Session.Desk entered = document.plan().sessions().get(0).desks().get(1);
        assertThat(entered.key()).contains("12");
        assertThat(entered.entered()).contains(false);
    }
}
