package zentrel.app.gear;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Texts;
import zentrel.gear.GearEdit;
import zentrel.pattern.Pattern;
import zentrel.pattern.Patterns;
import zentrel.pattern.Question;
import zentrel.plan.Edit;
import zentrel.plan.Plan;

/** Rigs to start from: choose one, answer its few questions, build. */
final class PatternPanel extends HBox {
    private static final double LIST_WIDTH = 300;

    private final OpenDocument document;
    private final UserLibrary library;
    private final Runnable away;
    private final VBox questions = new VBox(10);
    private final ToggleGroup group = new ToggleGroup();
    private final Map<String, Supplier<String>> answers = new LinkedHashMap<>();

    PatternPanel(OpenDocument document, UserLibrary library, Runnable away) {
        super(32);
        this.document = document;
        this.library = library;
        this.away = away;
        VBox list = new VBox(2, Texts.heading("Start from"));
        list.setMinWidth(LIST_WIDTH);
        list.setMaxWidth(LIST_WIDTH);
        for (Pattern pattern : Patterns.all()) {
            ToggleButton button = new ToggleButton();
            Text summary = Texts.drawn(pattern.summary(), "soft", "small");
            summary.setWrappingWidth(LIST_WIDTH - 24);
            button.setGraphic(new VBox(1, Texts.of(pattern.title(), "strong"), summary));
            button.setAccessibleText(pattern.title() + ". " + pattern.summary());
            button.setId("pattern-" + pattern.id());
            button.getStyleClass().add("choice");
            button.setToggleGroup(group);
            button.setMaxWidth(Double.MAX_VALUE);
            button.setOnAction(e -> {
                button.setSelected(true);
                ask(pattern);
            });
            list.getChildren().add(button);
        }
        HBox.setHgrow(questions, Priority.ALWAYS);
        getChildren().addAll(list, questions);
        choose(Patterns.all().get(0).id());
    }

    /** Asks the questions of a pattern, by its id. */
    void choose(String id) {
        for (int i = 0; i < Patterns.all().size(); i++) {
            Pattern pattern = Patterns.all().get(i);
            if (pattern.id().equals(id)) {
                group.getToggles().get(i).setSelected(true);
                ask(pattern);
            }
        }
    }

    private void ask(Pattern pattern) {
        answers.clear();
        questions.getChildren().setAll(Texts.of(pattern.title(), "title"), Texts.wrapped(pattern.summary(), "soft"));
        for (Question question : pattern.questions()) {
            questions.getChildren().add(field(question));
        }
        Button build = new Button("Build it");
        build.setId("pattern-build");
        build.getStyleClass().add("action");
        build.setDefaultButton(true);
        build.setOnAction(e -> build(pattern));
        Button back = new Button("Back to the ledger");
        back.getStyleClass().add("quiet");
        back.setOnAction(e -> away.run());
        HBox row = new HBox(12, build, back);
        row.setAlignment(Pos.CENTER_LEFT);
        questions.getChildren().add(row);
        if (!document.plan().hosts().isEmpty()) {
            questions
                    .getChildren()
                    .add(Texts.wrapped("It replaces what is in the plan now; undo brings that back.", "soft", "small"));
        }
    }

    private Node field(Question question) {
        Node input;
        if (question.choices().isEmpty()) {
            TextField text = new TextField(question.usual());
            text.getStyleClass().add("mono");
            text.setMaxWidth(180);
            text.setAccessibleText(question.text());
            answers.put(question.id(), text::getText);
            input = text;
        } else {
            ComboBox<String> choice = new ComboBox<>();
            choice.getItems().setAll(question.choices());
            choice.setValue(question.usual());
            choice.setPrefWidth(180);
            choice.setAccessibleText(question.text());
            answers.put(question.id(), choice::getValue);
            input = choice;
        }
        input.setId("answer-" + question.id());
        return new VBox(2, Texts.of(question.text()), input);
    }

    private void build(Pattern pattern) {
        Map<String, String> given = new HashMap<>();
        answers.forEach((id, answer) -> given.put(id, answer.get()));
        library.use(read -> document.make(
                () -> {
                    Plan built = pattern.build(read, given);
                    return new GearEdit(new Edit("Start from " + pattern.title(), p -> built), List.of());
                },
                made -> away.run()));
    }
}
