package zentrel.app.flow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.check.Check;
import zentrel.plan.Id;

/** Wherever one has looked before, what is drawn is what a new drawing of the same place has. */
class FlowDrawingTest {
    private static final FlowModel MANY = FlowModel.of(Check.run(BigRig.of(90, 5)));

    @BeforeAll
    static void toolkit() throws Exception {
        FxToolkit.registerPrimaryStage();
    }

    /** Nothing is chosen and nothing opened. */
    private static final class Quiet implements FlowDrawing.Stage {
        @Override
        public boolean isChosen(Id<?> id) {
            return false;
        }

        @Override
        public boolean isChosen(Bundle bundle) {
            return false;
        }

        @Override
        public boolean isOpened(Bundle bundle) {
            return false;
        }

        @Override
        public String label(Id<?> signal) {
            return signal.value();
        }

        @Override
        public void choose(Id<?> id) {}

        @Override
        public void open(Bundle bundle) {}

        @Override
        public void unfold(String group) {}

        @Override
        public void reveal(double y, double row) {}

        @Override
        public void step(Id<?> from, KeyCode way) {}
    }

    /** Each layer as what stands in it and where. */
    private static List<List<String>> layers(Pane chart) {
        List<List<String>> layers = new ArrayList<>();
        for (Node layer : chart.getChildren()) {
            if (layer instanceof Path path) {
                layers.add(path.getElements().stream()
                        .map(Object::toString)
                        .sorted()
                        .toList());
            } else if (layer instanceof Parent parent) {
                layers.add(parent.getChildrenUnmodifiable().stream()
                        .map(n -> n.getClass().getSimpleName() + " " + n.getId() + " " + n.getStyleClass()
                                + (n instanceof Path p ? p.getElements() : "") + n.getLayoutX() + "," + n.getLayoutY())
                        .sorted()
                        .toList());
            }
        }
        return layers;
    }

    private static List<Double> heights(Pane chart, String of) {
        List<Double> heights = new ArrayList<>();
        for (Node layer : chart.getChildren()) {
            if (layer instanceof Parent parent) {
                parent.getChildrenUnmodifiable().stream()
                        .filter(n -> n.getId() != null
                                && MANY.takers().stream()
                                        .anyMatch(t -> n.getId().equals(of + t.id().value())))
                        .forEach(n -> heights.add(n.getLayoutY()));
            }
        }
        return heights;
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whatIsDrawnDoesNotDependOnTheWay(long seed) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> {
                    Random random = new Random(seed);
                    double width = 600 + random.nextInt(1600);
                    Pane walked = new Pane();
                    FlowDrawing drawing = new FlowDrawing(MANY, new Quiet(), walked, width, 700, true);
                    double from = 0;
                    for (int step = 0; step < 30; step++) {
                        from = random.nextInt(4) == 0
                                ? random.nextDouble() * drawing.height()
                                : Math.min(drawing.height(), Math.max(0, from + random.nextInt(700) - 350));
                        double to = from + 300 + random.nextInt(600);
                        drawing.draw(from, to);
                        Pane anew = new Pane();
                        new FlowDrawing(MANY, new Quiet(), anew, width, 700, true).draw(from, to);
                        assertThat(layers(walked)).isEqualTo(layers(anew));
                        assertThat(heights(walked, "card-")).isSortedAccordingTo(Comparator.naturalOrder());
                    }
                    drawing.draw(0, drawing.height());
                    assertThat(heights(walked, "card-")).hasSameSizeAs(MANY.takers());
                    return true;
                })
                .get(60, TimeUnit.SECONDS);
    }
}
