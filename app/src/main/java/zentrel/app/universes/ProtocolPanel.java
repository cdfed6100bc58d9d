package zentrel.app.universes;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.path.Verdict;
import zentrel.plan.Edit;
import zentrel.plan.PlanIndex;
import zentrel.profile.Protocol;
import zentrel.routing.ProtocolAdvice;
import zentrel.routing.SwitchingProtocol;

/** By which protocol each source should send, both side by side, and a source moved to the other with all that follows. */
final class ProtocolPanel extends Panel {
    private static final double[] COLUMNS = {90, 110, 100, 120, 370};

    private final OpenDocument document;
    private final VBox lines = new VBox(14);

    private record Moved(SwitchingProtocol change, Effect effect) {}

    ProtocolPanel(OpenDocument document, Runnable away) {
        super("Which protocol?", away);
        this.document = document;
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(scroll, back("protocol-leave", "Back to the universes"));
        Report report = document.reportProperty().get();
        if (report != null) {
            document.derive(report, r -> ProtocolAdvice.of(r.plan()), advice -> show(report, advice));
        }
    }

    private void show(Report report, List<ProtocolAdvice> all) {
        lines.getChildren().clear();
        if (all.isEmpty()) {
            lines.getChildren().add(Texts.wrapped("No program sends universes yet.", "soft"));
        }
        all.forEach(a -> lines.getChildren().add(source(report, a)));
    }

    private VBox source(Report report, ProtocolAdvice advice) {
        PlanIndex index = report.plan().index();
        VBox box = new VBox(4);
        box.getChildren()
                .add(row(
                        Texts.of(index.name(advice.source()), "strong"),
                        Texts.of("better by " + advice.better().title()),
                        Mark.gap(),
                        move(report, advice, Protocol.SACN, box),
                        move(report, advice, Protocol.ARTNET, box)));
        advice.reasons().forEach(r -> box.getChildren().add(Texts.wrapped(r)));
        GridPane grid = new GridPane();
        grid.setVgap(3);
        for (double width : COLUMNS) {
            grid.getColumnConstraints().add(new ColumnConstraints(width));
        }
        grid.addRow(
                0,
                Texts.heading(""),
                Texts.heading("universes at most"),
                Texts.heading("packets/s out"),
                Texts.heading("addresses to type"),
                Texts.heading("what speaks against it"));
        int line = 1;
        for (ProtocolAdvice.Side side : advice.sides()) {
            grid.addRow(
                    line++,
                    row(
                            Mark.of(side.possible() ? Verdict.PASSES : Verdict.BROKEN),
                            Texts.of(side.protocol().title())),
                    Texts.mono(side.limit().map(String::valueOf).orElse("not said"), "soft"),
                    Texts.mono(String.format(Locale.ROOT, "%.0f", side.packets())),
                    Texts.mono(String.valueOf(side.addresses())),
                    Texts.wrapped(
                            side.against().isEmpty() ? "nothing" : String.join(" ", side.against()), "soft", "small"));
        }
        box.getChildren().add(grid);
        return box;
    }

    private Button move(Report report, ProtocolAdvice advice, Protocol to, VBox box) {
        boolean any =
                report.plan().index().streamsFrom(advice.source()).stream().anyMatch(s -> s.protocol() == to.other());
        Runnable work = () -> document.derive(
                report,
                r -> {
                    SwitchingProtocol change = SwitchingProtocol.of(r.plan(), advice.source(), to);
                    return new Moved(change, Effect.of(r, change.edit().applyTo(r.plan())));
                },
                moved -> preview(box, moved));
        String text = "Show all by " + to.title();
        String id = "protocol-" + to.word() + "-" + advice.source().value();
        Button button = to == advice.better() ? Buttons.action(text, id, work) : Buttons.quiet(text, id, work);
        button.setVisible(any);
        button.setManaged(any);
        return button;
    }

    private void preview(VBox box, Moved moved) {
        box.getChildren().removeIf(n -> "protocol-preview".equals(n.getId()));
        VBox preview = new VBox(2);
        preview.setId("protocol-preview");
        Edit edit = moved.change().edit();
        preview.getChildren()
                .add(row(
                        Buttons.action("Set it all", "protocol-set", () -> {
                            document.apply(edit);
                            leave();
                        }),
                        Texts.wrapped(moved.effect().sentence(), moved.effect().isGood() ? "passes" : "at-risk")));
        moved.change().warnings().forEach(w -> preview.getChildren().add(Texts.wrapped(w, "at-risk")));
        moved.change().lines().forEach(l -> preview.getChildren().add(Texts.wrapped(l, "small")));
        box.getChildren().add(preview);
    }
}
