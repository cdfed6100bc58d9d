package zentrel.app.addresses;

import java.util.List;
import javafx.beans.InvalidationListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.address.FactoryAddresses;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.path.Verdict;
import zentrel.plan.Edit;
import zentrel.text.Counted;

/** Boxes that leave the factory with one address, set up one at a time: what to do for the next one, and who has been done. */
final class OutOfTheBoxPanel extends Panel {
    private final OpenDocument document;
    private final VBox lines = new VBox(14);
    private final InvalidationListener listener = o -> show();

    OutOfTheBoxPanel(OpenDocument document, Runnable away) {
        super("Factory-default devices, one at a time", away);
        this.document = document;
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Texts.wrapped(
                                "New devices of one kind often have the same address. Two of them on one network answer"
                                        + " for each other, so each gets its own while the others are off.",
                                "soft"),
                        scroll,
                        back("box-leave", "Back to the rulers"));
        document.reportProperty().addListener(listener);
        show();
    }

    @Override
    protected void leave() {
        document.reportProperty().removeListener(listener);
        super.leave();
    }

    private void show() {
        lines.getChildren().clear();
        FactoryAddresses all = FactoryAddresses.of(document.plan());
        if (all.batches().isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped(
                            "No profile of the plan says what its devices have when new. Devices made from the profiles"
                                    + " in Gear do.",
                            "soft"));
        }
        int number = 0;
        for (FactoryAddresses.Batch batch : all.batches()) {
            lines.getChildren().add(batch(batch, number++));
        }
    }

    private VBox batch(FactoryAddresses.Batch batch, int number) {
        VBox box = new VBox(4);
        int waiting = batch.waiting().size();
        box.getChildren()
                .add(new HBox(
                        10,
                        Texts.mono(batch.factory().toString(), "strong"),
                        Texts.of(
                                Counted.of(batch.boxes().size(), "device") + ", "
                                        + (waiting == 0 ? "all set" : waiting + " to do"),
                                "soft")));
        for (FactoryAddresses.Box one : batch.boxes()) {
            Label name = Texts.of(one.name());
            name.setMinWidth(220);
            box.getChildren()
                    .add(new HBox(
                            8,
                            Mark.of(one.done() ? Verdict.PASSES : Verdict.NOT_KNOWN),
                            name,
                            Texts.mono(one.target().toString(), "soft")));
        }
        int step = 1;
        for (String words : FactoryAddresses.steps(document.plan(), batch)) {
            box.getChildren().add(Texts.wrapped(step++ + "  " + words));
        }
        if (waiting > 0) {
            Button done = Buttons.action(
                    batch.waiting().get(0).name() + " has its address",
                    "box-done-" + number,
                    () -> apply(FactoryAddresses.set(batch.waiting().get(0))));
            box.getChildren().add(done);
        }
        if (waiting < batch.boxes().size()) {
            List<FactoryAddresses.Box> boxes = batch.boxes();
            Button fresh = new Button(
                    boxes.size() == 1
                            ? "It is as it left the factory"
                            : "All " + boxes.size() + " are as they left the factory");
            fresh.getStyleClass().add("quiet");
            fresh.setId("box-fresh-" + number);
            fresh.setOnAction(e -> apply(FactoryAddresses.unpacked(batch)));
            box.getChildren().add(fresh);
        }
        return box;
    }

    private void apply(Edit edit) {
        document.apply(edit);
        show();
    }
}
