package zentrel.app.addresses;

import java.io.IOException;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Daemons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.compare.SeenAdapter;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Ping;
import zentrel.live.PlannedHosts;
import zentrel.live.ReachabilityProbe;
import zentrel.live.ThisComputer;
import zentrel.path.Verdict;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.text.Counted;

/** Planned devices asked whether they answer, many at once; it sets nothing, and is stopped by leaving or by its button. */
final class AskPanel extends Panel {
    private static final Duration LIMIT = Duration.ofSeconds(1);

    private final OpenDocument document;
    private final Plan plan;
    private final List<ReachabilityProbe.Question> questions;
    private final Map<Ipv4Address, String> names = new HashMap<>();
    private final Map<Ipv4Address, ReachabilityProbe.Answer> answers = new HashMap<>();
    private final ListView<ReachabilityProbe.Question> list = new ListView<>();
    private final ProgressBar progress = new ProgressBar(0);
    private final Label summary = Texts.of("", "soft");
    private final Button ask;
    private final Button stop;
    private @Nullable ReachabilityProbe asking;

    /**
     * The page.
     *
     * @param only asks these alone; all where it is empty
     */
    AskPanel(OpenDocument document, Runnable away, List<Id<Host>> only) {
        super("Ask who answers", away);
        this.document = document;
        this.plan = document.plan();
        List<Host> hosts = plan.hosts().stream()
                .filter(h -> only.isEmpty() || only.contains(h.id()))
                .toList();
        questions = PlannedHosts.questions(plan, hosts);
        for (Host host : hosts) {
            host.adapters()
                    .forEach(a -> a.addresses()
                            .forEach(x ->
                                    names.merge(x.inForce().address(), host.name(), (one, two) -> one + " or " + two)));
        }
        ask = Buttons.action("Ask them now", "ask-start", this::start);
        stop = Buttons.action("Stop", "ask-stop", this::stop);
        stop.setDisable(true);
        list.setId("ask-list");
        list.getItems().setAll(questions);
        list.setCellFactory(v -> new Cell());
        list.setAccessibleText("Answers");
        VBox.setVgrow(list, Priority.ALWAYS);
        progress.setPrefWidth(160);
        summary.setId("ask-summary");
        summary.setWrapText(true);
        summary.setText(Counted.of(questions.size(), "address", "addresses")
                + ". Asked by ping, and by an Art-Net poll where a device would answer one. Nothing is set.");
        getChildren().addAll(summary, row(ask, stop, progress), list, back("ask-leave", "Back to the rulers"));
        sceneProperty().addListener((o, old, scene) -> {
            if (scene == null) {
                stop(); // somebody went elsewhere
            }
        });
    }

    private void start() {
        stop();
        answers.clear();
        list.refresh();
        ask.setDisable(true);
        stop.setDisable(false);
        progress.setProgress(0);
        summary.setText("Asking …");
        Thread thread = new Thread(
                () -> {
                    try {
                        List<SeenAdapter> own = ThisComputer.adapters();
                        Platform.runLater(() -> begin(own));
                    } catch (IOException e) {
                        Platform.runLater(() ->
                                document.tell("This system does not tell of its adapters: " + e.getMessage() + "."));
                    }
                },
                "this computer");
        thread.setDaemon(true);
        thread.start();
    }

    private void begin(List<SeenAdapter> own) {
        ReachabilityProbe begun = new ReachabilityProbe(own, Ping.ofSystem(), LIMIT);
        asking = begun;
        begun.start(questions, a -> Platform.runLater(() -> heard(a)), () -> Platform.runLater(this::stop));
    }

    private void heard(ReachabilityProbe.Answer answer) {
        answers.put(answer.address(), answer);
        progress.setProgress(answers.size() / (double) questions.size());
        list.refresh();
        tell(answers.size() < questions.size() ? "so far" : "");
    }

    private void tell(String more) {
        long good = answers.values().stream()
                .filter(ReachabilityProbe.Answer::answers)
                .count();
        summary.setText(good + " answer, " + (answers.size() - good) + " are silent"
                + (more.isEmpty() ? "." : ", " + more + "."));
    }

    private void stop() {
        if (asking != null) {
            ReachabilityProbe ended = asking;
            asking = null;
            Daemons.of(ended::close, "asking ends").start();
            tell(answers.size() < questions.size() ? "the others were not asked to the end" : "");
        }
        ask.setDisable(false);
        stop.setDisable(true);
    }

    private final class Cell extends ListCell<ReachabilityProbe.Question> {
        @Override
        protected void updateItem(ReachabilityProbe.@Nullable Question question, boolean empty) {
            super.updateItem(question, empty);
            setText(null);
            setGraphic(empty || question == null ? null : graphic(question));
        }

        private HBox graphic(ReachabilityProbe.Question question) {
            ReachabilityProbe.Answer answer = answers.get(question.address());
            Label name = Texts.of(names.getOrDefault(question.address(), ""));
            name.setMinWidth(240);
            name.setPrefWidth(240);
            Label address = Texts.mono(question.address().toString());
            address.setMinWidth(150);
            HBox box = new HBox(
                    8,
                    name,
                    address,
                    Mark.of(answer == null ? Verdict.NOT_KNOWN : answer.answers() ? Verdict.PASSES : Verdict.BROKEN),
                    Texts.of(
                            answer == null ? "not asked" : (answer.answers() ? "answers " : "silent ") + answer.how(),
                            answer == null ? "soft" : answer.answers() ? "passes" : "broken"));
            box.getStyleClass().add("lane");
            return box;
        }
    }
}
