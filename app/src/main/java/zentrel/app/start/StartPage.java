package zentrel.app.start;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.pattern.Patterns;

/** Four ways in, shown where there is no plan yet: a pattern, the demo, words, a file. */
public final class StartPage extends StackPane {
    /** What may be said first; each line also does those before it that were not done yet. */
    public static final List<String> LINES =
            List.of("full console", "3 node 4 in Boathouse", "route 1-8 console to node");

    private static final double WIDTH = 520;
    private static final int MOST_RECENT = 5;

    private final WaysIn ways;
    private final VBox said = new VBox(2);
    private final TextField line = new TextField();
    private final Button toGear = Buttons.action("Go on in Gear", "start-gear", this::leave);
    private final List<String> done = new ArrayList<>();
    private final Deque<String> waiting = new ArrayDeque<>();
    private boolean saying;
    private final VBox recent = new VBox(2);

    public StartPage(WaysIn ways) {
        this.ways = ways;
        GridPane grid = new GridPane(40, 28);
        for (int i = 0; i < 2; i++) {
            ColumnConstraints column = new ColumnConstraints(300, WIDTH, WIDTH);
            column.setHgrow(Priority.ALWAYS);
            grid.getColumnConstraints().add(column);
        }
        grid.add(patterns(), 0, 0);
        grid.add(demo(), 1, 0);
        grid.add(words(), 0, 1);
        grid.add(files(), 1, 1);
        VBox all = new VBox(
                18,
                Texts.of("No plan is open", "title"),
                Texts.wrapped(
                        "Zentrel works out addresses and universes for your gear, and shows for each signal where it stops and what to set.",
                        "soft"),
                grid);
        all.setPadding(new Insets(28, 32, 24, 40));
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        getChildren().add(scroll);
        setId("start-page");
        said.setId("start-said");
        toGear.setVisible(false);
        toGear.managedProperty().bind(toGear.visibleProperty());
        ways.recent(this::recent);
    }

    private static VBox way(String title, String sentence, SmallPicture picture, Node... below) {
        VBox box = new VBox(8, Texts.of(title, "strong"), Texts.wrapped(sentence, "soft"), picture);
        box.getChildren().addAll(below);
        return box;
    }

    private Node patterns() {
        FlowPane choices = new FlowPane(4, 2);
        Patterns.all()
                .forEach(p -> choices.getChildren()
                        .add(Buttons.quiet(p.title(), "start-pattern-" + p.id(), () -> ways.pattern(p.id()))));
        return way(
                "Start from a pattern",
                "Choose a usual rig and answer a few questions; it comes with addresses, universes and fixtures.",
                SmallPicture.pattern(),
                choices);
    }

    private Node demo() {
        return way(
                "Open the demo",
                "Fernlight Trail, a light walk through a garden. The draft has mistakes to find, and five steps beside it.",
                SmallPicture.demo(),
                new HBox(
                        12,
                        Buttons.action("Open the draft", "start-draft", () -> ways.demo("draft")),
                        Buttons.quiet("Open it without mistakes", "start-ready", () -> ways.demo("ready"))));
    }

    private Node words() {
        line.setId("start-line");
        line.setPromptText("Say what there is …");
        line.setAccessibleText("Say what there is, for example: " + LINES.get(1));
        line.setMaxWidth(320);
        line.setOnAction(e -> say(line.getText()));
        VBox examples = new VBox(0);
        for (int i = 0; i < LINES.size(); i++) {
            int number = i;
            Button example = Buttons.quiet(LINES.get(i), "start-example-" + i, () -> sayAsFarAs(number));
            example.getStyleClass().add("mono");
            examples.getChildren().add(example);
        }
        return way(
                "Describe the gear in words",
                "Type a line for each device, or press one of these; they follow on each other.",
                SmallPicture.words(),
                examples,
                line,
                said,
                toGear);
    }

    private Node files() {
        return way(
                "Open a plan",
                "From a file, or drop one on this window.",
                SmallPicture.file(),
                Buttons.action("Open a plan …", "start-open", ways::open),
                recent);
    }

    private void recent(List<Path> paths) {
        recent.getChildren().clear();
        for (Path path : paths.stream().limit(MOST_RECENT).toList()) {
            Button button = Buttons.quiet(
                    String.valueOf(path.getFileName()),
                    "start-recent-" + recent.getChildren().size(),
                    () -> ways.open(path));
            button.setMnemonicParsing(false);
            Label where =
                    Texts.of(path.getParent() == null ? "" : path.getParent().toString(), "soft", "small");
            where.setMinWidth(0);
            HBox row = new HBox(8, button, where);
            row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            recent.getChildren().add(row);
        }
    }

    private void sayAsFarAs(int number) {
        waiting.addAll(LINES.subList(0, number + 1).stream()
                .filter(l -> !done.contains(l))
                .toList());
        done.addAll(waiting);
        next();
    }

    private void say(String words) {
        if (!words.isBlank()) {
            waiting.add(words);
            next();
        }
    }

    /** One after the other, for a line is read as of the plan that the one before it made. */
    private void next() {
        String words = waiting.peek();
        if (words == null || saying) {
            return;
        }
        saying = true;
        ways.say(words, answer -> {
            saying = false;
            waiting.remove();
            said.getChildren().add(Texts.wrapped(answer, "small"));
            toGear.setVisible(true);
            line.clear();
            next();
        });
    }

    /** Whether what is in the plan was said here, so that the page stays. */
    public boolean hasSaid() {
        return saying || !said.getChildren().isEmpty();
    }

    private void leave() {
        ways.leave();
    }
}
