package zentrel.app.bench;

import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.Evidence;
import zentrel.check.Report;
import zentrel.path.HopKind;
import zentrel.plan.ControlLink;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** One cue: which link, sent once, and what became of it. */
final class CueRow extends HBox {
    private final OpenDocument document;
    private final BenchRun bench;
    private final Runnable wake;
    private final ComboBox<ControlLink> links = new ComboBox<>();
    private final Label result = Texts.of("", "soft");

    /** @param wake lets the bench follow the plan, before anything is sent */
    CueRow(OpenDocument document, BenchRun bench, Runnable wake) {
        super(10);
        this.document = document;
        this.bench = bench;
        this.wake = wake;
        setAlignment(Pos.CENTER_LEFT);
        links.setId("bench-link");
        links.setPrefWidth(290);
        links.setConverter(Named.by(
                l -> l.name() + "  " + l.pattern() + "  port " + l.port().inForce()));
        links.setAccessibleText("Control link");
        links.valueProperty().addListener((o, old, link) -> {
            if (link != null && links.isFocused()) {
                document.select(link.id());
            }
        });
        getChildren().addAll(links, Buttons.action("Send the cue", "bench-cue", this::send), result);
    }

    /** The links of a plan; the one that was chosen stays so, as far as it is there. */
    void show(Plan plan) {
        ControlLink link = links.getValue();
        links.getItems().setAll(plan.links());
        links.setValue(links.getItems().stream()
                .filter(l -> link != null && l.id().equals(link.id()))
                .findFirst()
                .orElse(links.getItems().stream().findFirst().orElse(null)));
    }

    /** Chooses a link that is selected elsewhere. */
    void follow(Plan plan, Id<?> selected) {
        if (plan.index().find(selected).orElse(null) instanceof ControlLink l) {
            links.setValue(l);
        }
    }

    /** Sends the chosen cue. */
    void send() {
        wake.run();
        ControlLink link = links.getValue();
        if (link == null) {
            document.tell("This plan has no control link. A link says who sends OSC to whom.");
            return;
        }
        result.setText("sent, waiting …");
        bench.sendCue(link, result::setText);
        document.select(link.id());
    }

    /** Says what was seen of the chosen cue. */
    void seen() {
        ControlLink link = links.getValue();
        Report report = document.reportProperty().get();
        if (link == null
                || report == null
                || report.plan().index().find(link.id()).isEmpty()) {
            return;
        }
        Map<HopKind, Evidence.Sight> sights =
                bench.of(report.signalPaths().ofLink(link.id()).paths().get(0));
        Evidence.Sight at = sights.get(HopKind.LET_IN);
        if (at != null) {
            Evidence.Sight target = sights.get(HopKind.LEADS);
            result.setText(
                    at.arrived()
                            ? "arrived " + at.text()
                                    + (target != null && !target.arrived() ? ", and does nothing" : ", and acts")
                            : "did not arrive " + at.text());
        }
    }
}
