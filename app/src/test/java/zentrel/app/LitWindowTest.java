package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.awt.image.BufferedImage;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.app.lit.LitPage;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Edit;
import zentrel.plan.Fixture;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Position;
import zentrel.plan.Setting;

/** The place as a user builds it, looks around in it and asks it, in a real window. */
class LitWindowTest extends OpenWindow {
    private static final Id<Fixture> WASH = Kind.FIXTURE.id("f102");

    private void toPlace(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT9);
        waitFor("all 140 fixtures are reached");
    }

    private LitPage page() {
        return window.view(LitPage.class);
    }

    private Point2D onScreen(FxRobot robot, Id<?> id) {
        Node picture = robot.lookup("#lit-picture").query();
        return fx(() -> picture.localToScreen(page().spotOf(id).orElseThrow()));
    }

    private Fixture fixture(Id<Fixture> id) {
        return document.plan().index().fixture(id);
    }

    private Position at(Id<Fixture> id) {
        return fixture(id).use().position().orElseThrow();
    }

    private void apply(Edit edit) {
        fx(() -> {
            document.apply(edit);
            return true;
        });
        report();
    }

    private void say(FxRobot robot, String line) {
        type(robot, "#lit-words", line);
        click(robot, "#lit-words");
        robot.push(KeyCode.ENTER);
    }

    /** A fault is seen as darkness with its cause; choosing what is dark shows its path, and the fix lights it. */
    @Test
    void aDarkFixtureTellsItsCause(FxRobot robot) {
        toPlace(robot);
        apply(new Edit(
                "Another number", p -> p.with(Kind.PORT.id("boathouse-node.p1"), t -> t.withWire(Setting.of(9)))));
        waitFor("128 of 140 fixtures reached");
        click(robot, "501 to 512, 12");
        settled(() ->
                Kind.FIXTURE.id("f512").equals(document.selectionProperty().get()));
        waitFor("Hut desk → Port 1 of Boathouse node");
        fx(() -> {
            document.undo();
            return true;
        });
        waitFor("all 140 fixtures are reached");
    }

    /** A click in the picture chooses; a drag and keys move; a viewpoint and Home lead there and back. */
    @Test
    void whatIsSeenIsChosenAndMoved(FxRobot robot) {
        toPlace(robot);
        robot.push(KeyCode.DIGIT4); // the boathouse, from near
        Id<Fixture> gable = Kind.FIXTURE.id("f401");
        robot.clickOn(onScreen(robot, gable), MouseButton.PRIMARY);
        settled(() -> gable.equals(document.selectionProperty().get()));
        Position before = at(gable);
        robot.push(KeyCode.ALT, KeyCode.RIGHT);
        settled(() -> at(gable).distance(new Position(before.x() + 0.1, before.y(), before.z())) < 1e-6);
        robot.push(KeyCode.ALT, KeyCode.PAGE_UP);
        settled(() -> at(gable).z() > before.z());
        robot.drag(onScreen(robot, gable), MouseButton.PRIMARY)
                .moveBy(30, 0)
                .moveBy(30, 0)
                .drop();
        settled(() -> at(gable).x() > before.x() + 0.3);
        assertThat(at(gable).z()).as("over the ground").isCloseTo(before.z() + 0.1, within(1e-6));
        Point2D near = onScreen(robot, gable);
        robot.push(KeyCode.HOME);
        assertThat(onScreen(robot, gable).distance(near)).isGreaterThan(20);
        robot.push(KeyCode.W);
        robot.push(KeyCode.P);
        robot.push(KeyCode.HOME);
        for (int i = 0; i < 3; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        settled(() -> at(gable).equals(before));
        choose(WASH); // elsewhere
        waitFor("102 Glasshouse wash 2 · 100 % #FFFFFF · falls on Glasshouse, 2.9 m away");
    }

    @Test
    void aPlaceIsBuiltAndFixturesStandInIt(FxRobot robot) {
        toPlace(robot);
        say(robot, "build platform Bandstand of 6x4x0.8 at 0/6/0 turned 30");
        settled(() ->
                document.plan().surroundings().stream().anyMatch(s -> s.name().equals("Bandstand")));
        say(robot, "hang 101-112 from -6/6/5 to 6/6/5");
        settled(() -> at(Kind.FIXTURE.id("f101")).equals(new Position(-6, 6, 5)));
        assertThat(fixture(WASH).use().aim().standing()).isFalse();
        say(robot, "point 101-112 at 0/6/0.8");
        settled(() -> fixture(Kind.FIXTURE.id("f101")).use().aim().tilt() > 50);
        say(robot, "build castle of 3x3x3 at 0/0/0");
        waitFor("There is no form \"castle\"; build room, wall, floor, platform, steps, pole, tree, block.");
    }

    /** A picture from a file is reduced; its wrong length is corrected by two clicks, and what stands on it follows. */
    @Test
    void aPictureFromAboveIsLaidAndScaled(FxRobot robot, @TempDir Path folder) throws Exception {
        toPlace(robot);
        BufferedImage large = new BufferedImage(4000, 3000, BufferedImage.TYPE_INT_RGB);
        Path file = folder.resolve("garden.png");
        ImageIO.write(large, "png", file.toFile());
        apply(new Edit("No picture", p -> p.with(Kind.GROUND_PICTURE, java.util.List.of())));
        fx(() -> {
            page().lay(file);
            return true;
        });
        settled(() -> document.plan().groundPictures().size() == 1);
        GroundPicture laid = document.plan().groundPictures().get(0);
        assertThat(laid.picture().width()).isEqualTo(1600);
        assertThat(laid.width()).as("twenty pixels a metre until somebody says").isEqualTo(80);
        waitFor("More … Known length says how large it is: two clicks and the metres between.");
        Position stands = new Position(laid.position().x() + 10, laid.position().y() + 10, 0);
        apply(new Edit("Stand there", p -> p.with(WASH, f -> f.withUse(f.use().withPosition(Optional.of(stands))))));
        fx(() -> {
            page().lookFrom(0);
            return true;
        });
        robot.push(KeyCode.P);
        fx(() -> {
            ((javafx.scene.control.MenuButton) robot.lookup("#lit-more").query())
                    .getItems()
                    .get(0)
                    .fire();
            return true;
        });
        waitFor("Click one end of a length that you know, on the picture.");
        Node picture = robot.lookup("#lit-picture").query();
        Point2D middle = fx(() -> picture.localToScreen(
                picture.getLayoutBounds().getWidth() / 2,
                picture.getLayoutBounds().getHeight() / 2));
        robot.clickOn(middle, MouseButton.PRIMARY);
        waitFor("Click its other end.");
        robot.clickOn(middle.add(60, 0), MouseButton.PRIMARY);
        waitFor("Metres from one to the other:");
        double was = Double.parseDouble(
                fx(() -> robot.lookup("#lit-metres").queryTextInputControl().getText()));
        type(robot, "#lit-metres", "a bit");
        robot.push(KeyCode.ENTER);
        waitFor("\"a bit\" is no length; write metres, such as 42.");
        type(robot, "#lit-metres", String.valueOf(was / 2));
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().groundPictures().get(0).width() < 41);
        GroundPicture scaled = document.plan().groundPictures().get(0);
        assertThat(scaled.width()).isBetween(39.0, 41.0);
        assertThat(at(WASH).x() - laid.position().x()).isBetween(4.8, 5.2);
        fx(() -> {
            document.undo();
            return true;
        });
        settled(() -> at(WASH).equals(stands));
    }

    /** Levels of a sender of its own, written by hand after the packet tables of Art-Net 4 (ArtDmx), are what is seen. */
    @Test
    void levelsThatArriveAreSeen(FxRobot robot) throws Exception {
        plan();
        fx(() -> window.show(BenchPage.class));
        fire(robot, "#live-listen");
        settled(() -> !robot.lookup("#live-arm").query().isDisabled());
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT9);

        waitFor("Listening: Loopback 127.0.0.1, no universe is heard. What its path does not reach stays dark.");
        choose(WASH);
        waitFor("102 Glasshouse wash 2 · dark, by its levels · falls on Glasshouse, 2.9 m away");
        try (DatagramSocket socket = new DatagramSocket()) {
            byte[] levels = new byte[512];
            // its dimmer, both halves; shutter; pan and tilt in the middle; red; green at half
            Map.of(19, 255, 20, 255, 21, 255, 22, 128, 24, 128, 28, 255, 30, 128)
                    .forEach((slot, level) -> levels[slot - 1] = level.byteValue());
            for (int i = 0; i < 400 && !text(robot, "#lit-hovered").contains("%"); i++) {
                socket.send(artDmx(0, i, levels));
                Thread.sleep(25);
            }
        }
        assertThat(text(robot, "#lit-hovered"))
                .startsWith("102 Glasshouse wash 2 · 100 % #FF8000 · falls on Glasshouse");
    }

    private static DatagramPacket artDmx(int portAddress, int sequence, byte[] levels) throws Exception {
        ByteBuffer packet = ByteBuffer.allocate(18 + levels.length);
        packet.put("Art-Net\0".getBytes(StandardCharsets.US_ASCII)).put(new byte[] {0, 0x50, 0, 14});
        packet.put((byte) (1 + sequence % 255)).put((byte) 0);
        packet.put((byte) (portAddress & 0xFF)).put((byte) (portAddress >> 8));
        packet.putShort((short) levels.length).put(levels);
        return new DatagramPacket(packet.array(), packet.capacity(), InetAddress.getByName("127.0.0.1"), 6454);
    }

    @Test
    void aPictureOfThePlaceIsWritten(FxRobot robot, @TempDir Path folder) throws Exception {
        toPlace(robot);
        Path file = folder.resolve("place.png");
        Point2D lamp = fx(() -> {
            page().write(file);
            return page().spotOf(WASH).orElseThrow(); // before a notice takes room
        });
        settled(() -> Files.exists(file) && Files.size(file) > 1000);
        BufferedImage image = ImageIO.read(file.toFile());
        int brightest = 0;
        for (int x = -2; x <= 2; x++) {
            for (int y = -2; y <= 2; y++) {
                brightest = Math.max(brightest, image.getRGB((int) lamp.getX() + x, (int) lamp.getY() + y) & 0xFFFFFF);
            }
        }
        assertThat(brightest).as("a head at full").isEqualTo(0xFFFFFF);
    }

    /** Without the node of the boathouse its fixtures would be dark; one universe after the other is lit. */
    @Test
    void whatADeviceFeedsIsAsked(FxRobot robot) {
        toPlace(robot);
        choose(Kind.HOST.id("boathouse-node"));
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("what goes dark without what is selected");
        robot.push(KeyCode.ENTER);
        long fed = FernlightTrail.ready().fixtures().stream()
                .filter(f -> f.number().matches("[45]\\d\\d|6\\d\\d"))
                .count();

        settled(() -> document.noticeProperty().get() != null
                && document.noticeProperty().get().text().contains("go dark if Boathouse node stops"));
        assertThat(Integer.parseInt(document.noticeProperty().get().text().split(" ", -1)[0]))
                .isBetween(20, (int) fed);
    }
}
