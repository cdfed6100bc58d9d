package zentrel.speed;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.function.IntSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import zentrel.app.pixels.PixelHues;
import zentrel.app.pixels.PixelPaint;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.gear.PixelEdits;
import zentrel.gear.PixelSpread;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.PixelLayout;
import zentrel.pixel.PixelLook;
import zentrel.pixel.PixelMap;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;
import zentrel.plan.PixelShape;
import zentrel.plan.PixelType;
import zentrel.plan.Plan;
import zentrel.plan.Receiver;

/**
 * A hundred thousand pixels: split (goal 200 ms), an edit (goal 50 ms), and drawn while their levels change 40 times a second (goal 25
 * pictures a second, with the software pipeline).
 */
final class PixelSpeed {
    private static final int CONTROLLERS = 20;
    static final int RUNS = 10;
    static final int PIXELS = 500;
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 800;
    private static final double SECONDS = 6;

    private PixelSpeed() {}

    static void print() throws InterruptedException {
        Plan plan = plan(CONTROLLERS, 0.02);
        List<Id<Receiver>> all = ControllerSplit.controllers(plan);
        measured(
                "split, universes:",
                () -> ControllerSplit.all(plan).stream()
                        .mapToInt(ControllerSplit::universes)
                        .sum());
        measured(
                "one controller of them spread anew, ports and fixtures with it:",
                () -> PixelSpread.of(plan, all.get(0), Optional.empty(), Optional.empty())
                        .applyTo(plan)
                        .fixtures()
                        .size());
        PixelRun run = plan.pixelRuns().get(7);
        measured(
                "an edit, a run turned, pixels:",
                () -> PixelEdits.turn(run, 90).applyTo(plan).pixelRuns().size());
        measured("the map of all pixels:", () -> PixelMap.of(plan).count());
        Report before = Check.run(plan);
        measured(
                "all rules after that edit, findings:",
                () -> Check.after(before, PixelEdits.turn(run, 90).applyTo(plan))
                        .findings()
                        .size());
        drawn(PixelMap.of(plan));
    }

    /**
     * Controllers that are full of pixels.
     *
     * @param pitch metres from a pixel to the next
     */
    static Plan plan(int controllers, double pitch) {
        Library library = Library.shipped();
        Plan plan = DeviceFactory.boxes(
                        Plan.EMPTY,
                        library,
                        library.find("house/pixel-controller-wide").orElseThrow(),
                        controllers,
                        "Wall",
                        "Hall")
                .edit()
                .applyTo(Plan.EMPTY);
        List<Receiver> receivers = new ArrayList<>(plan.receivers());
        for (int i = 0; i < receivers.size(); i++) {
            Receiver receiver = plan.index().get(receivers.get(i).id());
            plan = PixelEdits.add(
                            plan,
                            receiver,
                            RUNS,
                            "Strip",
                            PixelShape.grid(PIXELS / 10, 10, pitch),
                            PixelType.USUAL,
                            Optional.of(1 + i * 3 * RUNS),
                            Optional.empty())
                    .applyTo(plan);
        }
        return plan;
    }

    private static void measured(String what, IntSupplier work) {
        Timing.print("pixels", what, work);
    }

    /** Levels of a look, their colours and the picture, one after the other in a real window. */
    private static void drawn(PixelMap map) throws InterruptedException {
        if (System.getenv("DISPLAY") == null) {
            System.out.println("pixels    not drawn: there is no display");
            return;
        }
        CountDownLatch done = new CountDownLatch(1);
        Platform.startup(() -> {
            PixelBuffer<IntBuffer> buffer = new PixelBuffer<>(
                    WIDTH, HEIGHT, IntBuffer.allocate(WIDTH * HEIGHT), PixelFormat.getIntArgbPreInstance());
            Stage stage = new Stage();
            stage.setScene(new Scene(new StackPane(new ImageView(new WritableImage(buffer))), WIDTH, HEIGHT));
            stage.show();
            new Drawing(map, buffer, () -> {
                        stage.close();
                        done.countDown();
                    })
                    .start();
        });
        done.await();
        Platform.exit();
    }

    private static final class Drawing extends AnimationTimer {
        private final PixelMap map;
        private final PixelBuffer<IntBuffer> buffer;
        private final Runnable end;
        private final PixelPaint paint = new PixelPaint();
        private final byte[] levels;
        private final PixelLayout.Bounds bounds;
        private int[] colours = new int[0];
        private long began;
        private long work;
        private int frames;

        Drawing(PixelMap map, PixelBuffer<IntBuffer> buffer, Runnable end) {
            this.map = map;
            this.buffer = buffer;
            this.end = end;
            levels = map.levels();
            bounds = map.bounds();
        }

        @Override
        public void handle(long now) {
            began = began == 0 ? now : began;
            long begun = System.nanoTime();
            PixelLook.CHASE.fill(map, levels, (now - began) / 1e9, PixelLook.Run.USUAL);
            colours = PixelHues.byLevels(map, levels, colours);
            double scale = Math.min(WIDTH / bounds.width(), HEIGHT / bounds.height());
            paint.draw(map, colours, buffer.getBuffer().array(), WIDTH, HEIGHT, bounds.left(), bounds.bottom(), scale);
            buffer.updateBuffer(b -> null);
            work += System.nanoTime() - begun;
            frames++;
            if (now - began > SECONDS * 1e9) {
                stop();
                System.out.printf(
                        Locale.ROOT,
                        "pixels    %d drawn on %d by %d: %.1f pictures a second, %.1f ms of work each%n",
                        map.count(),
                        WIDTH,
                        HEIGHT,
                        frames / ((now - began) / 1e9),
                        work / 1e6 / frames);
                end.run();
            }
        }
    }
}
