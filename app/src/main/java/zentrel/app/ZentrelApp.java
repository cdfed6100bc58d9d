package zentrel.app;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.about.Logs;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowPage;
import zentrel.app.look.Fonts;
import zentrel.file.LoadedPlan;
import zentrel.file.Settings;
import zentrel.file.SettingsFile;
import zentrel.file.UserFolders;
import zentrel.plan.Plan;

/** The JavaFX application. Arguments: a plan file or {@code demo:NAME}, {@code --shots DIR}, or {@code --once} to end with the first
 * picture. */
public class ZentrelApp extends Application {
    /** How long the window waits for its plan before it opens without, in milliseconds. */
    private static final double PATIENCE_MILLIS = 600;

    private static final System.Logger LOG = System.getLogger(ZentrelApp.class.getName());

    private static CompletableFuture<FirstPlan> first = new CompletableFuture<>();

    private @Nullable OpenDocument document;
    private @Nullable MainWindow window;

    /** Begins to read and check the plan that the arguments name; called before JavaFX is started. */
    protected static void begin(List<String> arguments) {
        first = FirstPlan.begin(arguments);
    }

    @Override
    public void start(Stage stage) {
        List<String> arguments = getParameters().getRaw();
        CompletableFuture<Void> fonts =
                CompletableFuture.runAsync(Fonts::load); // read while the window is put together
        OpenDocument open = new OpenDocument(UserFolders.here());
        CompletableFuture<SettingsFile.Read> settings =
                CompletableFuture.supplyAsync(open.settings().file()::read);
        MainWindow shown = new MainWindow(stage, open);
        document = open;
        window = shown;
        prepared(stage, open, shown, arguments);
        CompletableFuture<FirstPlan> whole =
                first.thenCombine(fonts, (plan, none) -> plan).thenCombine(settings, (plan, read) -> plan);
        PauseTransition patience = new PauseTransition(Duration.millis(PATIENCE_MILLIS));
        patience.setOnFinished(e -> stage.show());
        patience.play();
        CompletableFuture<FirstPlan> unused = whole.whenComplete((plan, failure) -> Platform.runLater(() -> {
            patience.stop();
            if (asItWas(arguments)) {
                log(open);
                open.settings().begin(settings.getNow(new SettingsFile.Read(Settings.USUAL, List.of())));
                WindowPlaces.keep(stage, "main", open.settings());
            }
            if (plan != null) {
                show(stage, open, shown, plan);
            } else {
                open.show(LoadedPlan.of(Plan.EMPTY));
                LOG.log(System.Logger.Level.ERROR, "The first plan could not be shown.", failure);
                open.tell("Zentrel could not start as it should. The log of the program says why.");
                stage.show();
            }
        }));
    }

    private static void log(OpenDocument open) {
        CompletableFuture<Void> unused = CompletableFuture.runAsync(() -> {
            try {
                Logs.begin(open.folders().logs(), () -> open.settings().get().addressesInLogs());
            } catch (IOException e) {
                System.err.println("The log cannot be written: " + e.getMessage());
            }
        });
    }

    /** Whether the window is as the user left it; pictures and measured starts are always alike. */
    private static boolean asItWas(List<String> arguments) {
        return !arguments.contains("--once") && !arguments.contains("--shots");
    }

    /** Told once, when the window is put together and not shown yet. */
    protected void prepared(Stage stage, OpenDocument open, MainWindow shown, List<String> arguments) {
        int shots = arguments.indexOf("--shots");
        if (arguments.contains("--once")) {
            shown.view(FlowPage.class).stayAsItCame();
            open.reportProperty().addListener(o -> endAfterTheNextPictures());
        } else if (shots >= 0 && shots + 1 < arguments.size()) {
            new Shots(stage, open, shown, Path.of(arguments.get(shots + 1))).start();
        } else {
            open.offerLeftWork();
        }
    }

    private static void show(Stage stage, OpenDocument open, MainWindow window, FirstPlan plan) {
        window.view(FlowPage.class).give(plan.report(), plan.flow());
        open.show(plan.loaded(), plan.report(), plan.file());
        plan.problem().ifPresent(open::tell);
        open.whenWorkedOut(stage::show); // so that the first picture is whole and is laid out once
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

    @Override
    public void stop() throws IOException {
        if (window != null) {
            window.close();
        }
        if (document != null) {
            document.close();
        }
    }
}
