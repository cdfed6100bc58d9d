package zentrel.app;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Fonts;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;

/** The JavaFX application. Arguments: a plan file or {@code demo:NAME}, {@code --shots DIR}, {@code --once}. */
public final class ZentrelApp extends Application {
    private @Nullable OpenDocument document;
    private @Nullable MainWindow window;

    @Override
    public void start(Stage stage) {
        List<String> arguments = getParameters().getRaw();
        Fonts.load();
        OpenDocument open = new OpenDocument(folder());
        MainWindow shown = new MainWindow(stage, open);
        document = open;
        window = shown;
        Optional<String> plan =
                arguments.stream().filter(a -> !a.startsWith("--")).findFirst();
        int shots = arguments.indexOf("--shots");
        if (shots >= 0) {
            plan = arguments.subList(0, shots).stream()
                    .filter(a -> !a.startsWith("--"))
                    .findFirst();
        }
        plan.ifPresent(p -> openFirst(open, p));
        if (plan.isEmpty()) {
            open.show(LoadedPlan.of(zentrel.plan.Plan.EMPTY));
        }
        if (arguments.contains("--once")) {
            open.reportProperty().addListener(o -> endAfterTheNextPictures());
        } else if (shots >= 0 && shots + 1 < arguments.size()) {
            new Shots(stage, open, shown, Path.of(arguments.get(shots + 1))).start();
        } else {
            open.offerLeftWork();
        }
        stage.show();
    }

    /** For measuring the start: says when the window shows the findings, and ends. */
    private static void endAfterTheNextPictures() {
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                if (++frames == 3) {
                    System.out.println("ready");
                    Platform.exit();
                }
            }
        }.start();
    }

    private static void openFirst(OpenDocument document, String plan) {
        Optional<LoadedPlan> demo = plan.startsWith("demo:")
                ? FernlightTrail.named(plan.substring("demo:".length())).map(LoadedPlan::of)
                : Optional.empty();
        if (demo.isPresent()) {
            document.show(demo.get());
        } else if (plan.startsWith("demo:")) {
            document.show(LoadedPlan.of(zentrel.plan.Plan.EMPTY));
            document.tell("There is no demo plan \"" + plan + "\"; there are demo:draft and demo:ready.");
        } else {
            document.show(LoadedPlan.of(zentrel.plan.Plan.EMPTY));
            document.open(Path.of(plan));
        }
    }

    /** Where journal and recent plans are kept: ZENTREL_HOME, else .zentrel in the user's home. */
    static Path folder() {
        String home = System.getProperty("zentrel.home", System.getenv().getOrDefault("ZENTREL_HOME", ""));
        return home.isEmpty() ? Path.of(System.getProperty("user.home"), ".zentrel") : Path.of(home);
    }

    @Override
    public void stop() throws IOException {
        if (window != null) {
            window.bench().close();
        }
        if (document != null) {
            document.close();
        }
    }
}
