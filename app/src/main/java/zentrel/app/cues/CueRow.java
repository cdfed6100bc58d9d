package zentrel.app.cues;

import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.control.Cue;
import zentrel.control.CueComparison;
import zentrel.control.CueDifference;
import zentrel.control.CueMerge.Side;

/** A cue in both lists: what each says, and between them in what they differ. */
final class CueRow extends ListCell<CueRow.Item> {
    static final double NUMBER = 66;
    static final double LABEL = 182;
    static final double TIME = 52;
    static final double BETWEEN = 156;

    /**
     * What a row shows.
     *
     * @param place in the comparison
     * @param right which list was chosen
     */
    record Item(int place, CueComparison.Row row, boolean runs, Optional<Side> right) {}

    /** Told which list is right in a row. */
    interface Choice {
        void choose(int place, Side right);
    }

    private final Choice choice;

    CueRow(Choice choice) {
        this.choice = choice;
    }

    @Override
    protected void updateItem(@Nullable Item item, boolean empty) {
        super.updateItem(item, empty);
        setText(null);
        if (empty || item == null) {
            setGraphic(null);
            return;
        }
        CueComparison.Row row = item.row();
        String kinds = row.differences().stream().map(d -> words(d)).collect(Collectors.joining(", "));
        HBox between = between(item, kinds);
        HBox line = new HBox(
                6,
                side(row.a(), item.right().filter(r -> r == Side.B).isPresent()),
                between,
                side(row.b(), item.right().filter(r -> r == Side.A).isPresent()));
        line.setAlignment(Pos.CENTER_LEFT);
        if (item.runs()) {
            line.getChildren().add(Texts.of("runs", "passes", "small"));
        }
        setGraphic(line);
        setAccessibleText("Cue " + row.either().number() + " of list "
                + row.either().list() + (kinds.isEmpty() ? ", the same in both" : ": " + kinds));
    }

    /** In what they differ, with a button on either side that says which is right. */
    private HBox between(Item item, String kinds) {
        HBox between = new HBox(4);
        between.setMinWidth(BETWEEN);
        between.setPrefWidth(BETWEEN);
        between.setMaxWidth(BETWEEN);
        between.setAlignment(Pos.CENTER);
        if (kinds.isEmpty()) {
            between.getChildren().add(Texts.of("———", "small", "soft"));
            return between;
        }
        Label words = Texts.of(kinds, "small", item.right().isPresent() ? "soft" : "broken");
        words.setMinWidth(0);
        between.getChildren().addAll(choose("‹", "left", item, Side.A), words, choose("›", "right", item, Side.B));
        return between;
    }

    private Button choose(String text, String name, Item item, Side side) {
        Button button =
                Buttons.quiet(text, "cue-" + name + "-" + item.place(), () -> choice.choose(item.place(), side));
        button.getStyleClass().add(item.right().filter(r -> r == side).isPresent() ? "passes" : "soft");
        button.setAccessibleText("The " + name + " list is right");
        return button;
    }

    private static HBox side(Optional<Cue> cue, boolean falls) {
        String style = falls ? "soft" : "plain";
        Label number = Texts.mono(cue.map(c -> c.list() + " / " + c.number()).orElse(""), style, "small");
        number.setMinWidth(NUMBER);
        number.setPrefWidth(NUMBER);
        number.setAlignment(Pos.CENTER_RIGHT);
        Label label = Texts.of(cue.map(Cue::label).orElse(""), style);
        label.setMinWidth(LABEL);
        label.setPrefWidth(LABEL);
        label.setMaxWidth(LABEL);
        Label time = Texts.mono(cue.map(Cue::time).orElse(""), style, "small");
        time.setMinWidth(TIME);
        time.setPrefWidth(TIME);
        time.setAlignment(Pos.CENTER_RIGHT);
        HBox side = new HBox(8, number, label, time);
        side.setAlignment(Pos.CENTER_LEFT);
        return side;
    }

    private static String words(CueDifference d) {
        return switch (d.kind()) {
            case MISSING_IN_A -> "only right";
            case MISSING_IN_B -> "only left";
            default -> d.kind().word();
        };
    }
}
