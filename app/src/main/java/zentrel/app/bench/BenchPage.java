package zentrel.app.bench;

import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import zentrel.app.look.ViewChoice;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.standin.PlanRun;

/**
 * Bench: the net as it is, with who is there, what arrives and what to do; one universe in full; and one signal of the plan through its
 * stand-ins on loopback.
 */
public final class BenchPage implements PageView {
    private final SignalView signal;
    private final LiveView live;
    private final BorderPane pane = new BorderPane();
    private final ViewChoice choice = new ViewChoice(this::show);
    private final ToggleButton liveButton = choice.add("Live network", "bench-live");
    private final ToggleButton levelsButton = choice.add("Levels", "bench-levels");
    private final ToggleButton signalButton = choice.add("One signal, with stand-ins", "bench-signal");

    private BenchPage(PageContext context) {
        LiveSession session = new LiveSession(context.document()::plan, this::asPlanned);
        context.seen().from(() -> session.snapshot().programs(), session::site);
        context.seen().by(new SessionNet(session));
        LiveEvidence seen = new LiveEvidence(context.document()::plan, session::snapshot);
        signal = new SignalView(context, seen);
        live = new LiveView(context, session, () -> context.evidence().accept(seen.and(signal.bench())));
        pane.getStyleClass().add("main-page");
        pane.setTop(choice);
        liveButton.setSelected(true);
    }

    /** The bench, as the window lists it. */
    public static PageEntry<BenchPage> entry(PageContext context) {
        return new PageEntry<>(BenchPage.class, "Bench", Set.of(), () -> new BenchPage(context))
                .explainedBy("concept-loopback")
                .offers("Look at the live network", p -> p.liveButton.setSelected(true))
                .offers("See the levels of a universe", p -> p.levelsButton.setSelected(true))
                .offers("Listen on the adapter", p -> p.live.listen())
                .offers("Ask who is there", p -> p.live.ask())
                .offers("Arm the adapter", p -> p.live.arm())
                .does("Start the stand-ins", BenchPage::startStandins)
                .does("Arm loopback", BenchPage::arm);
    }

    private void show() {
        boolean isSignal = signalButton.isSelected();
        pane.setCenter(isSignal ? signal.node() : live);
        if (isSignal) {
            signal.shown();
        } else {
            live.showLevels(levelsButton.isSelected());
        }
    }

    /** On loopback a stand-in has an address of its own; what it stands for has the plan's. */
    private Ipv4Address asPlanned(Ipv4Address seen) {
        Optional<PlanRun> run = signal.bench().run();
        if (run.isEmpty() || !seen.isLoopback()) {
            return seen;
        }
        Plan plan = run.get().plan();
        return run.get()
                .table()
                .at(seen)
                .flatMap(program -> plan
                        .index()
                        .host(plan.index().application(program).host())
                        .adapters()
                        .stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.address().planned().address())
                        .findFirst())
                .orElse(seen);
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        show();
    }

    /** Shows the view of one signal through the stand-ins. */
    public void showSignal() {
        signalButton.setSelected(true);
    }

    /** Shows the live network, or one universe of it in full. */
    public void showLive(boolean levels) {
        (levels ? levelsButton : liveButton).setSelected(true);
    }

    /** Looks at the chosen adapter and asks who is there. */
    public void ask() {
        live.ask();
    }

    /** Keeps what is seen now in a file. */
    public void seal(Path file) {
        live.seal(file);
    }

    /** Tells from now on what changed since a state was sealed. */
    public void since(Path file) {
        live.since(file);
    }

    /** Plays a recording in place of an adapter. */
    public void play(Path recording) {
        live.play(recording);
    }

    /** Starts the stand-ins of the plan as it is now. */
    public void startStandins() {
        signal.startStandins();
    }

    /** Arms output for loopback, if stand-ins run. */
    public void arm() {
        signal.arm();
    }

    /** Raises the chosen slot of the chosen source. */
    public void raise(Id<?> universe, int slot, int level) {
        signal.raise(universe, slot, level);
    }

    @Override
    public void dispose() {
        signal.dispose();
        live.dispose();
    }
}
