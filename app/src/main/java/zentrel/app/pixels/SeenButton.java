package zentrel.app.pixels;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Tooltip;
import javafx.scene.paint.Color;
import zentrel.pixel.CornerTest.Seen;

/** One of the eight things that can be seen in the corner test, as a small picture. */
final class SeenButton extends Button {
    private static final double SIZE = 22;
    private static final double DOT = 5;

    SeenButton(Seen seen, Runnable chosen) {
        setGraphic(picture(seen));
        setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        getStyleClass().addAll("quiet", "seen");
        setId("seen-" + seen.white().word() + (seen.redRunsAcross() ? "-across" : "-up"));
        setAccessibleText(seen.words());
        setTooltip(new Tooltip(seen.words()));
        setOnAction(e -> chosen.run());
    }

    private static Canvas picture(Seen seen) {
        Canvas canvas = new Canvas(SIZE, SIZE);
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.setFill(Color.web("#10151A"));
        g.fillRect(0, 0, SIZE, SIZE);
        double x = seen.white().isRight() ? SIZE - DOT : 0;
        double y = seen.white().isTop() ? 0 : SIZE - DOT;
        g.setFill(Color.web(seen.redRunsAcross() ? "#E23B3B" : "#3FBF57"));
        g.fillRect(0, y, SIZE, DOT);
        g.setFill(Color.web(seen.redRunsAcross() ? "#3FBF57" : "#E23B3B"));
        g.fillRect(x, 0, DOT, SIZE);
        g.setFill(Color.WHITE);
        g.fillRect(x, y, DOT, DOT);
        return canvas;
    }
}
