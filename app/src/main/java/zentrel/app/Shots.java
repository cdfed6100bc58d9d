package zentrel.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import zentrel.app.addresses.AddressesPage;
import zentrel.app.bench.BenchPage;
import zentrel.app.cues.CuesPage;
import zentrel.app.desks.DesksPage;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowPage;
import zentrel.app.gear.GearPage;
import zentrel.app.lit.LitPage;
import zentrel.app.patch.PatchPage;
import zentrel.app.pixels.PixelsPage;
import zentrel.app.shell.PageView;
import zentrel.app.universes.UniversesPage;
import zentrel.plan.Edit;
import zentrel.plan.Kind;
import zentrel.plan.Setting;

/** Drives the real window through the main views and writes a picture of each, 1280 by 800. */
final class Shots {
    private record Step(int millis, Runnable action) {}

    private final Stage stage;
    private final OpenDocument document;
    private final MainWindow window;
    private final Path folder;
    /** A table as somebody might keep it, with a row that will not do. */
    private static final String TABLE = """
            Device;IP address;Mask;Where
            Jetty node;10.41.22.9;255.255.0.0;Boathouse
            Paths node;10.41.21.300;255.255.0.0;Canal bridge
            Rockery node;10.41.24.12;255.255.0.0;Orchard wall
            """;

    private static final String DESK_CUES = """
            List,Cue,Label,Time
            2,41,Canal wakes,3
            2,42,"Bridge, cold",2.5
            2,43,Lantern walk,8
            2,43.5,"Lantern walk, slow",12
            2,44,Boathouse doors,4
            2,45,Reeds,6
            2,46,Pergola chase,0
            2,48,Everything out,9
            """;
    private static final String PAPER_CUES = """
            List,Cue,Label,Time
            2,41,Canal wakes,3
            2,42,Bridge cold,2.5
            2,43,Lantern walk,8
            2,44,Boathouse doors,4
            2,45,Reeds,5
            2,46,Pergola chase,0
            2,47,Curtain of light,5
            2,48,Everything out,9
            """;

    private final Deque<Step> steps = new ArrayDeque<>();

    Shots(Stage stage, OpenDocument document, MainWindow window, Path folder) {
        this.stage = stage;
        this.document = document;
        this.window = window;
        this.folder = folder;
    }

