package zentrel.speed;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.stage.Stage;
import zentrel.app.lit.LitPicture;
import zentrel.gear.Spots;
import zentrel.lit.LitPlan;
import zentrel.lit.Wire;
import zentrel.path.SignalPaths;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/**
 * A place with 300 moving fixtures and 20,000 pixels, drawn while all levels change 40 times a second (goal: 25 pictures a second on the
 * pipeline that is there), asked what is at a spot (goal 50 ms), and the memory that it takes (goal 300 MB).
 */
final class LitSpeed {
    private static final int CONTROLLERS = 4;
    private static final int FIXTURES = 300;
    private static final int FOOTPRINT = 18;
    private static final int IN_UNIVERSE = 28;
    private static final int TILT = 5;
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 800;
    private static final double SECONDS = 8;
    private static final int ASKED = 200;

    private LitSpeed() {}

    static void print() throws InterruptedException {
        SignalPaths paths = new SignalPaths(fixtures(PixelSpeed.plan(CONTROLLERS, 0.05)));
        Timing.print(
                "lit",
                "what is dark and why, fixtures:",
                () -> LitPlan.of(paths).lamps().size());
        CountDownLatch done = new CountDownLatch(1);
        Platform.startup(() -> {
            long before = used();
            LitPicture picture;
            try {
                picture = new LitPicture(paths, WIDTH, HEIGHT);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            Stage stage = new Stage();
            stage.setScene(new Scene(new Group(picture.node()), WIDTH, HEIGHT));
            stage.show();
            new Drawing(picture, before, () -> {
                        stage.close();
                        done.countDown();
                    })
                    .start();
        });
        done.await();
        Platform.exit();
    }

    private static long used() {
        System.gc();
        Runtime runtime = Runtime.getRuntime();
        return runtime.totalMemory() - runtime.freeMemory();
    }

    private static Plan fixtures(Plan with) {
        Plan plan = with.and(
                Kind.FIXTURE_TYPE,
                new FixtureType(
                        Kind.FIXTURE_TYPE.id("head"),
                        "head",
                        "",
                        List.of(new FixtureMode(
                                "",
                                List.of(List.of(
                                        "dimmer, dimmer fine, shutter, pan, pan fine, tilt, tilt fine, zoom, zoom fine, red, red fine, green, green fine, blue, blue fine, white, white fine, reset"
                                                .split(", ", -1)))))));
        List<Universe> universes = new ArrayList<>(plan.universes());
        int first = 901;
        for (int u = 0; u * IN_UNIVERSE < FIXTURES; u++) {
            universes.add(new Universe(Kind.UNIVERSE.id("lit" + u), "Heads " + u, first + u, false));
        }
        List<Stream> streams = new ArrayList<>(plan.streams());
        for (Universe u : universes.subList(plan.universes().size(), universes.size())) {
            streams.add(new Stream(
                    Kind.STREAM.id("s" + u.number()),
                    plan.applications().get(0).id(),
                    u.id(),
                    Protocol.SACN,
                    Setting.of(true),
                    false,
                    Optional.empty(),
                    Optional.empty(),
                    Delivery.MULTICAST,
                    List.of(),
                    Setting.of(100),
                    40,
                    false));
        }
        List<Position> at = Spots.grid(new Position(0, 0, 6), 30, 1.2, 2, FIXTURES);
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        for (int i = 0; i < FIXTURES; i++) {
            fixtures.add(new Fixture(
                            Kind.FIXTURE.id("head" + i),
                            String.valueOf(i + 1),
                            "Head " + (i + 1),
                            "",
                            "head",
                            Optional.empty(),
                            List.of(new Break(
                                    Kind.UNIVERSE.id("lit" + i / IN_UNIVERSE),
                                    1 + i % IN_UNIVERSE * FOOTPRINT,
                                    FOOTPRINT)),
                            false)
                    .withUse(FixtureUse.NONE.withPosition(Optional.of(at.get(i)))));
        }
        return plan.with(Kind.UNIVERSE, universes).with(Kind.STREAM, streams).with(Kind.FIXTURE, fixtures);
    }

    private static final class Drawing extends AnimationTimer {
        private final LitPicture picture;
        private final long before;
        private final Runnable end;
        private final Random random = new Random(3);
        private final Map<Wire, byte[]> levels = new HashMap<>();
        private long began;
        private long work;
        private int frames;

        Drawing(LitPicture picture, long before, Runnable end) {
            this.picture = picture;
            this.before = before;
            this.end = end;
            for (int u = 1; u <= 1000; u++) {
                for (Protocol protocol : List.of(Protocol.SACN, Protocol.ARTNET)) {
                    levels.put(new Wire(protocol, u), new byte[Universe.SLOTS]);
                }
            }
        }

        @Override
        public void handle(long now) {
            began = began == 0 ? now : began;
            levels.values().forEach(this::change);
            long begun = System.nanoTime();
            picture.light(levels, true);
            work += System.nanoTime() - begun;
            frames++;
            if (now - began > SECONDS * 1e9) {
                stop();
                tell((now - began) / 1e9);
                end.run();
            }
        }

        /** Any colours, heads that point at the floor around them: tilted by at most 45 degrees. */
        private void change(byte[] universe) {
            random.nextBytes(universe);
            for (int slot = TILT; slot < universe.length; slot += FOOTPRINT) {
                universe[slot] = (byte) (85 + random.nextInt(85));
            }
        }

        private void tell(double seconds) {
            System.out.printf(
                    Locale.ROOT,
                    "lit       %d fixtures (%d of them lit) and %d pixels drawn on %d by %d: %.1f pictures a second, %.1f ms of work each%n",
                    FIXTURES,
                    picture.lit(),
                    CONTROLLERS * PixelSpeed.RUNS * PixelSpeed.PIXELS,
                    WIDTH,
                    HEIGHT,
                    frames / seconds,
                    work / 1e6 / frames);
            long asked = System.nanoTime();
            int found = 0;
            for (int i = 0; i < ASKED; i++) {
                found += picture.at(random.nextInt(WIDTH), random.nextInt(HEIGHT))
                                .isPresent()
                        ? 1
                        : 0;
            }
            System.out.printf(
                    Locale.ROOT,
                    "lit       what is at a spot: %.2f ms each (%d of %d found)%n",
                    (System.nanoTime() - asked) / 1e6 / ASKED,
                    found,
                    ASKED);
            System.out.printf(
                    Locale.ROOT,
                    "lit       memory with the picture, beside that before: %d MB%n",
                    (used() - before) / 1_000_000);
        }
    }
}
