package zentrel.app.lit;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import zentrel.lit.Camera;
import zentrel.lit.LitPlan;
import zentrel.lit.Vector;
import zentrel.lit.Wire;
import zentrel.path.SignalPaths;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.Viewpoint;

/** The picture of a place without the page around it, of one size: for what measures pictures or compares them. On the JavaFX thread. */
public final class LitPicture {
    private final LitLevels levels = new LitLevels();
    private final LitCanvas canvas = new LitCanvas(levels);

    /** All at full, seen as a whole. */
    public LitPicture(SignalPaths paths, double width, double height) throws IOException {
        canvas.resize(width, height);
        canvas.setPrefSize(width, height);
        canvas.show(LitSight.of(LitPlan.of(paths)));
        for (GroundPicture picture : paths.plan().groundPictures()) {
            canvas.decoded(picture.picture(), PictureReader.decode(picture.picture()));
        }
    }

    public Node node() {
        return canvas;
    }

    /** From a viewpoint. */
    public void look(Viewpoint from) {
        canvas.look(Camera.between(Vector.of(from.eye()), Vector.of(from.target())));
    }

    /**
     * Lit by levels; drawn at once.
     *
     * @param whateverIsHeard whether what is not reached by its path is lit as well
     */
    public void light(Map<Wire, byte[]> universes, boolean whateverIsHeard) {
        levels.way(whateverIsHeard ? LitLevels.Way.HEARD : LitLevels.Way.PATH);
        levels.hear(universes);
        canvas.drawLit();
    }

    /** How many fixtures show light now, beside pixels. */
    public long lit() {
        return canvas.sight().placed().stream()
                .filter(p -> levels.look(p.lamp()).brightness() > 0)
                .count();
    }

    /** What is at a spot. */
    public Optional<Id<?>> at(double x, double y) {
        return canvas.at(x, y);
    }
}
