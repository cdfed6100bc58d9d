package zentrel.app.universes;

import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Page;
import zentrel.check.Report;
import zentrel.contest.Contest;
import zentrel.path.Verdict;
import zentrel.plan.PlanIndex;

/** Who is heard at each port, and what is seen there when any one source stops. */
final class WhoWinsPage extends Page {
    private final OpenDocument document;
    private final ListView<Contest> list = new ListView<>();
    private final CheckBox several = new CheckBox("only where several send");
    private List<Contest> all = List.of();

    WhoWinsPage(OpenDocument document, Runnable away) {
        super("Who is heard, and what happens when one stops", away);
        this.document = document;
        list.setId("wins-list");
        list.setAccessibleText("Ports and who is heard there");
        list.setCellFactory(v -> new Cell());
        VBox.setVgrow(list, Priority.ALWAYS);
        several.setId("wins-several");
        several.setOnAction(e -> show());
        getChildren().addAll(row(several, back("wins-leave", "Back to the universes")), list);
        list.getSelectionModel().selectedItemProperty().addListener((o, old, contest) -> {
            if (contest != null) {
                document.select(contest.port());
            }
        });
        Report report = document.reportProperty().get();
        if (report != null) {
            document.derive(report, r -> Contest.all(r.signalPaths()), contests -> {
                all = contests;
                show();
            });
        }
    }

    private void show() {
        list.getItems()
                .setAll(all.stream()
                        .filter(c -> !several.isSelected() || c.contenders().size() > 1)
                        .toList());
    }

    private final class Cell extends ListCell<Contest> {
        @Override
        protected void updateItem(@Nullable Contest contest, boolean empty) {
            super.updateItem(contest, empty);
            setText(null);
            setGraphic(empty || contest == null ? null : graphic(contest));
        }

        private VBox graphic(Contest contest) {
            PlanIndex index = document.plan().index();
            boolean fights = contest.fight(index).isPresent();
            HBox head = new HBox(
                    8,
                    Mark.of(fights ? Verdict.BROKEN : contest.heard().isEmpty() ? Verdict.NOT_KNOWN : Verdict.PASSES),
                    Texts.mono(index.universe(contest.universe()).label(), "strong"),
                    Texts.of(index.name(contest.port())),
                    Texts.of(contest.now(), fights ? "broken" : "soft"));
            VBox box = new VBox(2, head);
            contest.failures().forEach(f -> box.getChildren().add(Texts.of("      " + f.text(), "soft", "small")));
            box.getStyleClass().add("lane");
            return box;
        }
    }
}
