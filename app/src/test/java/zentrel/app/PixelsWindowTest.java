package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.app.pixels.PixelsPage;
import zentrel.pixel.CornerTest;
import zentrel.pixel.PixelLook;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PixelCorner;
import zentrel.plan.PixelOutput;
import zentrel.plan.PixelRun;

/** Pixels as a user adds, turns and tries them in a real window. */
class PixelsWindowTest extends OpenWindow {
    private static final Id<PixelOutput> FOURTH = Kind.PIXEL_OUTPUT.id("pergola.pixels4");

    private void toPixels(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT6);
        waitFor("1440 pixels · 9 universes on 5 outputs");
    }

    private List<PixelRun> runs() {
        return document.plan().pixelRuns();
    }

    private PixelRun panel() {
        return runs().stream()
                .filter(r -> r.name().equals("Panel 1"))
                .findFirst()
                .orElseThrow();
    }

    private void show(PixelsPage.Showing what) {
        fx(() -> {
            window.show(PixelsPage.class).show(what);
            return true;
        });
    }

    @Test
    void aPanelIsAddedTurnedAndHungAsItIsSeen(FxRobot robot) {
        toPixels(robot);
        type(robot, "#pixel-words", "pixels 2 panels of 8x8 RGB at 50 mm on pergola");
        click(robot, "#pixel-words");
        robot.push(KeyCode.ENTER);
        settled(() -> runs().size() == 11);
        assertThat(plan().index().fixture(panel().fixture().orElseThrow()).breaks())
                .as("192 slots behind Arch 9, on the output with the fewest pixels; whole pixels only")
                .extracting(b -> b.start() + "+" + b.footprint())
                .containsExactly("481+30", "1+162");
        choose(panel().id());
        fx(() -> {
            robot.lookup("#pixel-layout").query().requestFocus();
            return true;
        });
        robot.push(KeyCode.T);
        settled(() -> panel().placing().turn() == 90);
        robot.push(KeyCode.M);
        settled(() -> panel().placing().mirrored());
        robot.push(KeyCode.ALT, KeyCode.RIGHT);
        settled(() -> Math.abs(panel().placing().across() - 0.1) < 1e-6);
        show(PixelsPage.Showing.LOOK);
        click(robot, "#seen-top-right-up");
        settled(() -> CornerTest.seen(panel()).equals(new CornerTest.Seen(PixelCorner.TOP_RIGHT, false)));
        fx(() -> {
            for (int i = 0; i < 5; i++) {
                document.undo();
            }
            return true;
        });
        assertThat(runs()).hasSize(9);
    }

    /** The left leg of the fifth of nine arches stands a metre left of the middle of the layout. */
    @Test
    void anArchIsDraggedToItsPlace(FxRobot robot) {
        toPixels(robot);
        Id<PixelRun> fifth = Kind.PIXEL_RUN.id("arch-5");
        choose(fifth); // the path of it takes its room before the drag
        waitFor("Hut desk → Output 3 of Pergola controller");
        Bounds at = fx(() -> {
            Node layout = robot.lookup("#pixel-layout").query();
            return layout.localToScreen(layout.getBoundsInLocal());
        });
        double scale = (at.getWidth() - 68) / 21.2;
        robot.moveTo(at.getCenterX() - scale, at.getCenterY() + 0.3 * scale)
                .press(MouseButton.PRIMARY)
                .moveBy(20, 0)
                .moveBy(16, 0)
                .release(MouseButton.PRIMARY);
        settled(() -> document.plan().index().get(fifth).placing().across() > 0.6 + 0.5);
    }

    @Test
    void aSupplyThatIsTooSmallIsFoundAndItsOutputLimited(FxRobot robot) {
        plan();
        fx(() -> {
            document.apply(new Edit(
                    "Swap the supply",
                    p -> p.with(FOURTH, o -> o.withSupply(o.supply().withWatts(80)))));
            return true;
        });
        toPixels(robot);
        click(robot, "Output 4");
        settled(() -> FOURTH.equals(document.selectionProperty().get()));
        click(robot, "Limit Output 4 to 83 %");
        settled(() -> document.plan().index().get(FOURTH).supply().brightness() == 83);
    }

    @Test
    @SuppressWarnings("unchecked")
    void aLookIsOnlyShownUntilOutputIsArmed(FxRobot robot) {
        toPixels(robot);
        show(PixelsPage.Showing.LOOK);
        fx(() -> {
            ((ComboBox<PixelLook>) robot.lookup("#look-kind").query()).setValue(PixelLook.WALK);
            return true;
        });
        waitFor("Only shown here; to send it, choose and arm an adapter on the Bench.");
        assertThat(fx(() -> robot.lookup("#look-send").query().isDisabled())).isTrue();
        show(PixelsPage.Showing.ARRIVING);
        waitFor("Nothing is listened to. Open the Bench and choose an adapter, loopback or a rehearsal; what arrives"
                + " there is shown here.");
    }

    /** A look leaves by the armed loopback adapter and is seen as it arrives there. */
    @Test
    @SuppressWarnings("unchecked")
    void aLookIsSentAndSeenAsItArrives(FxRobot robot) {
        plan();
        fx(() -> window.show(BenchPage.class));
        fire(robot, "#live-listen");
        settled(() -> !robot.lookup("#live-arm").query().isDisabled());
        fire(robot, "#live-arm");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT6);
        show(PixelsPage.Showing.LOOK);
        fx(() -> {
            ((ComboBox<PixelLook>) robot.lookup("#look-kind").query()).setValue(PixelLook.GRADIENT);
            return true;
        });
        waitFor("Only shown here. Loopback 127.0.0.1 is armed.");
        fire(robot, "#look-send");
        waitFor("Sending gradient on 9 universes of pixels.");
        show(PixelsPage.Showing.ARRIVING);
        waitFor("Listening: Loopback 127.0.0.1. All universes of these pixels are heard.");
        show(PixelsPage.Showing.LOOK);
        fx(() -> {
            ((ComboBox<PixelLook>) robot.lookup("#look-kind").query()).setValue(PixelLook.WALK);
            return true;
        });
        waitFor("Sending walking pixel on 9 universes of pixels.");
        fire(robot, "#look-send");
        waitFor("Only shown here. Loopback 127.0.0.1 is armed.");
    }

    @Test
    void tablesAndDrawingsAreWritten(FxRobot robot, @TempDir Path folder) throws Exception {
        toPixels(robot);
        Path table = folder.resolve("controllers.csv");
        Path svg = folder.resolve("layout.svg");
        Path pdf = folder.resolve("layout.pdf");
        fx(() -> {
            PixelsPage page = window.show(PixelsPage.class);
            page.write(table);
            page.write(svg);
            page.write(pdf);
            return true;
        });
        settled(() -> Files.exists(table) && Files.exists(svg) && Files.exists(pdf));
        assertThat(Files.readAllLines(table)).hasSize(6);
        assertThat(Files.readString(table)).contains("Pergola controller,Output 2,sACN,13,1,2,320,WS2812B,GRB,8,0,1");
        assertThat(Files.readString(svg)).contains("Arch 2, U11 to U12").contains("1440 pixels");
        assertThat(new String(Files.readAllBytes(pdf), java.nio.charset.StandardCharsets.ISO_8859_1))
                .startsWith("%PDF");
    }
}
