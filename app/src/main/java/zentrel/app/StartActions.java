package zentrel.app;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.gear.GearPage;
import zentrel.app.start.StartPage;
import zentrel.app.start.WaysIn;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.plan.Plan;

/** When the start page is shown, and what its ways in do. */
final class StartActions implements WaysIn {
    private final OpenDocument document;
    private final UserLibrary library;
    private final PlanFiles files;
    private final MainWindow window;
    private @Nullable StartPage page;
    private boolean left;

    StartActions(OpenDocument document, UserLibrary library, PlanFiles files, MainWindow window) {
        this.document = document;
        this.library = library;
        this.files = files;
        this.window = window;
    }

    /** Whether there is nothing to show yet, and nobody has gone to a page. */
    boolean isWanted() {
        Plan plan = document.plan();
        boolean nothing = plan.hosts().isEmpty()
                && plan.segments().isEmpty()
                && plan.universes().isEmpty()
                && document.file().isEmpty();
        return !left && (nothing || hasSaid());
    }

    /** What was said on the page is in the plan, which was not opened otherwise. */
    private boolean hasSaid() {
        return page != null && page.hasSaid() && document.undoText().isPresent();
    }

    /** A new plan begins at the start page again. */
    void begin() {
        left = false;
        page = null;
    }

    /** Somebody has gone to a page. */
    void left() {
        left = true;
        page = null;
    }

    /** The page, made anew where it was left. */
    StartPage page() {
        StartPage now = page;
        if (now == null) {
            now = new StartPage(this);
            page = now;
        }
        return now;
    }

    @Override
    public void pattern(String id) {
        window.show(GearPage.class).patterns(id);
    }

    @Override
    public void demo(String name) {
        FernlightTrail.named(name).ifPresent(plan -> document.show(LoadedPlan.of(plan)));
        window.show(Pages.AT_START);
    }

    @Override
    public void say(String line, Consumer<String> done) {
        library.use(read -> {
            Commands.Reading reading = new Commands(document.plan(), read, null).read(line);
            if (reading.offers().isEmpty()) {
                done.accept(reading.why().orElse("Nobody can tell what \"" + line + "\" means."));
                return;
            }
            Offer first = reading.offers().get(0);
            document.make(first.work(), made -> done.accept(made.edit().text() + "."), done);
        });
    }

    @Override
    public void open() {
        files.open();
    }

    @Override
    public void open(Path file) {
        files.open(file);
    }

    @Override
    public void recent(Consumer<List<Path>> then) {
        document.recent(then);
    }

    @Override
    public void leave() {
        window.show(GearPage.class);
    }
}
