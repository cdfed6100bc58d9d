package zentrel.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.path.SignalPath;
import zentrel.plan.Fixture;
import zentrel.plan.Kind;
import zentrel.plan.PlanIndex;
import zentrel.plan.Stream;

/** The fixtures that a stream reaches: each filled as far as its highest slot is up, the selected one between corner ticks. */
final class Lamps extends FlowPane {
    private static final double SIZE = 26;
    private static final double RADIUS = 9;
    private static final double TICK = 5;
    private static final double FULL = 255;

    private final OpenDocument document;

    Lamps(OpenDocument document) {
        super(6, 6);
        this.document = document;
        setMinHeight(52);
        setPrefWrapLength(800);
    }

    /** The fixtures behind the port where a path ends; where no line is described there, all of the universe. */
    static List<Fixture> lit(Optional<SignalPath> path, PlanIndex index, Stream stream) {
        List<Fixture> list = new ArrayList<>();
        path.flatMap(SignalPath::receiver)
                .flatMap(r -> r.as(Kind.PORT))
                .ifPresent(p -> index.linesOf(p).forEach(l -> list.addAll(index.fixturesOn(l.id()))));
        return list.isEmpty() ? index.fixturesIn(stream.universe()) : list;
    }

    /** Adds a fixture with the levels of its universe. */
    void show(Fixture fixture, Stream stream, byte[] levels) {
        int most = fixture.slotsIn(stream.universe())
                .map(s -> levels[s - 1] & 0xFF)
                .max()
                .orElse(0);
        boolean selected = Objects.equals(document.selectionProperty().get(), fixture.id());
        Circle rim = new Circle(SIZE / 2, SIZE / 2, RADIUS);
        rim.setStyle("-fx-fill: transparent; -fx-stroke: -z-slate;");
        Circle light = new Circle(SIZE / 2, SIZE / 2, RADIUS - 1);
        light.setStyle("-fx-fill: -z-ink;");
        light.setOpacity(most / FULL);
        Pane drawn = new Pane(rim, light);
        drawn.setMinSize(SIZE, SIZE);
        drawn.setMaxSize(SIZE, SIZE);
        if (selected) {
            for (int corner = 0; corner < 4; corner++) {
                drawn.getChildren().add(tick(corner));
            }
        }
        VBox box = new VBox(1, drawn, Texts.mono(fixture.number(), "small", most > 0 ? "label" : "soft"));
        box.setAlignment(Pos.CENTER);
        box.setMinWidth(38);
        box.setAccessibleText(
                fixture.name() + (most > 0 ? " is lit, " + most : " is dark") + (selected ? ", selected" : ""));
        box.setOnMouseClicked(e -> document.select(fixture.id()));
        getChildren().add(box);
    }

    /** A corner, by whether it is right (1) and low (2). */
    private static Polyline tick(int corner) {
        double x = (corner & 1) == 0 ? 0.5 : SIZE - 0.5;
        double y = (corner & 2) == 0 ? 0.5 : SIZE - 0.5;
        double inX = (corner & 1) == 0 ? TICK : -TICK;
        double inY = (corner & 2) == 0 ? TICK : -TICK;
        Polyline tick = new Polyline(x + inX, y, x, y, x, y + inY);
        tick.setStyle("-fx-stroke: -z-heather; -fx-fill: transparent; -fx-stroke-width: 1.5;");
        return tick;
    }
}
