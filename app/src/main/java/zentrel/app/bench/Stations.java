package zentrel.app.bench;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Evidence;
import zentrel.path.Verdict;

/** The hops of the path that is rehearsed, each with what was seen there. */
final class Stations extends HBox {
    private boolean running;

    Stations() {
        super(8);
    }

    /** Begins anew. */
    void begin(boolean standinsRun) {
        running = standinsRun;
        getChildren().clear();
    }

    /** A hop that can be seen. */
    void station(String name, String value, Evidence.@Nullable Sight sight) {
        Verdict verdict = sight == null ? Verdict.NOT_KNOWN : sight.arrived() ? Verdict.PASSES : Verdict.BROKEN;
        Label number = Texts.of(value, "number");
        String said = sight == null
                ? (running ? "nothing seen yet" : "not looked")
                : (sight.arrived() ? "seen " : "not seen ") + sight.text();
        VBox box = new VBox(
                0,
                row(Mark.of(verdict), Texts.of(name, "strong", "small")),
                number,
                Texts.of(said, sight == null ? "soft" : Mark.styleOf(verdict), "small"));
        box.getStyleClass().add("station");
        box.setPrefWidth(168);
        box.setMinWidth(90);
        box.setAccessibleText(name + ", " + value + ", " + said);
        getChildren().add(box);
    }

    /** Hops that cannot be seen here. */
    void gap(String name, String why) {
        VBox box = new VBox(
                0,
                row(Mark.of(Verdict.NOT_APPLICABLE), Texts.of(name, "soft", "small")),
                Texts.of("·····", "number", "soft"),
                Texts.of(why, "soft", "small"));
        box.getStyleClass().add("station");
        box.setPrefWidth(110);
        getChildren().add(box);
    }

    private static HBox row(Node... nodes) {
        HBox row = new HBox(6, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
