package zentrel.app.universes;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texted;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Report;
import zentrel.contest.Contest;
import zentrel.contest.SourcePrecedence;
import zentrel.path.Verdict;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Universe;

/** Who is heard at each port, and what is seen there when any one source stops. */
final class WhoWinsPanel extends Panel {
    private final OpenDocument document;
    private final ListView<Contest> list = new ListView<>();
    private final CheckBox several = new CheckBox("only where several send");
    private final ComboBox<SourcePrecedence> meant = new ComboBox<>();
    private final Button here = Buttons.action("Apply it", "wins-here", () -> settle(SourcePrecedence::edit));
    private final Button everywhere =
            Buttons.quiet("Apply it everywhere", "wins-everywhere", () -> settle(SourcePrecedence::everywhere));
    private final VBox outcome = new VBox(3);
    private List<Contest> all = List.of();

    /**
     * The page.
     *
     * @param about the universe that is chosen at first, if any
     */
    WhoWinsPanel(OpenDocument document, Runnable away, Optional<Id<Universe>> about) {
        super("Who wins, and what happens when one stops", away);
        this.document = document;
        list.setId("wins-list");
        list.setAccessibleText("Ports and who wins there");
        list.setCellFactory(v -> new Cell());
        VBox.setVgrow(list, Priority.ALWAYS);
        several.setId("wins-several");
        several.setOnAction(e -> show());
        meant.setId("wins-meant");
        meant.setAccessibleText("Who is meant to win there");
        meant.setPromptText("choose a port where several send");
        meant.setPrefWidth(380);
        meant.setConverter(new Texted<>(SourcePrecedence::text));
        meant.setOnAction(e -> outcome());
        here.setDisable(true);
        everywhere.setDisable(true);
        getChildren()
                .addAll(
                        row(several, back("wins-leave", "Back to the universes")),
                        list,
                        row(Texts.of("Meant to win there", "soft"), meant, here, everywhere),
                        outcome);
        list.getSelectionModel().selectedItemProperty().addListener((o, old, contest) -> {
            if (contest != null) {
                document.select(contest.port());
                settle(contest);
            }
        });
        Report report = document.reportProperty().get();
        if (report != null) {
            document.derive(report, r -> Contest.all(r.signalPaths()), contests -> {
                all = contests;
                show();
                about.ifPresent(this::choose);
            });
        }
    }

    private void choose(Id<Universe> universe) {
        all.stream()
                .filter(c -> c.universe().equals(universe) && c.contenders().size() > 1)
                .findFirst()
                .ifPresent(c -> {
                    list.getSelectionModel().select(c);
                    list.scrollTo(c);
                });
    }

    /** The choices for a port, worked out in the background: each is judged before it is offered. */
    private void settle(Contest contest) {
        meant.getItems().clear();
        outcome();
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        document.derive(report, r -> SourcePrecedence.of(r.signalPaths(), contest), choices -> {
            if (contest.equals(list.getSelectionModel().getSelectedItem())) {
                meant.getItems().setAll(choices);
                choices.stream()
                        .findFirst()
                        .ifPresent(meant::setValue); // what comes of it is said; nothing is done yet
                meant.setPromptText(choices.isEmpty() ? "one source alone reaches it" : "choose who is meant to win");
            }
        });
    }

    private void outcome() {
        SourcePrecedence choice = meant.getValue();
        outcome.getChildren().clear();
        here.setDisable(choice == null);
        everywhere.setDisable(choice == null);
        if (choice != null) {
            choice.outcome().forEach(o -> outcome.getChildren().add(Texts.wrapped(o)));
            everywhere.setText(choice.everywhere().text().replaceFirst(":.*", "") + " so");
        }
    }

    private void settle(java.util.function.Function<SourcePrecedence, Edit> how) {
        SourcePrecedence choice = meant.getValue();
        if (choice != null) {
            document.apply(how.apply(choice));
            leave();
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
