package zentrel.lit;

import zentrel.pixel.PixelLayout;
import zentrel.plan.PixelPlacing;
import zentrel.plan.PixelRun;

/** Where the pixels of a run are in the place: those that stand at one distance, those that lie at one height. */
public final class PixelPlaces {
    private final PixelLayout layout;
    private final PixelPlacing placing;

    private PixelPlaces(PixelLayout layout, PixelPlacing placing) {
        this.layout = layout;
        this.placing = placing;
    }

    public static PixelPlaces of(PixelRun run) {
        return new PixelPlaces(PixelLayout.of(run), run.placing());
    }

    public int count() {
        return layout.count();
    }

    public Vector at(int pixel) {
        return placing.flat()
                ? new Vector(layout.x(pixel), layout.y(pixel), placing.at().z())
                : new Vector(layout.x(pixel), placing.at().y(), layout.y(pixel));
    }
}
