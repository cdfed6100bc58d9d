package zentrel.app.gear;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.compare.Comparison;
import zentrel.compare.Difference;
import zentrel.gear.GearEdit;
import zentrel.text.Counted;

/** Another version of the plan beside this one: what differs, in words, a tick for each row to take over. */
final class ComparePanel extends VBox {
    /** One row with its tick. */
    private static final class Choice {
        private final Difference difference;
        private boolean taken;

        private Choice(Difference difference) {
            this.difference = difference;
        }
    }

    ComparePanel(OpenDocument document, String name, Comparison comparison, Runnable away) {
        super(8);
        List<Choice> choices =
                comparison.differences().stream().map(Choice::new).toList();
        ListView<Choice> list = new ListView<>();
        list.setId("compare-list");
        list.setAccessibleText("Differences; Space applies one");
        list.getItems().setAll(choices);
        list.setPlaceholder(Texts.of("The two say the same.", "soft"));
        list.setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(@Nullable Choice choice, boolean empty) {
                super.updateItem(choice, empty);
                if (empty || choice == null) {
                    setGraphic(null);
                    return;
                }
                CheckBox tick = new CheckBox(choice.difference.text());
                tick.setSelected(choice.taken);
                tick.setWrapText(true);
                tick.setMaxWidth(list.getWidth() - 24);
                tick.setOnAction(e -> choice.taken = tick.isSelected());
                setGraphic(tick);
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        List<String> devices = comparison.devices();
        Button take = new Button("Apply what is ticked");
        take.setId("compare-take");
        take.getStyleClass().add("action");
        take.setOnAction(e -> {
            List<Difference> wanted = new ArrayList<>();
            choices.stream().filter(c -> c.taken).forEach(c -> wanted.add(c.difference));
            if (wanted.isEmpty()) {
                document.tell("Nothing is ticked. Tick the rows to take over.");
            } else {
                document.make(() -> new GearEdit(comparison.taking(wanted), List.of()), made -> away.run());
            }
        });
        Button all = new Button("Tick all");
        all.getStyleClass().add("quiet");
        all.setOnAction(e -> {
            choices.forEach(c -> c.taken = true);
            list.refresh();
        });
        Button back = new Button("Back to the ledger");
        back.getStyleClass().add("quiet");
        back.setOnAction(e -> away.run());
        HBox row = new HBox(12, take, all, back);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        Texts.of("This plan and " + name, "title"),
                        Texts.wrapped(
                                choices.isEmpty()
                                        ? "They are the same."
                                        : Counted.of(choices.size(), "difference") + ", from this plan to " + name
                                                + ". "
                                                + (devices.isEmpty()
                                                        ? "No device would have to be touched."
                                                        : "To be touched again: " + String.join(", ", devices) + "."),
                                "soft"),
                        list,
                        row);
    }
}
