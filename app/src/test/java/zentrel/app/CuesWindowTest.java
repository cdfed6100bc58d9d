package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.app.cues.CuesPage;
import zentrel.control.Cue;
import zentrel.control.CueNumber;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.plan.ControlLink;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.standin.CueStandin;
import zentrel.standin.StandinSite;

/** Links, messages and cue lists in a real window: a port that differs is mended, messages are made and sent, lists agreed. */
class CuesWindowTest extends OpenWindow {
    private static final Id<ControlLink> GO = Kind.LINK.id("go-link");
    private static final Id<ControlLink> DIM = Kind.LINK.id("dim-link");

    private ControlLink link(Id<ControlLink> id) {
        return document.plan().index().get(id);
    }

    private static void fill(FxRobot robot, String field, String text) {
        settled(() -> robot.lookup(field).tryQuery().isPresent());
        fx(() -> {
            TextField box = robot.lookup(field).queryAs(TextField.class);
            box.requestFocus();
            box.setText(text);
            return true;
        });
    }

    @Test
    void aMessageIsWrittenFilledInMadeAndUndone(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
        choose(DIM);
        waitFor("/terrace/level channel:int level:0-1");
        fill(robot, "#cues-part-channel", "1-12");
        fill(robot, "#cues-part-level", "0, 50 %, 100 %");
        waitFor("36 messages");
        waitFor("2c 69 66 00");
        click(robot, "#cues-make");
        settled(() -> link(DIM).messages().size() == 36);
        waitFor("/terrace/level 1 0.5");
        click(robot, "#cues-try");
        waitFor("Held: no net is looked at");
        fill(robot, "#cues-part-level", "150 %");
        waitFor("level: \"150\" is not a number from 0 to 100");

        fill(robot, "#cues-template", "/terrace/level channel:int");
        robot.push(KeyCode.ENTER);
        waitFor("remove them, or make them anew");
        assertThat(fx(() -> link(DIM).arguments())).isEqualTo("channel:int level:0-1");
        robot.push(KeyCode.ESCAPE);
        fx(() -> {
            document.undo();
            return true;
        });
        settled(() -> link(DIM).messages().isEmpty());
    }

    @Test
    void controlsOfASurfaceAreMappedAndTried(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
        choose(DIM);
        click(robot, "#cues-surface");
        fill(robot, "#surface-line", "Fader 1: slider sends 1");
        robot.push(KeyCode.ENTER);
        waitFor("is no control; write NAME");
        fill(robot, "#surface-line", "Fader 1: fader 0-127 square with feedback sends 3 | *");
        robot.push(KeyCode.ENTER);
        settled(() -> link(DIM).controls().size() == 1);
        waitFor("fader 0–127, square, feedback");
        fx(() -> {
            robot.lookup("#surface-slider")
                    .queryAs(javafx.scene.control.Slider.class)
                    .setValue(64);
            return true;
        });
        waitFor("at 64: /terrace/level 3 0.254");
        click(robot, "#surface-try");
        waitFor("Held: no net is looked at");
        fill(robot, "#surface-line", "Fader 2: fader 0-127 sends 3 | *");
        robot.push(KeyCode.ENTER);
        waitFor("Fader 1 and Fader 2 send one message");
        click(robot, "#surface-remove");
        settled(() -> link(DIM).controls().size() == 1);
    }

    @Test
    void cueListsAreComparedAgreedAndSaved(FxRobot robot, @TempDir Path folder) throws Exception {
        plan();
        Path desk = Files.writeString(folder.resolve("desk.csv"), "cue,label\n1,Dawn\n2,Noon\n3,Dusk\n");
        Path paper = Files.writeString(folder.resolve("paper.csv"), "cue,label\n1,Dawn\n2,Midday\nx,?\n4,Night\n");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
        fx(() -> {
            window.view(CuesPage.class).compare(desk, paper);
            return true;
        });
        waitFor("3 differ of 4, 0 decided");
        waitFor("“x” is no cue number");
        click(robot, "#cue-right-1");
        waitFor("3 differ of 4, 1 decided");
        click(robot, "#cues-all-left");
        waitFor("3 decided");
        click(robot, "#cues-only");
        await().atMost(10, SECONDS).until(() -> !shows("Dawn"));
    }

    /** A desk stands in on loopback: its list is fetched, the running cue shown; labels are held until output is armed. */
    @Test
    void aDeskIsAskedFollowedAndToldALabel(FxRobot robot, @TempDir Path folder) throws Exception {
        plan();
        List<Cue> cues = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            cues.add(new Cue("1", CueNumber.of("" + i).orElseThrow(), "Cue " + i, "3", ""));
        }
        Path paper = Files.writeString(folder.resolve("paper.csv"), "cue,label\n1,Cue 1\n2,Lantern walk\n3,Cue 3\n");
        try (RealNet net = new RealNet();
                CueStandin desk = new CueStandin(
                        new StandinSite(
                                new Guarded(net, new OutputGuard(OutputGuard.State.ASK)),
                                net.require(Ipv4Address.parse("127.64.8.1"))),
                        cues,
                        CueStandin.Manner.WELL,
                        e -> {})) {
            desk.start(24_830);
            fx(() -> {
                window.show(BenchPage.class);
                return true;
            });
            click(robot, "#live-listen");
            waitFor("Only group joins leave");
            click(robot, "#live-ask");
            waitFor("Polls and pings leave");
            robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
            click(robot, "#cues-lists");
            fill(robot, "#cues-desk-left", "127.64.8.1:24830");
            robot.push(KeyCode.ENTER);
            waitFor("127.64.8.1, live: 3 cues");
            fx(() -> {
                window.view(CuesPage.class).compare(paper);
                return true;
            });
            waitFor("1 differ of 3, 0 decided");
            click(robot, "#cues-all-right");
            waitFor("1 decided");
            click(robot, "#cues-send-labels");
            waitFor("Held: output is not armed");
            fx(() -> {
                window.show(BenchPage.class);
                return true;
            });
            click(robot, "#live-arm");
            waitFor("is ARMED");
            robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
            click(robot, "#cues-send-labels");
            waitFor("3 cues, the same in both");
            robot.push(KeyCode.F12);
            settled(() -> !window.output().isArmed());
        }
        waitFor("is not heard any more");
    }

    @Test
    void aPortThatDiffersIsSeenAndMended(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new zentrel.plan.Edit("Another port", p -> p.with(GO, l -> l.withPort(24_512))));
            return true;
        });
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT7);
        waitFor("UDP ports differ");
        choose(GO);
        settled(() -> robot.lookup("#fix").tryQuery().isPresent());
        click(robot, "#fix");
        settled(() -> link(GO).port().inForce() == 24_510);
        await().atMost(30, SECONDS).until(() -> !shows("UDP ports differ"));
    }
}