    void start() {
        view(FlowPage.class, 1500, () -> {}, "overview");
        view(GearPage.class, 900, () -> document.select(Kind.RECEIVER.id("boathouse-node-rx")), "gear");
        view(GearPage.class, 700, () -> window.view(GearPage.class).form(), "gear-form");
        view(GearPage.class, 700, () -> window.view(GearPage.class).profiles(), "gear-profiles");
        view(FlowPage.class, 500, () -> document.select(Kind.RECEIVER.id("boathouse-node-rx")), "flow");
        view(AddressesPage.class, 500, () -> document.select(Kind.ADAPTER.id("jetty-node.network")), "addresses");
        view(AddressesPage.class, 900, () -> window.view(AddressesPage.class).move("172.20.0.0/16"), "address-move");
        view(AddressesPage.class, 1500, () -> window.view(AddressesPage.class).importTable(TABLE), "address-import");
        view(
                FlowPage.class,
                900,
                () -> {
                    document.select(Kind.HOST.id("hut-console"));
                    document.propose(
                            zentrel.gear.SettingChange.address(
                                    document.plan(),
                                    Kind.ADAPTER.id("hut-console.control"),
                                    0,
                                    zentrel.ipv4.HostAddress.parse("10.42.1.9/16")),
                            false);
                },
                "change");
        view(UniversesPage.class, 500, () -> document.select(Kind.UNIVERSE.id("u5")), "universes");
        view(
                UniversesPage.class,
                500,
                () -> {
                    document.settings().dayProperty().set(true);
                    document.select(Kind.UNIVERSE.id("u10"));
                },
                "universes-day");
        steps.add(new Step(100, () -> {
            document.settings().dayProperty().set(false);
            document.select(Kind.UNIVERSE.id("u5"));
        }));
        view(UniversesPage.class, 900, window.strip()::look, "next-look");
        view(
                FlowPage.class,
                1200,
                () -> {
                    document.select(Kind.PORT.id("boathouse-node.p1"));
                    window.strip().beside();
                },
                "beside");
        view(PatchPage.class, 1500, () -> document.select(Kind.FIXTURE.id("f206")), "patch");
        view(PixelsPage.class, 1500, () -> document.select(Kind.PIXEL_OUTPUT.id("pergola.pixels4")), "pixels");
        view(
                LitPage.class,
                2500,
                () -> {
                    document.select(Kind.FIXTURE.id("f305"));
                    window.view(LitPage.class).lookFrom(1);
                },
                "lit-view");
        view(CuesPage.class, 1500, () -> document.select(Kind.LINK.id("dim-link")), "cues");
        view(CuesPage.class, 2500, this::compareCues, "cue-lists");
        view(DesksPage.class, 1500, () -> document.select(Kind.APPLICATION.id("backup-desk")), "desks");
        view(
                UniversesPage.class,
                1500,
                () -> window.view(UniversesPage.class).whoWins(Kind.UNIVERSE.id("u12")),
                "who-wins");
        view(
                BenchPage.class,
                1500,
                () -> {
                    document.select(Kind.FIXTURE.id("f801"));
                    // decided, and not yet set on the device
                    document.apply(new Edit(
                            "Port 1 of Boathouse node to 4, later",
                            p -> p.with(
                                    Kind.PORT.id("boathouse-node.p1"), t -> t.withWire(new Setting<>(4, 5, false)))));
                    window.view(BenchPage.class).showSignal();
                    window.view(BenchPage.class).startStandins();
                },
                "bench-started");
        steps.removeLast();
        steps.add(new Step(3000, () -> {})); // until they run
        view(
                BenchPage.class,
                3500,
                () -> {
                    window.view(BenchPage.class).arm();
                    document.select(Kind.FIXTURE.id("f104"));
                },
                "bench-armed");
        steps.removeLast();
        view(
                BenchPage.class,
                1500,
                () -> window.view(BenchPage.class).raise(Kind.UNIVERSE.id("u1"), 55, 230),
                "bench-signal");
        steps.add(new Step(100, () -> {
            for (int slot = 1; slot <= 120; slot++) {
                window.view(BenchPage.class).raise(Kind.UNIVERSE.id("u12"), slot, slot * 37 % 256);
            }
            window.view(BenchPage.class).showLive(false);
            window.view(BenchPage.class).ask();
        }));
        steps.add(new Step(6000, () -> document.select(Kind.UNIVERSE.id("u12"))));
        steps.add(new Step(1000, () -> {}));
        view(BenchPage.class, 1500, () -> document.select(Kind.HOST.id("boathouse-node")), "bench");
        view(BenchPage.class, 1500, () -> window.view(BenchPage.class).showLive(true), "bench-levels");
        view(UniversesPage.class, 900, () -> window.view(UniversesPage.class).load(), "universes-load");
        view(UniversesPage.class, 900, () -> window.help("rule-universe.off-by-one"), "help");
        steps.add(new Step(300, window::beginAgain));
        steps.add(new Step(900, () -> picture("start")));
        steps.add(new Step(100, Platform::exit));
        next();
    }

    /** Two lists as a desk and an office might keep them. */
    private void compareCues() {
        try {
            Path tables = Files.createTempDirectory("zentrel-shots");
            Path desk = Files.writeString(tables.resolve("hut desk.csv"), DESK_CUES);
            Path paper = Files.writeString(tables.resolve("paperwork.csv"), PAPER_CUES);
            document.select(Kind.LINK.id("go-link"));
            window.view(CuesPage.class).compare(desk, paper);
            tables.toFile().deleteOnExit(); // what is asked first is deleted last
            desk.toFile().deleteOnExit();
            paper.toFile().deleteOnExit();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private void view(Class<? extends PageView> page, int settleMillis, Runnable set, String name) {
        steps.add(new Step(300, () -> {
            window.show(page);
            set.run();
        }));
        steps.add(new Step(settleMillis, () -> picture(name)));
    }

    private void next() {
        Step step = steps.poll();
        if (step == null) {
            return;
        }
        PauseTransition pause = new PauseTransition(Duration.millis(step.millis()));
        pause.setOnFinished(e -> {
            step.action().run();
            next();
        });
        pause.play();
    }

    private void picture(String name) {
        WritableImage image = stage.getScene().snapshot(null);
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        PixelReader pixels = image.getPixelReader();
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                picture.setRGB(x, y, pixels.getArgb(x, y));
            }
        }
        try {
            Files.createDirectories(folder);
            ImageIO.write(picture, "png", folder.resolve(name + ".png").toFile());
        } catch (IOException e) {
            System.err.println("The picture " + name + " cannot be written in " + folder + ": " + e.getMessage());
            System.exit(2);
        }
    }
}
