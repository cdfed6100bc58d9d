package zentrel.app.addresses;

import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.address.RangeAdvice;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Clip;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Report;
import zentrel.machine.KeeperSheet;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Segment;

/** Which range each segment should use, with the reasons; each can be taken, or another typed in instead. */
final class AdvicePanel extends Panel {
    AdvicePanel(OpenDocument document, Runnable away, BiConsumer<String, String> move) {
        super("Which range?", away);
        Button leave = back("advice-leave", "Back to the rulers");
        VBox lines = new VBox(10);
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(scroll, leave);
        Report report = document.reportProperty().get();
        if (report != null) {
            document.derive(report, r -> RangeAdvice.of(r.plan()), advice -> {
                show(document, lines, report, advice, move);
                leave.requestFocus();
            });
        }
    }

    /** The sheet for whoever keeps the segment: shown when asked for, and copied. */
    private static VBox keeper(OpenDocument document, Plan plan, Id<Segment> segment) {
        VBox box = new VBox(4);
        Button show = Buttons.quiet("Sheet for its keeper …", "advice-keeper-" + segment.value(), () -> {});
        show.setOnAction(e -> {
            if (box.getChildren().size() > 1) {
                box.getChildren().remove(1, box.getChildren().size());
                return;
            }
            String text = KeeperSheet.of(plan, segment).text();
            Label sheet = Texts.mono(text.stripTrailing(), "small");
            sheet.setId("advice-sheet-" + segment.value());
            sheet.setWrapText(true);
            sheet.setMinHeight(USE_PREF_SIZE);
            Button copy = Buttons.action("Copy the sheet", "advice-copy-" + segment.value(), () -> {
                Clip.put(text);
                document.tell("Copied: what the lights put on "
                        + plan.index().segment(segment).name() + ".");
            });
            box.getChildren().addAll(sheet, copy);
        });
        box.getChildren().add(show);
        return box;
    }

    private static void show(
            OpenDocument document, VBox lines, Report report, RangeAdvice advice, BiConsumer<String, String> move) {
        PlanIndex index = report.plan().index();
        if (advice.ranges().isEmpty()) {
            lines.getChildren().add(Texts.wrapped("There is no segment yet.", "soft"));
        }
        for (RangeAdvice.ForSegment range : advice.ranges()) {
            String name = index.segment(range.segment()).name();
            Button take = new Button(range.keep() ? "Take another …" : "Show the move to " + range.range());
            take.getStyleClass().add(range.keep() ? "quiet" : "action");
            take.setId("advice-" + range.segment().value());
            take.setOnAction(
                    e -> move.accept(name, range.keep() ? "" : range.range().toString()));
            HBox head = new HBox(
                    10,
                    Mark.of(range.keep() ? Verdict.PASSES : Verdict.AT_RISK),
                    Texts.of(name, "strong"),
                    Texts.mono(range.range().toString()),
                    Mark.gap(),
                    take);
            head.setAlignment(Pos.CENTER_LEFT);
            VBox part = new VBox(2, head);
            range.reasons().forEach(r -> part.getChildren().add(Texts.wrapped(r)));
            part.getChildren().add(keeper(document, report.plan(), range.segment()));
            lines.getChildren().add(part);
        }
        if (!advice.remarks().isEmpty()) {
            lines.getChildren().add(Texts.of("For the whole rig", "strong"));
            advice.remarks().forEach(r -> lines.getChildren().add(Texts.wrapped(r)));
        }
    }
}
