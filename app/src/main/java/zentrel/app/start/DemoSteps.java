package zentrel.app.start;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Evidence;
import zentrel.check.Report;
import zentrel.demo.FernlightTrail;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;

/** Five steps beside the demo, from a dark fixture to a lit one; each is ticked off when it is done. */
public final class DemoSteps extends VBox {
    private static final Id<Host> NODE = Kind.HOST.id("boathouse-node");
    private static final Id<Port> PORT = Kind.PORT.id("boathouse-node.p1");
    private static final List<String> STEPS = List.of(
            "Choose the Boathouse node: type it at the top (Ctrl+K).",
            "Read what is wrong: press Why?",
            "Apply the fix.",
            "On the bench start the stand-ins, arm loopback, raise a level of U5.",
            "See it arrive at the fixtures.");

    private final OpenDocument document;
    private final boolean[] done = new boolean[STEPS.size()];
    private boolean dismissed;

    public DemoSteps(OpenDocument document) {
        super(4);
        this.document = document;
        getStyleClass().add("demo-steps");
        setId("demo-steps");
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> refresh());
        hide();
    }

    private void hide() {
        setVisible(false);
        setManaged(false);
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (dismissed || report == null) {
            return;
        }
        Plan plan = report.plan();
        boolean mended = report.findings().stream().noneMatch(f -> f.cause().equals(PORT));
        if (!isVisible()) { // the demo as it is opened, which has the fault; nothing else is so called by chance
            boolean begins = document.file().isEmpty()
                    && document.undoText().isEmpty()
                    && !mended
                    && plan.equals(FernlightTrail.draft());
            if (!begins) {
                return;
            }
            Arrays.fill(done, false);
            setVisible(true);
            setManaged(true);
            draw();
        } else if (plan.index().find(PORT).isEmpty()) {
            hide(); // another plan
            return;
        }
        Id<?> selected = document.selectionProperty().get();
        if (selected != null
                && plan.index().find(selected).isPresent()
                && plan.index()
                        .hostAt(selected)
                        .map(Host::id)
                        .filter(NODE::equals)
                        .isPresent()) {
            tick(0);
        }
        if (mended) {
            tick(2);
        }
    }

    /** Somebody has asked why something is wrong. */
    public void read() {
        if (isVisible()) {
            tick(1);
        }
    }

    /** What the bench has seen. */
    public void seen(Evidence evidence) {
        Report report = document.reportProperty().get();
        if (!isVisible() || report == null || !document.plan().equals(report.plan())) {
            return;
        }
        for (SignalPath path : report.signalPaths().of(PORT).paths()) {
            if (evidence.at(path, HopKind.LEADS).filter(Evidence.Sight::arrived).isPresent()) {
                tick(3);
                tick(4);
            }
        }
    }

    private void tick(int step) {
        if (!done[step]) {
            done[step] = true;
            draw();
        }
    }

    private void draw() {
        List<HBox> lines = new ArrayList<>();
        for (int i = 0; i < STEPS.size(); i++) {
            HBox line = new HBox(
                    8,
                    Mark.of(done[i] ? Verdict.PASSES : Verdict.NOT_KNOWN),
                    Texts.wrapped(STEPS.get(i), done[i] ? "soft" : "label", "small"));
            line.setId("demo-step-" + i);
            line.setAccessibleText((done[i] ? "Done: " : "To do: ") + STEPS.get(i));
            lines.add(line);
        }
        HBox head = new HBox(
                8,
                Texts.of("Five steps in the demo", "strong", "small"),
                Mark.gap(),
                Buttons.quiet("Hide", "demo-hide", () -> {
                    dismissed = true;
                    hide();
                }));
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().setAll(head);
        getChildren().addAll(lines);
    }

    /** Whether a step is ticked off, from 0. */
    public boolean isDone(int step) {
        return done[step];
    }
}
