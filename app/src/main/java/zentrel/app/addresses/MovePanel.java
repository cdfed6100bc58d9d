package zentrel.app.addresses;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.TextField;
import org.jspecify.annotations.Nullable;
import zentrel.address.SegmentMove;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.ipv4.Subnet;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

/** A segment moved to another range. */
final class MovePanel extends ReaddressPanel {
    private final TextField range = new TextField();

    MovePanel(OpenDocument document, Runnable away) {
        super(document, away, "move", "Move a segment to another range", Where.ONE);
        range.setId("move-range");
        range.setPromptText("10.99.0.0/16");
        range.setPrefWidth(170);
        range.setAccessibleText("New range of the segment");
        range.textProperty().addListener(o -> clear());
        range.setOnAction(e -> work());
        build(
                List.of(Texts.of("to", "soft"), range),
                List.of(),
                "Host parts stay as they are where they fit. Every place that keeps an address typed in follows."
                        + " Nothing changes before you say so.");
    }

    void start(String segment, String to) {
        range.requestFocus();
        if (!segment.isEmpty()) {
            choose(segment);
        }
        if (!to.isEmpty()) {
            range.setText(to);
            work();
        }
    }

    @Override
    Function<Plan, Worked> asked(@Nullable Segment segment, Optional<Id<Host>> mine) {
        String typed = range.getText().strip();
        Id<Segment> id =
                Objects.requireNonNull(segment, "a page about one segment").id();
        return plan -> new Worked(SegmentMove.of(plan, id, Subnet.parse(typed), mine), List.of(), true);
    }

    @Override
    String nothing() {
        return "Every address is in that range already; only the segment gets its range.";
    }
}
